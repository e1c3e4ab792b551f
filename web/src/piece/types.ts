import type { Assessment, Defect, Document, Form, Geometry, Groove, Peel, Photograph } from "../api/document";
import type { Tool } from "./edit";

/** So deep under the skin, or what a stage of turning leaves. */
export type CutAt = { depthMm: number } | { stage: CutStage };
export type CutStage = "rounded" | "outside" | "hollowed";

/** What the three drawings share: one piece, one hand, one z, one chosen defect. */
export type Look = {
  document: Document;
  assessment: Assessment;
  geometry: Geometry;
  clockDeg: number;
  setClock: (deg: number) => void;
  zMm: number;
  setZ: (mm: number) => void;
  /** The cut the skin is shown at; nothing while it is whole. */
  cutAt: CutAt | undefined;
  /** What that cut meets, once the core has said. */
  peel: Peel | undefined;
  chosen: string | undefined;
  choose: (id: string | undefined) => void;
  tool: Tool | undefined;
  /** Puts a defect in place of the one with its id; `holding` while it is still being dragged. */
  put: (defect: Defect, holding: boolean) => void;
  /** The form and how to change it, while it is being drawn. */
  shaping: { form: Form; reshape: (form: Form, holding: boolean) => void } | undefined;
  /** Defects are shown about another axis than they were surveyed about: they are chosen here, and moved at the survey. */
  fixed: boolean;
  /** A photograph of one end, to lie under it. */
  under: (Photograph & { src: string }) | undefined;
  /** Grooves that are planned, and what to do with a stroke over the skin while one is being drawn. */
  grooves: Groove[];
  groove: ((from: { clockDeg: number; zMm: number }, to: { clockDeg: number; zMm: number }) => void) | undefined;
  /** A new defect from a stroke of the pointer. */
  add: (defect: Defect) => void;
};

/** Where on the drawing a place in the cut along the axis is: z from the head, u from the axis, up from it positive. */
export type InSection = (zMm: number, uMm: number) => [number, number];
