import styled from "styled-components";
import type { CardLine } from "../api/document";
import { MessageText } from "../kit/Advice";
import { ink } from "../kit/theme";
import { spanText } from "./serverClock";
import { t } from "../i18n/texts";

const Strip = styled.ul`
  display: flex;
  flex-wrap: wrap;
  button {
    border: 0;
    border-right: 1px solid ${ink.rule};
    background: none;
    padding: 8px 26px;
    min-height: 64px;
    cursor: pointer;
    text-align: left;
    display: flex;
    align-items: center;
    gap: 14px;
  }
  button:focus-visible {
    outline: 3px solid ${ink.ochre};
    outline-offset: -3px;
  }
  strong {
    font-size: 28px;
  }
  [data-up] strong {
    color: ${ink.rust};
  }
  span {
    max-width: 34ch;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
`;

/** Every clock that runs, but the one in view. */
export function Running({
  lines,
  nowMs,
  here,
  onLook,
}: {
  lines: CardLine[];
  nowMs: number;
  here: string;
  onLook: (key: string) => void;
}) {
  const running = lines.filter(({ key, wait }) => key !== here && wait && !wait.ended_at);
  if (running.length === 0) return null;
  return (
    <Strip aria-label={t("screen.card.clocks_that_run")}>
      {running.map(({ key, message, wait }) => {
        const left = wait ? Date.parse(wait.likely_at) - nowMs : 0;
        return (
          <li key={key} data-up={left <= 0 || undefined}>
            <button onClick={() => onLook(key)}>
              <strong>{spanText(left)}</strong>
              <span>
                <MessageText message={message} />
              </span>
            </button>
          </li>
        );
      })}
    </Strip>
  );
}
