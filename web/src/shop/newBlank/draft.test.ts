// @vitest-environment jsdom
import { act, cleanup, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, expect, test } from "vitest";
import type { Intake, Shop } from "../../api/document";
import { samples } from "../../testing/station";
import { documentOf, forgetDraft, questionOf, useDraft, type Draft } from "./draft";

const lathe = samples.lamp.document.lathe;
const shop = { next_number: 43, lathes: { Dot: lathe } } as Partial<Shop> as Shop;
const answer = {
  shape: { type: "disc", diameter_mm: 250, length_mm: 80 },
  density_kg_m3: null,
} as Partial<Intake> as Intake;

beforeEach(() => sessionStorage.clear());
afterEach(cleanup);

const begun = () => renderHook(() => useDraft(shop));
const draftWith = (part: Partial<Draft>) => {
  const { result } = begun();
  act(() => result.current[1](part));
  return result.current[0];
};

test("outlives a reload, and is begun anew once the blank is on the rack", () => {
  draftWith({ name: "Bowl", massG: 900 });
  expect(begun().result.current[0]).toMatchObject({ name: "Bowl", massG: 900, lathe: "Dot" });
  forgetDraft();
  expect(begun().result.current[0]).toMatchObject({ name: "", massG: 0 });
});

test("two changes made at once both stay", () => {
  const { result } = begun();
  act(() => {
    result.current[1]({ name: "Bowl" });
    result.current[1]({ origin: "the quay" });
  });
  expect(result.current[0]).toMatchObject({ name: "Bowl", origin: "the quay" });
});

test("asks about the measures of its shape alone, and about no weight that was not taken", () => {
  const draft = draftWith({ type: "log", sizes: { head_diameter_mm: 160, tail_diameter_mm: 150, length_mm: 300 } });
  expect(questionOf(draft, undefined)).toEqual({
    lump: { type: "log", head_diameter_mm: 160, tail_diameter_mm: 150, length_mm: 300 },
    species: "–",
    moisture_pct: 18,
  });
  expect(questionOf({ ...draft, massG: 1200 }, undefined)?.mass_g).toBe(1200);
});

test("asks nothing before its photograph is traced or its scan is read", () => {
  expect(questionOf(draftWith({ type: "photo" }), undefined)).toBeUndefined();
  expect(questionOf(draftWith({ type: "scan" }), undefined)).toBeUndefined();
});

test("becomes a blank with the next number, the density typed where none is known, and nothing unsaid", () => {
  const document = documentOf(draftWith({ name: " Bowl ", species: "elm", densityOwn: 560 }), answer, undefined, shop);
  expect(document).toMatchObject({ number: 43, name: "Bowl", defects: [], lathe });
  expect(document.material).toEqual({
    kind: "wood",
    species: "elm",
    density_kg_m3: 560,
    moisture_pct: 18,
    grain: "face",
    grain_clock_deg: 90,
  });
  expect(document).not.toHaveProperty("intake");
  expect(document).not.toHaveProperty("readings");
});

test("keeps where it came from and what it weighed", () => {
  const draft = draftWith({
    number: 51,
    origin: " the quay ",
    gotOn: "2026-11-30",
    cost: 12,
    bark: "part",
    massG: 900,
  });
  const document = documentOf(draft, { ...answer, density_kg_m3: 610 }, undefined, shop);
  expect(document.intake).toEqual({ origin: "the quay", got_on: "2026-11-30", cost: 12, bark: "part" });
  expect(document).toMatchObject({
    number: 51,
    material: { density_kg_m3: 610 },
    readings: [{ kind: "mass", value: 900 }],
  });
});
