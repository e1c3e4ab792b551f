import styled from "styled-components";
import { ink } from "./theme";

/** Layout pieces the stations share. */
export const Heading = styled.h3`
  margin: 20px 0 6px;
  font-size: 14px;
  color: ${ink.quiet};
  font-weight: 650;
`;

export const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: end;
`;

/** Fields beside one another: label, box and fault of each in a row with those of its neighbours. */
export const Fields = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(118px, 1fr));
  gap: 2px 12px;
  margin: 10px 0 2px;
  > * {
    grid-row: span 3;
    grid-template-rows: subgrid;
    align-content: stretch;
    margin-bottom: 8px;
    > label {
      align-self: end;
    }
    > input {
      grid-row: 2;
    }
  }
`;

export const Ticket = styled.table`
  width: 100%;
  border-collapse: collapse;
  th,
  td {
    text-align: left;
    padding: 8px 10px 8px 0;
    border-top: 1px solid ${ink.rule};
    vertical-align: top;
    font-weight: 400;
  }
  thead th {
    color: ${ink.quiet};
    font-size: 14px;
    border-top: 0;
    padding-bottom: 2px;
  }
  td.number,
  th.number {
    text-align: right;
    white-space: nowrap;
    padding-right: 16px;
  }
  tbody th {
    font-weight: 650;
  }
`;

/** A link that hands over a file, looking like a button. */
export const Carry = styled.a`
  display: inline-grid;
  align-items: center;
  min-height: 44px;
  padding: 0 16px;
  border: 1px solid ${ink.ink};
  color: ${ink.ink};
  font-weight: 650;
  text-decoration: none;
  &:hover {
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  &:focus-visible {
    outline: 3px solid ${ink.ochre};
    outline-offset: 1px;
  }
`;

export const Quiet = styled.p`
  color: ${ink.quiet};
  font-size: 15px;
  margin: 6px 0;
`;

export const Fault = styled.p`
  color: ${ink.rust};
  font-weight: 650;
  margin: 6px 0;
`;

/** Read aloud, not shown: what the eye has from elsewhere. */
export const Unseen = styled.span`
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
  white-space: nowrap;
`;
