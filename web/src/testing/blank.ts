import type { Document } from "../api/document";

/** A sound blank for tests, with whatever of it a test is about in its place. */
export const sampleDocument = (own: Partial<Document> = {}): Document => ({
  format: "mossy-anvil/blank",
  version: 7,
  name: "Sample",
  material: { kind: "wood", species: "field maple", density_kg_m3: 640, moisture_pct: 12, grain: "burl" },
  shape: { type: "disc", diameter_mm: 240, length_mm: 60 },
  defects: [],
  ...own,
});
