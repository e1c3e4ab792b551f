import styled from "styled-components";
import { ink } from "../kit/theme";

/** Where the parts of the screen lathe stand. */
export const RehearsalFrame = styled.main`
  display: grid;
  grid-template:
    "head side" auto "lathe side" minmax(0, 3fr) "cut side" minmax(150px, 2fr) "next next" auto / minmax(0, 3fr)
    minmax(420px, 2fr);
  min-height: 0;
  /* A disc's section stands beside it. */
  &[data-short] {
    grid-template:
      "head head side" auto "lathe cut side" minmax(0, 1fr) "next next next" auto / minmax(0, 7fr) minmax(0, 5fr)
      minmax(420px, 8fr);
    > .cut {
      border-top: 0;
      padding: 12px 22px 46px 0;
    }
  }
  > header {
    grid-area: head;
    padding: 10px 22px 0;
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0 16px;
    h2 {
      font-size: 22px;
    }
    > span {
      flex: 1;
    }
  }
  > .lathe {
    grid-area: lathe;
    position: relative;
    min-height: 0;
    > output {
      position: absolute;
      left: 22px;
      bottom: 6px;
      font-size: 20px;
      font-weight: 650;
    }
  }
  > .cut {
    grid-area: cut;
    min-height: 0;
    padding: 0 22px 8px;
    border-top: 1px solid ${ink.rule};
  }
  > aside {
    grid-area: side;
    border-left: 2px solid ${ink.ink};
    padding: 12px 22px;
    position: relative;
    overflow-y: auto;
    background: ${ink.paper};
  }
  > footer {
    grid-area: next;
    display: flex;
    align-items: center;
    gap: 20px;
    padding: 6px 22px;
    background: ${ink.strip};
    color: ${ink.onStrip};
    font-size: 18px;
    button {
      margin-left: auto;
    }
  }
  @media (max-width: 900px) {
    &,
    &[data-short] {
      grid-template: "head" auto "lathe" 280px "cut" 200px "side" auto "next" auto / minmax(0, 1fr);
    }
    > header > span {
      flex: 1 0 100%;
    }
    > aside {
      border-left: 0;
      border-top: 2px solid ${ink.ink};
    }
    > footer {
      position: sticky;
      bottom: 0;
    }
  }
`;
