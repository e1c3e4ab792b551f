import { describe, expect, it } from "vitest";
import { sampleDocument } from "../testing/blank";
import type { Crack, Defect, Document } from "../api/document";
import { differences } from "./compare";

const crack = (depth_mm: number, z_mm = 5): Crack => ({
  id: "B",
  type: "crack",
  enters: "side",
  depth_mm,
  width_mm: 2,
  path: [{ clock_deg: 60, z_mm }],
});
const soft: Defect = {
  id: "A",
  type: "soft_zone",
  grade: "soft",
  centre: { clock_deg: 200, r_mm: 80, z_mm: 40 },
  size_mm: [20, 30, 40],
};
const document = (defects: Defect[], more: Partial<Document> = {}) =>
  sampleDocument({ name: "Bowl", defects, ...more });

describe("two versions of a blank", () => {
  it("differ in nothing when they are the same, whatever readings were added", () =>
    expect(
      differences(
        document([crack(25), soft]),
        document([crack(25), soft], { readings: [{ kind: "mass", value: 3, taken_at: "2030-05-01T09:00:00Z" }] }),
        "mm",
      ),
    ).toEqual([]));

  it("name each value that differs, in the units on screen", () => {
    expect(differences(document([crack(25)]), document([crack(31, 10)]), "mm")).toEqual([
      { what: "B · depth", mine: "25 mm", theirs: "31 mm" },
      { what: "B · path · 1 · from headstock end", mine: "5 mm", theirs: "10 mm" },
    ]);
    expect(differences(document([crack(25.4)]), document([crack(12.7)]), "in")[0]).toEqual({
      what: "B · depth",
      mine: "1″",
      theirs: "1/2″",
    });
  });

  it("say what only one of them has", () => {
    expect(differences(document([crack(25), soft]), document([crack(25)]), "mm")).toEqual([
      { what: "A", mine: "soft zone", theirs: "—" },
    ]);
    expect(differences(document([]), document([crack(25)], { number: 7 }), "mm")).toEqual([
      { what: "B", mine: "—", theirs: "crack, 1 points" },
      { what: "number", mine: "—", theirs: "7" },
    ]);
  });

  it("reach into material, shape and form", () => {
    const changed = document([], {
      name: "Dish",
      material: { ...sampleDocument().material, density_kg_m3: 700 },
      form: { kind: "bowl", opens: "tail", curve: "smooth", outside: [[4, 90]] },
    });
    expect(differences(document([]), changed, "mm").map(({ what }) => what)).toEqual([
      "name",
      "material · density",
      "form · kind",
      "form · opens",
      "form · curve",
      "form · outside · 1 · 1",
      "form · outside · 1 · 2",
    ]);
  });
});
