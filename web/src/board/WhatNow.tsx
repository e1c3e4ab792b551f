import { Link } from "react-router";
import styled from "styled-components";
import type { Board } from "../api/document";
import { messageText, t } from "../i18n/texts";
import { MessageText } from "../kit/Advice";
import { Choice } from "../kit/Choice";
import { amountText } from "../kit/measure";
import { Quiet } from "../kit/parts";
import { STATION_OF } from "../kit/stretches";
import { focusRing, ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { latheName } from "./rows";

/** Minutes; the first where nothing was chosen. */
export const SPANS = ["40", "20", "90", "240"] as const;
export type Span = (typeof SPANS)[number];

const List = styled.ol`
  list-style: none;
  margin: 6px 0 0;
  li {
    border-top: 1px solid ${ink.rule};
  }
  a {
    display: block;
    padding: 7px 0 8px;
    min-height: 44px;
    color: inherit;
    text-decoration: none;
    ${focusRing}
  }
  a:hover strong {
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  .why {
    color: ${ink.quiet};
  }
`;

/** So many are shown; the rest are on the timeline. */
const FEW = 6;

/** What can be begun now and is done in the time there is, the best first. */
export function WhatNow({ board, span, onSpan }: { board: Board; span: Span; onSpan: (span: Span) => void }) {
  const unit = useUnit();
  const options = Object.fromEntries(SPANS.map((minutes) => [minutes, amountText(Number(minutes), "min", unit)]));
  return (
    <section aria-label={t("screen.board.what_can_i_do")}>
      <Choice
        label={t("screen.board.time_i_have")}
        value={span}
        options={options as Record<Span, string>}
        onChange={onSpan}
      />
      {board.choices.length === 0 && <Quiet>{t("screen.board.nothing_fits")}</Quiet>}
      <List>
        {board.choices.slice(0, FEW).map((choice) => (
          <li key={choice.id}>
            <ChoiceLine board={board} choice={choice} />
          </li>
        ))}
      </List>
      {board.choices.length > FEW && (
        <Quiet>{t("screen.board.more_choices", { count: board.choices.length - FEW })}</Quiet>
      )}
    </section>
  );
}

function ChoiceLine({ board, choice }: { board: Board; choice: Board["choices"][number] }) {
  const unit = useUnit();
  const piece = board.pieces.find(({ id }) => id === choice.id);
  const [first] = choice.steps;
  return (
    <Link to={`/blanks/${choice.id}/${first ? STATION_OF[first.stretch] : "route"}`}>
      <strong>
        {piece?.number ?? "–"} {stepsText(choice, unit)}
      </strong>{" "}
      · {amountText(choice.hands_min, "min", unit)}
      {choice.lathe && ` · ${latheName(choice.lathe)}`}
      <div className="why">
        {piece?.name}. <MessageText message={choice.why} asSentence />
      </div>
    </Link>
  );
}

/** "Mount, True up", or of more than two the first and the last: "Mount – Turn the outside". */
export function stepsText({ steps }: Board["choices"][number], unit: Parameters<typeof messageText>[1]): string {
  const names = steps.map(({ name }) => messageText(name, unit));
  if (names.length < 3) return names.join(t("lists.comma"));
  return `${names[0]} – ${names.at(-1)}`;
}
