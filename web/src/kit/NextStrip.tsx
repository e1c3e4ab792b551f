import type { ReactNode } from "react";
import styled from "styled-components";
import { t } from "../i18n/texts";
import { ink } from "./theme";

const Strip = styled.footer`
  display: flex;
  align-items: center;
  gap: 20px;
  padding: 6px 22px;
  min-height: 56px;
  background: ${ink.strip};
  color: ${ink.onStrip};
  font-size: 17px;
  > .next {
    color: #c8dbb4;
    font-weight: 700;
  }
  > p {
    flex: 1;
  }
  button {
    background: #c8dbb4;
    border-color: #c8dbb4;
    color: #1c2118;
  }
`;

/** One sentence, one button: what to do now, or what it waits for. */
export function NextStrip({ head, children, action }: { head: string; children: ReactNode; action: ReactNode }) {
  return (
    <Strip aria-label={t("screen.bench.next_move")}>
      <span className="next">{head}</span>
      <p>{children}</p>
      {action}
    </Strip>
  );
}
