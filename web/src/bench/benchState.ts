import type { Assessment, Photograph } from "../api/document";
import type { Tool } from "../piece/edit";
import type { CutAt } from "../piece/types";

export type NextAction = Assessment["next_move"]["action"];

/** What is chosen and shown on the bench; what is changed of the blank itself is the draft's. */
export type BenchState = {
  chosen: string | undefined;
  tool: Tool | undefined;
  /** Clock position of the section, degrees. */
  clockDeg: number;
  /** Distance of the z line from the headstock end, mm; undefined until it was moved. */
  zMm: number | undefined;
  cut: CutAt | undefined;
  grooving: string | undefined;
  seenBy: string | undefined;
  under: Photograph | undefined;
  sought: NextAction | undefined;
  /** The step of the route that is looked at. */
  step: string | undefined;
};

export type BenchAction =
  | { do: "choose"; id: string | undefined }
  | { do: "take"; tool: Tool | undefined }
  | { do: "turn"; clockDeg: number }
  | { do: "slide"; zMm: number }
  | { do: "cut"; cut: CutAt | undefined }
  | { do: "groove"; step: string | undefined; onForm: boolean }
  | { do: "look back"; day: string | undefined }
  | { do: "lay under"; photograph: Photograph | undefined }
  | { do: "seek"; action: NextAction | undefined }
  | { do: "look at step"; id: string | undefined }
  | { do: "added"; id: string };

export const START: BenchState = {
  chosen: undefined,
  tool: undefined,
  clockDeg: 60,
  zMm: undefined,
  cut: undefined,
  grooving: undefined,
  seenBy: undefined,
  under: undefined,
  sought: undefined,
  step: undefined,
};

/** The bench after one action; pure. */
export function afterAction(bench: BenchState, action: BenchAction): BenchState {
  switch (action.do) {
    case "choose":
      return { ...bench, chosen: action.id };
    case "take":
      return { ...bench, tool: action.tool };
    case "turn":
      return { ...bench, clockDeg: action.clockDeg };
    case "slide":
      return { ...bench, zMm: action.zMm };
    case "cut":
      return { ...bench, cut: action.cut };
    case "groove":
      // Grooves lie on the form's outside.
      return {
        ...bench,
        grooving: action.step,
        ...(action.step !== undefined && action.onForm && { cut: { stage: "outside" as const } }),
      };
    case "look back":
      return { ...bench, seenBy: action.day };
    case "lay under":
      return { ...bench, under: action.photograph };
    case "seek":
      return { ...bench, sought: action.action };
    case "look at step":
      return { ...bench, step: action.id };
    case "added":
      // A new defect is chosen, and shown even where an older survey was.
      return { ...bench, seenBy: undefined, tool: undefined, chosen: action.id };
  }
}
