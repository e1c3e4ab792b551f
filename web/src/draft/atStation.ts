import type { Assessment, Defect, Document, Photograph, Problem } from "../api/document";
import type { DraftHandle } from "./useDraft";
import type { Sits } from "./useTurned";
import type { Tool } from "../piece/edit";

/** What every station gets: the draft, the core's answer to it, and what is chosen. */
export type AtStation = {
  /** The inlay step whose grooves are being drawn on the skin. */
  grooving: string | undefined;
  setGrooving: (step: string | undefined) => void;
  id: number;
  draft: DraftHandle;
  document: Document;
  assessment: Assessment;
  problem: Problem | undefined;
  chosen: string | undefined;
  choose: (id: string | undefined) => void;
  tool: Tool | undefined;
  take: (tool: Tool | undefined) => void;
  put: (defect: Defect, holding: boolean) => void;
  remove: (id: string) => void;
  placeHere: (tool: Tool) => void;
  copy: (defect: Defect) => void;
  /** Where the hand and the z line stand on the drawings. */
  hand: { clockDeg: number; zMm: number };
  /** How it sits on the lathe now; everything here is spoken of as it sits. */
  sits: Sits;
  setSits: (sits: Sits) => void;
  /** The photograph that lies under the end, if any. */
  under: Photograph | undefined;
  layUnder: (photograph: Photograph | undefined) => void;
  /** The day up to which findings are shown; undefined for all of them. */
  seenBy: string | undefined;
  setSeenBy: (day: string | undefined) => void;
};
