import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useMemo, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { api } from "../api/client";
import type { Geometry, Rehearsal, RehearsalAct } from "../api/document";
import { messageText, t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { amountText, clockText } from "../kit/measure";
import { Fault, Quiet } from "../kit/parts";
import { useUnit } from "../kit/Units";
import { useKept } from "../kit/useKept";
import { useKey } from "../kit/useKey";
import { Waiting } from "../kit/Waiting";
import { plannedNext, stepped } from "./advised";
import { Controls } from "./Controls";
import { CutSection } from "./CutSection";
import { Ended } from "./Ended";
import { Noticed } from "./Noticed";
import { footing, nextText } from "./nextText";
import { RehearsalFrame } from "./RehearsalFrame";
import { useSound } from "./useSound";
import { Trail } from "./Trail";
import { useRehearsal } from "./useRehearsal";

// Large, and not everybody's: it comes when it is asked for.
const SpinView = lazy(() => import("./SpinView"));

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
    <RehearsalFrame data-short={wood.length_mm < 1.3 * wood.max_radius_mm || undefined}>
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
    </RehearsalFrame>
  );
}

const restMm = (region: Rehearsal["state"]["regions"][number]) =>
  region.side === "inside" ? 0 : Math.max(...region.swath.map(({ from_mm }) => from_mm));

/** The wood with what is cut of it so far as its form. */
function useCutGeometry(wood: Geometry, { outside, inside }: Rehearsal["state"]["outline"]): Geometry {
  return useMemo(() => {
    if (!wood.form) return wood;
    const form = { ...wood.form, outside, inside, walls: null };
    return { ...wood, form } as Geometry;
  }, [wood, outside, inside]);
}
