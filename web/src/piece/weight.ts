import type { Assessment, Kept } from "../api/document";

/** What the scale said last, in g; by its measures where it has never been weighed. */
export const lastMassG = (document: Kept["document"], assessment: Assessment): number =>
  document.readings?.filter((reading) => reading.kind === "mass").at(-1)?.value ??
  Math.round(assessment.stages.blank.mass_g);
