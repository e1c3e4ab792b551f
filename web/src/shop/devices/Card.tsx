import styled from "styled-components";
import { ink } from "../../kit/theme";

/** A picture to scan, with what goes with it beside. */
export const Card = styled.div`
  display: grid;
  grid-template-columns: 220px 1fr;
  gap: 6px 22px;
  align-items: start;
  border: 1px solid ${ink.slate};
  padding: 14px;
  margin: 10px 0;
  img {
    width: 220px;
    background: #fff;
    padding: 10px;
  }
  strong {
    font-size: 20px;
  }
  @media (max-width: 600px) {
    grid-template-columns: 1fr;
  }
`;

/** A drawing as a picture. */
export const svg = (picture: string) => `data:image/svg+xml;utf8,${encodeURIComponent(picture)}`;
