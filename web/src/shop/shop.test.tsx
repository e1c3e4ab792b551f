// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import type { RackPlace, Shop } from "../api/document";
import { FirstSteps } from "./FirstSteps";
import { stateText } from "./Rack";

const place: RackPlace = {
  id: 4,
  number: 1,
  name: "Bowl",
  version: 1,
  silhouette: [],
  becomes: null,
  ready: true,
  note: "survey",
  state: "draw_form",
  late_days: null,
  wait: null,
};
const lathe = { mass_kg: 90, stand: "floor" as const, swing_mm: 400, between_centres_mm: 600, belts: [] };
const empty: Shop = {
  name: "Your shop",
  currency: "EUR",
  demo: false,
  climate: { temperature_c: 20, humidity: 0.5 },
  rack: [],
  lathes: {},
  next_number: 1,
  put_away: [],
};

beforeEach(() => localStorage.clear());
afterEach(cleanup);

describe("the first steps", () => {
  const shown = (shop: Shop) =>
    render(
      <MemoryRouter>
        <FirstSteps shop={shop} />
      </MemoryRouter>,
    );
  const next = () => screen.getByRole("link");

  it("lead from the lathe over the blank to its survey, and are gone then", () => {
    shown(empty);
    expect(next()).toHaveAttribute("href", "/shop");
    cleanup();
    shown({ ...empty, lathes: { "Long bed": lathe } });
    expect(next()).toHaveAttribute("href", "/new");
    expect(screen.getAllByRole("listitem")[0]).toHaveTextContent(/^✓/);
    cleanup();
    shown({ ...empty, lathes: { "Long bed": lathe }, rack: [place] });
    expect(next()).toHaveAttribute("href", "/blanks/4/survey");
    cleanup();
    shown({ ...empty, lathes: { "Long bed": lathe }, rack: [{ ...place, version: 2 }] });
    expect(screen.queryByRole("list")).toBeNull();
  });

  it("can be left, and stay away; the demo has none", async () => {
    shown(empty);
    await userEvent.click(screen.getByRole("button", { name: "Skip these steps" }));
    expect(screen.queryByRole("list")).toBeNull();
    cleanup();
    shown(empty);
    expect(screen.queryByRole("list")).toBeNull();
    localStorage.clear();
    cleanup();
    shown({ ...empty, demo: true });
    expect(screen.queryByRole("list")).toBeNull();
  });
});

describe("what a blank is at", () => {
  const waits = (days_left: number) => ({ started_at: "", likely_end_at: "", days_left, share_done: 0.4 });
  it.each([
    [{}, "Form"],
    [{ wait: waits(19.2) }, "19 d"],
    [{ wait: waits(0.3) }, "7 h"],
    [{ wait: waits(52 / 1440) }, "52 min"],
    [{ wait: waits(0.00001) }, "1 min"],
    [{ late_days: 3, state: "dry" }, "late 3 d"],
    [{ state: "on_card" }, "On card"],
  ])("is said shortly: %j", (own, text) => expect(stateText({ ...place, ...own })).toBe(text));
});
