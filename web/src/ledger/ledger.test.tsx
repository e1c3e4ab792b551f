// @vitest-environment jsdom
import { cleanup, render, screen, within } from "@testing-library/react";
import { afterEach, expect, it } from "vitest";
import type { Ledger } from "../api/document";
import { Units } from "../kit/Units";
import { hoursText, Plots } from "./Plots";

afterEach(cleanup);

const ledger: Ledger = {
  pieces: [],
  from: 0,
  sums: { count: 3, hands_h: 30, cost: 300, sold: 2, price: 400, margin: 120, outcomes: { sold: 2, given_up: 1 } },
  hours: { survey: 2, mend: 4, turn: 16, finish: 8 },
  failed: [{ at: "hollow", count: 1 }],
  trouble: [
    { trouble: "none", count: 0, earned_an_hour: null },
    { trouble: "kept", count: 1, earned_an_hour: 8 },
    { trouble: "mended", count: 1, earned_an_hour: 16 },
  ],
  forecasts: {
    count: 2,
    right: 1,
    middle: 1.25,
    chances: { count: 2, said: 1.7, held: 2, groups: [{ from: 0.8, to: 0.95, count: 2, said: 1.7, held: 2 }] },
    kinds: [{ kind: "drying_factor", count: 3, right: 2, middle: 1.2 }],
    bars: [
      { from: 1, to: 1.1, count: 1 },
      { from: 1.8, to: 2, count: 1 },
    ],
  },
  choices: { outcome: [], stuff: [], form_kind: [], trouble: [], failed_at: [], years: [] },
};
const shown = (change: Partial<Ledger> = {}) =>
  render(
    <Units value={{ unit: "mm", toggle: () => undefined }}>
      <Plots ledger={{ ...ledger, ...change }} />
    </Units>,
  );
const plot = (name: string) => within(screen.getByRole("region", { name }));
const wide = (name: string) =>
  [...screen.getByRole("img", { name }).querySelectorAll("rect")].map((bar) => Number(bar.getAttribute("width")));

it("draws where the hours went, the longest bar for the most", () => {
  shown();
  const bars = wide("Where the hours went");
  expect(bars[2]).toBe(Math.max(...bars));
  expect(bars.map((bar) => bar / (bars[2] ?? 1))).toEqual([0.125, 0.25, 1, 0.5]);
  expect(plot("Where pieces were given up").getByText("Hollow")).toBeTruthy();
});

it("leaves out trouble that nothing was sold with, and says so where nothing was sold at all", () => {
  shown();
  expect(wide("What an hour brought, by trouble")).toHaveLength(2);
  cleanup();
  shown({ trouble: ledger.trouble.map((one) => ({ ...one, earned_an_hour: null })) });
  expect(plot("What an hour brought, by trouble").getByText("None of these was sold.")).toBeTruthy();
});

it("says how often plans were right, or that there is none to compare with", () => {
  shown();
  expect(plot("Hours taken over hours planned").getByText(/for 1 of 2; in the middle 1.25 times/)).toBeTruthy();
  cleanup();
  shown({
    forecasts: {
      count: 0,
      right: 0,
      middle: null,
      bars: [],
      kinds: [],
      chances: { count: 0, said: 0, held: 0, groups: [] },
    },
  });
  expect(plot("Hours taken over hours planned").getByText("No plan to compare with yet.")).toBeTruthy();
  expect(screen.queryByRole("img", { name: "Hours taken over hours planned" })).toBeNull();
});

it("never speaks of hours of work as days", () => {
  expect([hoursText(0.5), hoursText(99.94), hoursText(1234.5)]).toEqual(["0.5 h", "99.9 h", "1,235 h"]);
});
