import type { MendStep } from "../../api/document";

/** What the fields of one step take: it, what is wrong by its place, that place, and what puts another in its place. */
export type FieldsOf = {
  step: MendStep;
  faults: Record<string, string>;
  place: string;
  onPut: (step: MendStep) => void;
};
