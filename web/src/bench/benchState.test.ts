import { describe, expect, it } from "vitest";
import { afterAction, START, type BenchAction } from "./benchState";

const after = (...actions: BenchAction[]) => actions.reduce(afterAction, START);

describe("the bench", () => {
  it("chooses a new defect, puts the tool away and comes back to today's survey", () => {
    const bench = after(
      { do: "look back", day: "2026-01-05" },
      { do: "take", tool: "crack" },
      { do: "added", id: "C" },
    );
    expect(bench).toMatchObject({ chosen: "C", tool: undefined, seenBy: undefined });
  });

  it("peels to the outside while grooves are drawn, and leaves the peel when that is done", () => {
    const drawing = after({ do: "groove", step: "inlay", onForm: true });
    expect(drawing).toMatchObject({ grooving: "inlay", cut: { stage: "outside" } });
    expect(afterAction(drawing, { do: "groove", step: undefined, onForm: true })).toMatchObject({
      grooving: undefined,
      cut: { stage: "outside" },
    });
    expect(after({ do: "groove", step: "inlay", onForm: false }).cut).toBeUndefined();
  });

  it("turns and slides without letting go of what is chosen", () => {
    expect(after({ do: "choose", id: "B" }, { do: "turn", clockDeg: 90 }, { do: "slide", zMm: 12 })).toMatchObject({
      chosen: "B",
      clockDeg: 90,
      zMm: 12,
    });
  });
});
