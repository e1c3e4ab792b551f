import { describe, expect, it } from "vitest";
import { rebase } from "./rebase";

describe("a change made to an older draft", () => {
  const base = {
    name: "a",
    commission: { due_on: "2026-01-02" },
    defects: [
      { id: "A", depth: 1 },
      { id: "B", depth: 2 },
    ],
  };

  it("is done to the newest one, beside what was changed meanwhile", () => {
    const now = { ...base, name: "b", commission: { due_on: "2026-01-09" } };
    const changed = { ...base, commission: { due_on: "2026-01-02", words: "for the hall" } };
    expect(rebase(base, changed, now)).toEqual({
      ...now,
      commission: { due_on: "2026-01-09", words: "for the hall" },
    });
  });

  it("keeps what was added, changed and taken away on either side", () => {
    const now = {
      ...base,
      defects: [
        { id: "A", depth: 9 },
        { id: "B", depth: 2 },
        { id: "D", depth: 4 },
      ],
    };
    const changed = {
      ...base,
      defects: [
        { id: "A", depth: 1 },
        { id: "C", depth: 3 },
      ],
    };
    expect(rebase(base, changed, now)).toEqual({
      ...base,
      defects: [
        { id: "A", depth: 9 },
        { id: "C", depth: 3 },
        { id: "D", depth: 4 },
      ],
    });
  });

  it("wins where both changed the same, and takes away what it has taken away", () => {
    expect(rebase({ a: 1, b: 1 }, { a: 2 }, { a: 3, b: 1 })).toEqual({ a: 2 });
    expect(rebase([1, 2], [1, 2, 3], [4])).toEqual([1, 2, 3]);
  });

  it("leaves the newest as it is where nothing was changed", () => {
    const now = { name: "b" };
    expect(rebase(base, structuredClone(base), now)).toBe(now);
  });
});
