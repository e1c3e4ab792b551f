// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, expect, it, vi } from "vitest";
import type { Photograph, Practice } from "../api/document";
import { lessonsOf, Marks } from "./Marks";
import { PracticePictures } from "./PracticePictures";
import { carried } from "./PracticeRoom";

afterEach(cleanup);

const way = {
  way: "turn_past",
  sound: false,
  hands_h: 4,
  odds: { share: 0.9, low: 0.8, high: 1 },
  events: [{ key: "wall_breaks", step: "hollow", then: "lost", energy_j: 3 }],
};
const told: NonNullable<Practice["told"]> = {
  score: 41.2,
  marks: { survey: 21.2, verdict: 20, way: 0 },
  survey: {
    found: ["A"],
    missed: [
      { id: "h1", type: "void", test: "tap", clock_deg: 90, z_mm: 30 },
      { id: "h2", type: "void", test: "none", clock_deg: 90, z_mm: 60 },
    ],
    feared: ["C"],
    score: 42,
  },
  right: "care",
  yours: way,
  best: { ...way, sound: true, events: [], hands_h: 3 },
  truth: [],
};
const practice = { blank_id: 7, level: 3, seed: 2, verdict: "turn" } as Practice;

it("says what was missed and which test would have found it, what was feared, and the best way known", () => {
  const showInstead = vi.fn();
  render(<Marks told={told} practice={practice} instead={undefined} showInstead={showInstead} />);
  expect(screen.getByText("41 of 100")).toBeTruthy();
  expect(screen.getByText(/A gap at 3 o’clock, 30 mm .* a tap would have sounded dull/)).toBeTruthy();
  expect(screen.getByText(/60 mm .* too deep for any test/)).toBeTruthy();
  expect(screen.getByText(/Feared for nothing: C/)).toBeTruthy();
  expect(screen.getByText(/Your way was lost\. The wall breaks\./)).toBeTruthy();
  expect(screen.getByText("The right verdict was: Mend first.")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Show the truth" }));
  expect(showInstead).toHaveBeenCalledWith(told.truth);
});

it("has one lesson behind each kind of mistake, and none for what no test reaches", () => {
  expect(lessonsOf(told, practice)).toEqual(["tap", "feared", "mend_first", "way"]);
  expect(lessonsOf({ ...told, right: "leave" }, practice)).toContain("leave");
  expect(lessonsOf({ ...told, right: "turn" }, { verdict: "leave" })).toContain("not_leave");
});

it("takes a friend's file, and nothing else", () => {
  expect(carried('{"format":"mossy-anvil/practice","version":1,"level":2,"seed":7}')).toEqual({ level: 2, seed: 7 });
  for (const other of ["", "no file", "[]", "null", '{"format":"mossy-anvil/blank","level":1,"seed":1}'])
    expect(carried(other)).toBeUndefined();
});

it("shows the photographs in a row, and one of them large until it is pressed again", () => {
  const client = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });
  const pictures = ["One end", "From 3 o’clock"].map((caption, id) => ({ id, caption }) as Photograph);
  client.setQueryData(["photographs", 7], pictures);
  render(
    <QueryClientProvider client={client}>
      <PracticePictures blankId={7} />
    </QueryClientProvider>,
  );
  expect(screen.queryByRole("figure")).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "From 3 o’clock" }));
  expect(screen.getByRole("figure").textContent).toBe("From 3 o’clock");
  fireEvent.click(screen.getByRole("button", { name: "From 3 o’clock" }));
  expect(screen.queryByRole("figure")).toBeNull();
});
