import { createContext, useContext } from "react";
import type { Assessment, Defect, Document, Photograph, Problem, Route } from "../api/document";
import type { Tool } from "../piece/edit";
import type { DraftHandle } from "./useDraft";
import type { Sits } from "./useTurned";

/** The blank on the bench: its draft, the core's answer to it, and how to change it. Stays the same while only the view changes. */
export type Blank = {
  id: number;
  draft: DraftHandle;
  document: Document;
  assessment: Assessment;
  problem: Problem | undefined;
  /** Puts a defect in place of the one with its id; `holding` while it is still being dragged. */
  put: (defect: Defect, holding: boolean) => void;
  remove: (id: string) => void;
  copy: (defect: Defect) => void;
  /** How the piece sits on the lathe now; document and assessment are of the piece as it sits. */
  sits: Sits;
  setSits: (sits: Sits) => void;
};

/** What is chosen: a defect, a drawing tool, the inlay being drawn, the day of the survey shown. */
export type Selection = {
  chosen: string | undefined;
  choose: (id: string | undefined) => void;
  tool: Tool | undefined;
  take: (tool: Tool | undefined) => void;
  /** The inlay step whose grooves are being drawn on the skin. */
  grooving: string | undefined;
  setGrooving: (step: string | undefined) => void;
  /** The day up to which defects are shown; undefined for all of them. */
  seenBy: string | undefined;
  setSeenBy: (day: string | undefined) => void;
};

/** Where the drawings stand: changes with every movement of the clock hand, so only what needs it should read it. */
export type Drawing = {
  hand: { clockDeg: number; zMm: number };
  /** Adds a defect where the hand is. */
  placeHere: (tool: Tool) => void;
  /** The photograph that lies under the end view, if any. */
  under: Photograph | undefined;
  layUnder: (photograph: Photograph | undefined) => void;
  /** Defects shown in place of the survey's: a truth as it may be. */
  instead: Defect[] | undefined;
  showInstead: (defects: Defect[] | undefined) => void;
};

/** The whole way of the piece, once it has a form and the core has answered; the step looked at. */
export type Way = {
  route: Route | undefined;
  /** False while it is still of the draft before. */
  settled: boolean;
  problem: Problem | undefined;
  /** It is being worked out for the first time. */
  coming: boolean;
  step: string | undefined;
  lookAt: (step: string | undefined) => void;
};

export const RouteContext = createContext<Way | undefined>(undefined);
export const BlankContext = createContext<Blank | undefined>(undefined);
export const SelectionContext = createContext<Selection | undefined>(undefined);
export const DrawingContext = createContext<Drawing | undefined>(undefined);

function within<Value>(value: Value | undefined): Value {
  if (value === undefined) throw new Error("A station stands on the bench only.");
  return value;
}

export const useBlank = () => within(useContext(BlankContext));
export const useRoute = () => within(useContext(RouteContext));
export const useSelection = () => within(useContext(SelectionContext));
export const useDrawing = () => within(useContext(DrawingContext));
