// What a rehearsal taught that can go into the real plan: a slower speed, another wall, cracks mended first.
import type { Document, Rehearsal } from "../api/document";

export type Lesson = {
  kind: "slower" | "own_speed" | "wall" | "mend_first";
  /** Id of the step it is about; "" of none. */
  step: string;
  value: number;
  /** The document with it. */
  into: (document: Document) => Document;
};

/** So much slower than what gave way. */
const SLOWER = 0.8;
/** A speed this near the limit is the plan's own. */
const SAME = 0.9;
/** So far over the limit is over it, and no matter of rounding. */
const OVER = 1.02;

const withSpeed = (document: Document, step: string, rpm: number): Document => ({
  ...document,
  route: { ...document.route, speeds: { ...document.route?.speeds, [step]: rpm } },
});

/** The speeds a step was cut at, by its id: the fastest of each. */
export function cutSpeeds({ acts, state }: Rehearsal): Map<string, number> {
  const fastest = new Map<string, number>();
  let [at, rpm] = [0, 0];
  for (const act of acts) {
    if (act.act === "speed") rpm = act.rpm ?? 0;
    const id = state.steps[at]?.id;
    if (act.act === "cut" && id !== undefined) fastest.set(id, Math.max(rpm, fastest.get(id) ?? 0));
    if (act.act === "go_on") [at, rpm] = [at + 1, 0];
  }
  return fastest;
}

const limitOf = ({ steps }: Rehearsal["state"], id: string) => steps.find((step) => step.id === id)?.limit_rpm ?? 0;

/** Was it lost by going faster than the plan allows? Then the plan has nothing to learn from it. */
export function overLimit({ state }: Rehearsal): boolean {
  const { event, rpm } = state.ended ?? {};
  return event != null && rpm != null && limitOf(state, event.step) > 0 && rpm > OVER * limitOf(state, event.step);
}

/** Everything worth carrying over, what it was lost by first. */
export function lessons(rehearsal: Rehearsal): Lesson[] {
  const { state } = rehearsal;
  const event = overLimit(rehearsal) ? undefined : state.ended?.event;
  const all: Lesson[] = [];
  const limit = (id: string) => limitOf(state, id);
  if (event && limit(event.step) > 0) {
    const rpm = Math.floor(limit(event.step) * SLOWER);
    all.push({ kind: "slower", step: event.step, value: rpm, into: (to) => withSpeed(to, event.step, rpm) });
  }
  const opens = event && ["splits", "crack_runs"].includes(event.key);
  if (opens || rehearsal.acts.some(({ act }) => act === "mend"))
    all.push({
      kind: "mend_first",
      step: "",
      value: 0,
      into: (to) => ({
        ...to,
        route: { ...to.route, choices: { ...to.route?.choices, cracks: "mend_first" } },
      }),
    });
  const { wall } = state;
  const form = wall?.form;
  if (wall && form) all.push({ kind: "wall", step: "", value: wall.mm, into: (to) => ({ ...to, form }) });
  for (const [id, rpm] of cutSpeeds(rehearsal))
    if (rpm < SAME * limit(id) && id !== event?.step)
      all.push({ kind: "own_speed", step: id, value: rpm, into: (to) => withSpeed(to, id, rpm) });
  return all;
}
