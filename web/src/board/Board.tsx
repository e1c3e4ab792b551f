import { useQuery } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import styled from "styled-components";
import { api } from "../api/client";
import type { Board as BoardAnswer, Shop } from "../api/document";
import { Button } from "../kit/Button";
import { dayText } from "../kit/dayText";
import { Choice } from "../kit/Choice";
import { NextStrip } from "../kit/NextStrip";
import { Carry, Fault, Heading, Quiet, Row } from "../kit/parts";
import { STATION_OF } from "../kit/stretches";
import { useKept } from "../kit/useKept";
import { useUnit } from "../kit/Units";
import { t } from "../i18n/texts";
import { Air } from "./Air";
import { AtRisk, Late, Needs } from "./Needs";
import { Timeline } from "./Timeline";
import { SPANS, stepsText, WhatNow } from "./WhatNow";

const ASK_AGAIN_MS = 30_000;
/** While pieces are still being planned. */
const SOON_MS = 600;

const DAYS = ["7", "2", "28"] as const;

const Frame = styled.div`
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
`;

const Page = styled.main`
  min-height: 0;
  padding: 12px 22px 0;
  display: grid;
  grid-template-columns: minmax(300px, 34%) minmax(0, 1fr);
  gap: 0 28px;
  h2 {
    font-size: 22px;
    margin: 0 0 4px;
  }
  > .words {
    overflow-y: auto;
    padding: 0 6px 30px 0;
  }
  > .days {
    display: grid;
    grid-template-rows: auto minmax(0, 1fr) auto;
    min-height: 0;
  }
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
    > .words {
      overflow: visible;
    }
  }
`;

/** What can be done now, what needs a hand and when, what is late and why, and the days ahead of every piece. */
export function Board({ shop }: { shop: Shop }) {
  const [span, , setSpan] = useKept("time for the board", SPANS);
  const [days, , setDays] = useKept("days of the board", DAYS);
  const board = useQuery({
    queryKey: ["board", span, days],
    queryFn: () => api.board(Number(span), Number(days)),
    placeholderData: (before) => before,
    refetchInterval: ({ state }) => ((state.data?.pending ?? 0) > 0 ? SOON_MS : ASK_AGAIN_MS),
  });
  const waits = useQuery({ queryKey: ["waits"], queryFn: api.waits, refetchInterval: ASK_AGAIN_MS });
  const problem = board.error ?? waits.error;
  return (
    <Frame>
      <Page>
        <div className="words">
          <h2>{t("screen.board.what_can_i_do")}</h2>
          {problem && <Fault role="alert">{problem.message}</Fault>}
          {board.data?.backup?.stale && (
            <Fault role="alert">
              {board.data.backup.last_at
                ? t("screen.board.backup_old", {
                    day: dayText(board.data.backup.last_at),
                  })
                : t("screen.board.backup_none")}
            </Fault>
          )}
          {!board.data && !problem && <Quiet role="status">{t("screen.board.laying_it_out")}</Quiet>}
          {board.data && <WhatNow board={board.data} span={span} onSpan={setSpan} />}
          {board.data && waits.data && <Needs board={board.data} waits={waits.data.waits} />}
          {board.data && <Late board={board.data} />}
          {board.data && <AtRisk board={board.data} />}
          <Around shop={shop} />
        </div>
        <section className="days" aria-label={t("screen.board.days_ahead")}>
          <Row style={{ justifyContent: "space-between", marginBottom: 8 }}>
            <Choice label={t("screen.board.days_ahead")} value={days} options={DAY_WORDS} onChange={setDays} />
            <Carry href="/api/board/list" download>
              {t("screen.board.print_tomorrow")}
            </Carry>
          </Row>
          {board.data && <Timeline board={board.data} />}
          {board.data && <Remarks board={board.data} />}
        </section>
      </Page>
      {board.data && <Next board={board.data} />}
    </Frame>
  );
}

const DAY_WORDS = {
  "2": t("screen.board.two_days"),
  "7": t("screen.board.a_week"),
  "28": t("screen.board.four_weeks"),
};

/** What the schedule takes for granted, or has not got yet. */
function Remarks({ board }: { board: BoardAnswer }) {
  return (
    <>
      {board.pending > 0 && <Quiet role="status">{t("screen.board.still_planning", { count: board.pending })}</Quiet>}
      {board.somebody && <Quiet>{t("screen.board.hours_supposed")}</Quiet>}
    </>
  );
}

/** The best that can be done now, and where. */
function Next({ board }: { board: BoardAnswer }) {
  const unit = useUnit();
  const go = useNavigate();
  const [first] = board.choices;
  const piece = board.pieces.find(({ id }) => id === first?.id);
  const [step] = first?.steps ?? [];
  if (!first || !piece || !step) return null;
  return (
    <NextStrip
      head={t("screen.bench.next")}
      action={
        <Button onPress={() => void go(`/blanks/${piece.id}/${STATION_OF[step.stretch]}`)}>
          {t("screen.board.to_the_piece")}
        </Button>
      }
    >
      {piece.number ?? "–"} {piece.name}: {stepsText(first, unit)}
    </NextStrip>
  );
}

/** The air it all waits in, and the calendar it goes to. */
function Around({ shop }: { shop: Shop }) {
  return (
    <section aria-label={t("screen.board.air_and_calendar")}>
      <Heading as="h3">{t("screen.board.the_shops_air")}</Heading>
      <Air shop={shop} />
      <Heading as="h3">{t("screen.board.in_a_calendar")}</Heading>
      <Carry href="/api/waits.ics" download>
        {t("screen.board.the_waits_as_a_calendar_file")}
      </Carry>
      <Quiet>
        {t("screen.board.or_let_a_calendar_on_this")}{" "}
        <code>{t("screen.board.api_waits_ics", { origin: window.location.origin })}</code>
        {t("screen.board.it_moves_as_the_waits_do")}
      </Quiet>
    </section>
  );
}
