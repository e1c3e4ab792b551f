import type { MendDetail, MendStep, Working } from "../../../api/document";

/** What the details of a step take: it, what it comes to with the workings and their place, and what puts another in its place. */
export type Told = {
  step: MendStep;
  detail: MendDetail;
  workings: Record<string, Working>;
  place: string;
  onPut: (step: MendStep) => void;
};
