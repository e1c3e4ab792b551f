import type { ReactNode } from "react";
import { Link } from "react-router";
import type { Board, BoardPiece, WaitOf } from "../api/document";
import { t } from "../i18n/texts";
import { MessageText } from "../kit/Advice";
import { amountText } from "../kit/measure";
import { Heading, Quiet } from "../kit/parts";
import { oddsText } from "../kit/OddsLine";
import { ink, toneInk } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { dayText, momentText } from "./times";

const HOUR_MS = 3_600_000;

const linked = { color: "inherit" };

/** What is running, on a card or to dry. */
type Running = {
  key: string;
  to: string;
  number: number | null;
  name: string;
  until: number;
  working: boolean;
  /** What for, or until what. */ what: ReactNode;
  /** When it is put on the scale. */ weigh?: number;
};

function running(board: Board, waits: WaitOf[]): Running[] {
  const carded = waits.flatMap(({ card_id, blank_id, line, number, name, likely_at, working, unlocks }) =>
    card_id === null
      ? []
      : {
          key: `${card_id} ${line}`,
          to: `/blanks/${blank_id}/card`,
          number,
          name,
          until: Date.parse(likely_at),
          working,
          what: unlocks ? t(`unlocks.${unlocks}`) : t("screen.board.the_next_line"),
        },
  );
  const own = board.pieces.flatMap(({ id, number, name, under_way }) =>
    under_way === null || waits.some(({ blank_id, card_id }) => blank_id === id && card_id !== null)
      ? []
      : {
          key: String(id),
          to: `/blanks/${id}/mend`,
          number,
          name,
          until: Date.parse(under_way.until),
          working: false,
          what: <MessageText message={under_way.name} />,
          ...(under_way.weigh !== null && { weigh: Date.parse(under_way.weigh) }),
        },
  );
  const soonest = ({ until, weigh }: Running) => Math.min(until, weigh ?? until);
  return [...carded, ...own].sort((one, other) => soonest(one) - soonest(other));
}

/** What is running and when it needs a hand, the soonest first. */
export function Needs({ board, waits }: { board: Board; waits: WaitOf[] }) {
  const unit = useUnit();
  const [now, list] = [Date.parse(board.now), running(board, waits)];
  return (
    <section aria-label={t("screen.board.needs_you")}>
      <Heading as="h3">{t("screen.board.needs_you")}</Heading>
      {list.length === 0 && <Quiet>{t("screen.board.nothing_waits")}</Quiet>}
      <ul>
        {list.map(({ key, to, number, name, until, working, what, weigh }) => (
          <li key={key} style={{ padding: "4px 0" }}>
            <Link to={to} style={linked}>
              <strong>
                {number ?? "–"} {name}
              </strong>
            </Link>
            {": "}
            {until > now ? (
              t("screen.board.in_time", {
                time: amountText((until - now) / HOUR_MS, "h", unit),
                moment: momentText(until),
              })
            ) : (
              <strong style={{ color: ink.rust }}>
                {working ? t("screen.board.working_time_is_over") : t("screen.board.time_is_up")}
              </strong>
            )}
            <Quiet style={{ margin: 0 }}>{what}</Quiet>
            {weigh !== undefined &&
              (weigh > now ? (
                <Quiet style={{ margin: 0 }}>{t("screen.board.weigh_on", { moment: dayText(weigh) })}</Quiet>
              ) : (
                <strong style={{ color: ink.ochre }}>{t("screen.board.weigh_now")}</strong>
              ))}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What is likely to be lost or to injure as it is planned, the likeliest first; and what takes most of it. */
export function AtRisk({ board }: { board: Board }) {
  const risky = board.pieces
    .flatMap((piece) => (piece.odds && piece.odds.verdict !== "go" ? [{ piece, odds: piece.odds }] : []))
    .sort((one, other) => one.odds.sound.share - other.odds.sound.share);
  if (risky.length === 0) return null;
  return (
    <section aria-label={t("screen.board.at_risk")}>
      <Heading as="h3">{t("screen.board.at_risk")}</Heading>
      <ul>
        {risky.map(({ piece, odds }) => (
          <li key={piece.id} style={{ padding: "4px 0" }}>
            <PieceLink piece={piece} />
            <strong style={{ color: toneInk[odds.verdict] }}>{oddsText(odds)}</strong>
            {odds.worst && (
              <Quiet style={{ margin: 0 }}>
                {t("screen.board.takes_most", {
                  event: t(`screen.odds.event.${odds.worst.event}`),
                  share: Math.round(100 * odds.worst.share),
                })}
              </Quiet>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What is not done in time, by how much, and what decides it; and what no date can be given for. */
export function Late({ board }: { board: Board }) {
  const unit = useUnit();
  const late = board.pieces.filter(({ late_days }) => late_days !== null);
  const stopped = board.pieces.filter((piece) => piece.stopped !== null && piece.due_on !== null);
  if (late.length + stopped.length === 0) return null;
  return (
    <section aria-label={t("screen.board.late")}>
      <Heading as="h3">{t("screen.board.late")}</Heading>
      <ul>
        {late.map((piece) => (
          <li key={piece.id} style={{ padding: "4px 0", color: ink.rust }}>
            <PieceLink piece={piece} />
            {t("screen.board.late_by", { time: amountText(Math.max(piece.late_days ?? 0, 1), "days", unit) })}{" "}
            <Decided piece={piece} />
            {piece.words && <Quiet style={{ margin: 0 }}>{piece.words}</Quiet>}
          </li>
        ))}
        {stopped.map((piece) => (
          <li key={piece.id} style={{ padding: "4px 0", color: ink.rust }}>
            <PieceLink piece={piece} />
            {piece.stopped && <MessageText message={piece.stopped} asSentence />}
            {piece.words && <Quiet style={{ margin: 0 }}>{piece.words}</Quiet>}
          </li>
        ))}
      </ul>
    </section>
  );
}

const PieceLink = ({ piece }: { piece: BoardPiece }) => (
  <>
    <Link to={`/blanks/${piece.id}/route`} style={linked}>
      <strong>
        {piece.number ?? "–"} {piece.name}
      </strong>
    </Link>
    {": "}
  </>
);

function Decided({ piece }: { piece: BoardPiece }) {
  const unit = useUnit();
  return (
    <>
      {piece.decided_by.map((share, index) => (
        <span key={`${share.step} ${share.what}`}>
          {index > 0 && t("screen.board.then")}
          <MessageText message={share.name} /> (
          {t(`screen.board.share.${share.what}`, { time: amountText(share.minutes, "min", unit) })})
        </span>
      ))}
      {"."}
    </>
  );
}
