// @vitest-environment jsdom
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { Phases } from "./phases";

const SIZE = { width: 700, height: 500 };
let shown: CanvasImageSource[];
let clockMs: number;
let drawn: number[];

beforeEach(() => {
  [shown, drawn, clockMs] = [[], [], 0];
  const context = { drawImage: (picture: CanvasImageSource) => shown.push(picture) };
  vi.spyOn(HTMLCanvasElement.prototype, "getContext").mockReturnValue(context as never);
});
afterEach(() => vi.restoreAllMocks());

/** Pictures that take 100 ms each to draw. */
function slow(size = SIZE) {
  const picture = Object.assign(document.createElement("canvas"), size);
  const phases = new Phases((turn) => {
    drawn.push(turn);
    clockMs += 100;
    return picture;
  });
  phases.forget(size);
  return { phases, at: (turn: number, wanted = 16) => phases.turned(turn, wanted, () => clockMs) };
}

it("draws each place of a turn once and shows it from memory ever after", () => {
  const { at } = slow();
  for (let picture = 0; picture < 320; picture++) {
    clockMs += 150;
    at(picture / 16 + 0.01);
  }
  expect([...drawn].sort((one, other) => one - other)).toEqual(Array.from({ length: 16 }, (_, place) => place / 16));
});

it("leaves the page as long as a picture took, and shows the one before it meanwhile", () => {
  const { phases, at } = slow();
  at(0.01);
  clockMs += 50;
  const before = shown.length;
  expect(at(0.3)).toBe(false);
  expect([drawn, shown.length]).toEqual([[0], before]);
  expect([phases.shown.width, phases.shown.height]).toEqual([700, 500]);
  clockMs += 60;
  expect(at(0.3)).toBe(true);
  expect(drawn).toEqual([0, 0.25]);
});

it("keeps nothing of what it was told to forget, and fewer pictures the larger they are", () => {
  const large = { width: 2000, height: 1500 };
  const { phases, at } = slow(large);
  const go = () => {
    for (let picture = 0; picture < 60; picture++) {
      clockMs += 150;
      at(picture / 48, 48);
    }
  };
  go();
  expect(drawn).toHaveLength(8);
  go();
  expect(drawn).toHaveLength(8);
  phases.forget(large);
  go();
  expect(drawn).toHaveLength(16);
});

it("draws what stands at just that turn", () => {
  slow().phases.still(0.123);
  expect(drawn).toEqual([0.123]);
});
