import type { Document, RehearsalAct, RehearsalState } from "../api/document";

/** What the screen lathe's controls share. */
export type ControlProps = {
  state: RehearsalState;
  document: Document;
  busy: boolean;
  run: (act: RehearsalAct) => void;
  clockDeg: number;
  setClock: (deg: number) => void;
  zMm: number;
  setZ: (mm: number) => void;
  length: number;
};
