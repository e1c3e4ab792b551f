import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useEffect, useMemo, useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import styled from "styled-components";
import { api } from "../api/client";
import type { Geometry, Rehearsal, RehearsalAct } from "../api/document";
import { messageText, t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { amountText, clockText } from "../kit/measure";
import { Fault, Quiet } from "../kit/parts";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { useKept } from "../kit/useKept";
import { useKey } from "../kit/useKey";
import { Waiting } from "../kit/Waiting";
import { plannedNext, stepped } from "./advised";
import { Controls } from "./Controls";
import { CutSection } from "./CutSection";
import { Ended } from "./Ended";
import { Noticed } from "./Noticed";
import { LatheSound } from "./sound";
import { Trail } from "./Trail";
import { useRehearsal } from "./useRehearsal";

// Large, and not everybody's: it comes when it is asked for.
const SpinView = lazy(() => import("./SpinView"));

const Frame = styled.main`
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

const SOUNDS = ["off", "on"] as const;

/** One rehearsal: the piece on the screen lathe, what can be done with it, and what came of it. */
export function RehearsalPage() {
  const { id, rehearsal } = useParams();
  const { missing, again, ...found } = useRehearsal(Number(rehearsal));
  const drawn = useQuery({
    queryKey: ["rehearsed geometry", rehearsal],
    queryFn: async () => (found.rehearsal ? (await api.reckon(found.rehearsal.document)).geometry : null),
    enabled: found.rehearsal !== undefined,
    staleTime: Infinity,
  });
  if (!found.rehearsal || !drawn.data)
    return <Waiting what={t("screen.rehearsal.mounting")} problem={missing ?? drawn.error?.message} onAgain={again} />;
  return <AtTheLathe {...found} rehearsal={found.rehearsal} wood={drawn.data} blankId={Number(id)} />;
}

type Props = Pick<ReturnType<typeof useRehearsal>, "busy" | "problem" | "act"> & {
  rehearsal: Rehearsal;
  wood: Geometry;
  blankId: number;
};

function AtTheLathe({ rehearsal, wood, blankId, busy, problem, act }: Props) {
  const unit = useUnit();
  const go = useNavigate();
  const [looked, lookAt] = useState<Rehearsal>();
  const [clockDeg, setClock] = useState(0);
  const [zMm, setZ] = useState(wood.length_mm / 2);
  const [sounds, toggleSound] = useKept("rehearsal sound", SOUNDS);
  const shown = looked ?? rehearsal;
  const { state } = shown;
  const { document } = rehearsal;
  const sound = useSound(sounds === "on", state.senses);
  const geometry = useCutGeometry(wood, state.outline);
  const step = state.steps[state.at];
  const live = !looked && !state.ended;
  const next = live ? plannedNext(state) : undefined;
  const run = (one: RehearsalAct) => {
    sound.current?.start();
    void act(one).then((now) => {
      const tapped = now?.state.found.at(-1);
      if (one.act === "tap" && tapped?.kind === "tap") sound.current?.tap(tapped.dull ?? false);
    });
  };
  const speed = (by: 1 | -1) => live && run({ act: "speed", rpm: stepped(state.speed, by) });
  useKey({
    "+": () => speed(1),
    "-": () => speed(-1),
    o: () => live && run({ act: "speed", rpm: 0 }),
    g: () => next && run(next),
    k: () => live && run({ act: "look" }),
    t: () => live && run({ act: "tap", clock_deg: clockDeg, z_mm: zMm }),
    a: () => live && run({ act: "awl", clock_deg: clockDeg, z_mm: zMm }),
    ",": () => setClock((clockDeg + 345) % 360),
    ".": () => setClock((clockDeg + 15) % 360),
  });
  const region = state.regions[state.region ?? 0];
  const words = t("screen.rehearsal.lathe_in_words", {
    name: document.name,
    rpm: amountText(state.speed.rpm, "rpm", unit),
    signs: state.senses.signs.map(({ key }) => t(`screen.rehearsal.sign.${key}`)).join(" "),
  });
  return (
    <Frame data-short={wood.length_mm < 1.3 * wood.max_radius_mm || undefined}>
      <header>
        <h2>{t("screen.rehearsal.title", { number: document.number ?? "", name: document.name })}</h2>
        <span>
          {step
            ? t("screen.rehearsal.step", {
                at: state.at + 1,
                of: state.steps.length,
                name: messageText(step.name, unit),
              })
            : t("screen.rehearsal.all_done")}
        </span>
        <Button $kind="quiet" aria-pressed={sounds === "on"} onPress={toggleSound}>
          {t(`screen.rehearsal.sound_${sounds}`)}
        </Button>
        <Button $kind="quiet" onPress={() => void go(`/blanks/${blankId}/route`)}>
          {t("screen.rehearsal.back")}
        </Button>
      </header>
      <div className="lathe">
        <Suspense fallback={<Quiet role="status">{t("screen.piece.loading_3d")}</Quiet>}>
          <SpinView
            {...{ document, geometry, clockDeg, words }}
            rpm={state.ended ? 0 : state.speed.rpm}
            rest={region && { zMm: (Math.min(...region.z_mm) + Math.max(...region.z_mm)) / 2, rMm: restMm(region) }}
          />
        </Suspense>
        <output aria-live="polite">
          {state.speed.rpm > 0
            ? amountText(state.speed.rpm, "rpm", unit)
            : t("screen.rehearsal.stands", { clock: clockText(clockDeg) })}
        </output>
      </div>
      <div className="cut">
        <CutSection
          {...{ state, clockDeg, zMm, setZ }}
          geometry={wood}
          onCut={
            live && state.speed.rpm > 0 ? (share) => run({ act: "cut", region: state.region ?? 0, share }) : undefined
          }
        />
      </div>
      <aside>
        {state.ended && <Ended {...{ rehearsal: shown, blankId }} />}
        {!state.ended && <Noticed state={state} />}
        {problem && (
          <Fault role="alert">{problem.errors?.map(({ detail }) => detail).join(" ") ?? problem.detail}</Fault>
        )}
        {live && (
          <Controls {...{ state, document, busy, clockDeg, setClock, zMm, setZ }} length={wood.length_mm} run={run} />
        )}
        <Trail rehearsal={rehearsal} shown={looked} onShow={lookAt} />
      </aside>
      <footer>
        <span>{footing(state, next, unit)}</span>
        {next && (
          <Button $kind="go" isDisabled={busy} onPress={() => run(next)} style={{ minHeight: 52, fontSize: 18 }}>
            {nextText(state, next, unit)}
          </Button>
        )}
      </footer>
    </Frame>
  );
}

const restMm = (region: Rehearsal["state"]["regions"][number]) =>
  region.side === "inside" ? 0 : Math.max(...region.swath.map(({ from_mm }) => from_mm));

type Unit = ReturnType<typeof useUnit>;

function nextText(state: Rehearsal["state"], next: RehearsalAct, unit: Unit): string {
  if (next.act === "speed") return t("screen.rehearsal.next.speed", { rpm: amountText(next.rpm ?? 0, "rpm", unit) });
  if (next.act === "cut") {
    const region = state.regions[next.region ?? 0];
    return t("screen.rehearsal.next.cut", { tool: t(`tables.tools.${region?.tool ?? ""}.name`) });
  }
  const wait = state.steps[state.at]?.wait_days;
  return wait
    ? t("screen.rehearsal.next.wait", { days: amountText(wait, "days", unit) })
    : t("screen.rehearsal.next.go_on");
}

/** What the strip below says of the step: its limit, or that it is done on the bench. */
function footing(state: Rehearsal["state"], next: RehearsalAct | undefined, unit: Unit): string {
  const step = state.steps[state.at];
  if (state.ended || !step || !next) return t("screen.rehearsal.nothing_real_changes");
  if (step.turns_not) return t(`screen.rehearsal.turns_not.${step.turns_not}`);
  return step.limit_rpm > 0
    ? t("screen.rehearsal.limit", { rpm: amountText(step.limit_rpm, "rpm", unit) })
    : t("screen.rehearsal.on_the_bench");
}

/** The wood with what is cut of it so far as its form. */
function useCutGeometry(wood: Geometry, { outside, inside }: Rehearsal["state"]["outline"]): Geometry {
  return useMemo(() => {
    if (!wood.form) return wood;
    const form = { ...wood.form, outside, inside, walls: null };
    return { ...wood, form } as Geometry;
  }, [wood, outside, inside]);
}

/** The sound of it while it is wanted; it starts with the first press, as browsers ask. */
function useSound(wanted: boolean, senses: Rehearsal["state"]["senses"]) {
  const sound = useRef<LatheSound>(undefined);
  useEffect(() => {
    if (!wanted) return undefined;
    const own = new LatheSound();
    sound.current = own;
    return () => {
      sound.current = undefined;
      own.close();
    };
  }, [wanted]);
  useEffect(() => sound.current?.play(senses), [senses, wanted]);
  return sound;
}
