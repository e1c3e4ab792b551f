import styled from "styled-components";
import { ink } from "../kit/theme";

/** A card fills the screen; what is dangerous turns its head red. */
export const Page = styled.main`
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr) auto;
  min-height: 0;
  font-size: 20px;
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 20px;
    padding: 10px 26px;
    border-bottom: 1px solid ${ink.rule};
  }
  header h2 {
    font-size: 22px;
    flex: 1;
  }
  > section {
    overflow-y: auto;
    padding: 18px 26px;
    display: grid;
    align-content: start;
    gap: 14px;
  }
  .what {
    font-size: clamp(28px, 3.4vw, 42px);
    line-height: 1.2;
    font-weight: 700;
    max-width: 30ch;
  }
  .target {
    font-size: clamp(56px, 9vw, 116px);
    line-height: 1;
    font-weight: 750;
  }
  .target small {
    font-size: 24px;
    font-weight: 400;
    color: ${ink.quiet};
    margin-left: 18px;
    white-space: nowrap;
  }
  .caution {
    color: ${ink.quiet};
  }
  &[data-danger] > header {
    background: ${ink.rust};
    color: ${ink.paper};
    button {
      color: inherit;
    }
  }
  .danger {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 12px 20px;
    padding: 12px 16px;
    background: ${ink.rust};
    color: ${ink.paper};
    font-size: 26px;
    button {
      color: ${ink.ink};
      background: ${ink.paper};
    }
  }
  @media (max-width: 900px) {
    > section {
      overflow: visible;
    }
  }
`;

/** The three buttons at the bottom. */
export const Foot = styled.footer`
  display: grid;
  grid-template-columns: 1fr 2fr 1fr;
  background: ${ink.strip};
  color: ${ink.onStrip};
  position: sticky;
  bottom: 0;
  button {
    min-height: 76px;
    font-size: 24px;
    border: 0;
    border-left: 1px solid ${ink.slate};
    color: inherit;
  }
  button[data-go] {
    background: #c8dbb4;
    color: #1c2118;
  }
`;

/** A mark for every line. */
export const Progress = styled.ol`
  display: flex;
  gap: 3px;
  li {
    flex: 1;
    height: 10px;
    border: 1px solid ${ink.slate};
    min-width: 4px;
  }
  li[data-done] {
    background: ${ink.moss};
    border-color: ${ink.moss};
  }
  li[data-here] {
    outline: 3px solid ${ink.ochre};
    outline-offset: 1px;
  }
`;
