// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import type { RackPlace, Shop } from "../api/document";
import { emptyShop } from "../testing/shop";
import { FirstSteps } from "./FirstSteps";
import { AT_A_GLANCE } from "./rackGroups";
import { Rack } from "./Rack";
import { stateText } from "./stateText";

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
    shown(emptyShop);
    expect(next()).toHaveAttribute("href", "/shop");
    cleanup();
    shown({ ...emptyShop, lathes: { "Long bed": lathe } });
    expect(next()).toHaveAttribute("href", "/new");
    expect(screen.getAllByRole("listitem")[0]).toHaveTextContent(/^✓/);
    cleanup();
    shown({ ...emptyShop, lathes: { "Long bed": lathe }, rack: [place] });
    expect(next()).toHaveAttribute("href", "/blanks/4/survey");
    cleanup();
    shown({ ...emptyShop, lathes: { "Long bed": lathe }, rack: [{ ...place, version: 2 }] });
    expect(screen.queryByRole("list")).toBeNull();
  });

  it("can be left, and stay away; the demo has none", async () => {
    shown(emptyShop);
    await userEvent.click(screen.getByRole("button", { name: "Skip these steps" }));
    expect(screen.queryByRole("list")).toBeNull();
    cleanup();
    shown(emptyShop);
    expect(screen.queryByRole("list")).toBeNull();
    localStorage.clear();
    cleanup();
    shown({ ...emptyShop, demo: true });
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

describe("a rack of many", () => {
  const wait = { share_done: 0.5, days_left: 3 } as NonNullable<RackPlace["wait"]>;
  const rack = Array.from({ length: AT_A_GLANCE + 1 }, (_, i): RackPlace => ({
    ...place,
    id: i,
    number: 100 + i,
    name: i === 7 ? "Elm burl" : `Bowl ${String.fromCharCode(97 + i)}`,
    late_days: i === 4 ? 2 : null,
    wait: i === 5 ? { ...wait, days_left: 9 } : i === 6 ? wait : null,
    state: i === 7 ? "survey" : "draw_form",
  }));
  const shown = (places: RackPlace[]) =>
    render(
      <MemoryRouter>
        <Rack shop={{ ...emptyShop, rack: places }} current={undefined} seeking="">
          {null}
        </Rack>
      </MemoryRouter>,
    );
  const numbers = () => screen.getAllByRole("link").flatMap((link) => /^1\d\d/.exec(link.textContent)?.[0] ?? []);

  it("stays in the order of numbers, with nothing to find by, while one sees it at a glance", () => {
    shown(rack.slice(1));
    expect(numbers()).toEqual(rack.slice(1).map(({ number }) => String(number)));
    expect(screen.queryByRole("searchbox")).toBeNull();
  });

  it("is grouped: late, then by what is to do, then what waits, the soonest first", () => {
    shown(rack);
    expect(numbers()[0]).toBe("104");
    expect(numbers().slice(-3)).toEqual(["107", "106", "105"]);
    expect(numbers()).toHaveLength(rack.length);
  });

  it("finds by number, by word and by state, and says when there is none", async () => {
    shown(rack);
    const sought = async (text: string) => {
      await userEvent.clear(screen.getByRole("searchbox"));
      await userEvent.type(screen.getByRole("searchbox"), text);
    };
    await sought("111");
    expect(numbers()).toEqual(["111"]);
    await sought("elm survey");
    expect(numbers()).toEqual(["107"]);
    await sought("late");
    expect(numbers()).toEqual(["104"]);
    await sought("zzz");
    expect(screen.getByRole("status")).toHaveTextContent("No piece like that.");
  });
});
