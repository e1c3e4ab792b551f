// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Geometry, RehearsalState } from "../api/document";
import { oddsText } from "../kit/OddsLine";
import { CutSection } from "./CutSection";
import { reaches } from "./turned";

afterEach(cleanup);

// A cylinder 50 in radius and 100 long.
const wood = {
  length_mm: 100,
  max_radius_mm: 50,
  surface: { z_mm: [0, 100], radii_mm: [Array.from({ length: 8 }, () => 50), Array.from({ length: 8 }, () => 50)] },
  form: null,
} as Partial<Geometry> as Geometry;

const state = (taken: number): RehearsalState =>
  ({
    regions: [
      {
        side: "outside",
        kind: "sound",
        tool: "bowl_gouge",
        second: null,
        finish_tool: null,
        overhang_mm: 12,
        wall_mm: null,
        look_at: [],
        air_share: 0,
        refused: [],
        taken,
        z_mm: [0, 100],
        swath: [0, 50, 100].map((z_mm) => ({ z_mm, from_mm: 50, to_mm: 30 })),
      },
    ],
    region: 0,
    outline: {
      outside: [
        [0, 50],
        [50, 44],
        [100, 50],
      ],
      inside: null,
    },
    found: [],
    ended: null,
  }) as Partial<RehearsalState> as RehearsalState;

describe("the section at the screen lathe", () => {
  const section = (taken: number, onCut?: (share: number) => void) =>
    render(<CutSection state={state(taken)} geometry={wood} clockDeg={0} zMm={50} setZ={vi.fn()} onCut={onCut} />);

  it("says in words how far it is cut", () => {
    section(0.4);
    expect(screen.getByRole("group").getAttribute("aria-label")).toMatch(/44 mm from the axis .* 40 % of this cut/);
  });

  it("has a handle for part of a cut, worked by the keyboard too, and takes it on Enter", () => {
    const onCut = vi.fn();
    section(0.4, onCut);
    const handle = screen.getByRole("slider");
    expect(handle.getAttribute("aria-valuenow")).toBe("40");
    fireEvent.keyDown(handle, { key: "ArrowUp" });
    fireEvent.keyDown(handle, { key: "ArrowUp" });
    expect(screen.getByRole("slider").getAttribute("aria-valuenow")).toBe("50");
    fireEvent.keyDown(screen.getByRole("slider"), { key: "Enter" });
    expect(onCut).toHaveBeenCalledTimes(1);
    expect(onCut.mock.calls[0]?.[0]).toBeCloseTo(0.5);
  });

  it("never takes back what is cut", () => {
    const onCut = vi.fn();
    section(0.4, onCut);
    fireEvent.keyDown(screen.getByRole("slider"), { key: "ArrowDown" });
    expect(screen.getByRole("slider").getAttribute("aria-valuenow")).toBe("40");
  });

  it("has no handle while it stands, or once all of it is cut", () => {
    section(0.4);
    expect(screen.queryByRole("slider")).toBeNull();
    cleanup();
    section(1, vi.fn());
    expect(screen.queryByRole("slider")).toBeNull();
  });
});

it("reaches as far out as there is wood, or as it is cut", () => {
  expect(new Set(reaches(wood, { zMm: 50, rMm: 60 }))).toEqual(new Set([50]));
  expect(new Set(reaches(wood, { zMm: 50, rMm: 20 }))).toEqual(new Set([20]));
});

describe("the verdict by the odds", () => {
  const chance = (share: number) => ({ share, low: share - 0.04, high: Math.min(1, share + 0.03) });
  const told = (verdict: "go" | "care" | "stop", sound: number, injury = 0) =>
    oddsText({ verdict, sound: chance(sound), injury: chance(injury), truths: 200 });

  it("says how many of how many truths it rests on", () => {
    expect(told("care", 0.93)).toMatch(/^Go with care: 93 in 100, 186 of 200 truths \(8[89] to 9[67]\)\.$/);
    expect(told("go", 0.99)).toMatch(/^Go: 99 in 100, 198 of 200/);
  });

  it("names what injures where that is why it is advised against", () => {
    expect(told("stop", 0.98, 0.02)).toMatch(/^Not this way: in 2\.0 of 100 something flies that injures/);
    expect(told("stop", 0.6)).toMatch(/^Not this way: 60 in 100, 120 of 200/);
  });
});
