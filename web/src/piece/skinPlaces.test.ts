import { expect, it } from "vitest";
import type { Peel } from "../api/document";
import { cutRadiusMm, FOOT, LEFT, RIGHT, skinPlaces, tagX, TOP } from "./skinPlaces";

const [WIDTH, HEIGHT, LENGTH] = [800, 300, 120];

it("goes from the piece to the drawing and back", () => {
  const { at, back, wide, tall } = skinPlaces(WIDTH, HEIGHT, LENGTH);
  expect([wide, tall]).toEqual([WIDTH - LEFT - RIGHT, HEIGHT - FOOT - TOP]);
  for (const [clockDeg, zMm] of [
    [0, 0],
    [90, 40],
    [359, 120],
  ] as const) {
    const found = back(...at(clockDeg, zMm));
    expect(found.clockDeg).toBeCloseTo(clockDeg, 9);
    expect(found.zMm).toBeCloseTo(zMm, 9);
  }
});

it("has the tail above the head, and nothing beyond either", () => {
  const { at, back } = skinPlaces(WIDTH, HEIGHT, LENGTH);
  expect(at(0, LENGTH)[1]).toBeLessThan(at(0, 0)[1]);
  expect(back(LEFT, -500).zMm).toBe(LENGTH);
  expect(back(LEFT, HEIGHT + 500).zMm).toBe(0);
});

it("reads a cut's radius between its rows, and beyond them as at the nearest", () => {
  const row = (z_mm: number, radius_mm: number) => ({ z_mm, radius_mm, stretches: [] });
  const peel = { rows: [row(10, 40), row(20, 60)] } as Partial<Peel> as Peel;
  expect([0, 10, 15, 20, 90].map((zMm) => cutRadiusMm(peel, zMm))).toEqual([40, 40, 50, 60, 60]);
});

it("moves a letter at 12 o'clock inside the edge, and leaves those that are out of sight", () => {
  const { at, wide } = skinPlaces(WIDTH, HEIGHT, LENGTH);
  const right = LEFT + wide;
  expect(tagX(at, LEFT)).toBeGreaterThan(LEFT);
  expect(tagX(at, right)).toBeLessThan(right);
  expect([LEFT + 100, LEFT - wide, right + wide].map((x) => tagX(at, x))).toEqual([
    LEFT + 100,
    LEFT - wide,
    right + wide,
  ]);
});
