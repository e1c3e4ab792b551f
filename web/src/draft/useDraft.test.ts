import { describe, expect, it } from "vitest";
import type { Document, Kept } from "../api/document";
import { step } from "./useDraft";

const named = (name: string) => ({ name }) as Document;
const kept = (name: string, version = 1): Kept => ({
  id: 1,
  version,
  saved_at: "",
  put_away: false,
  document: named(name),
  journal: [],
});
const fresh = () => ({ kept: kept("a"), past: [], present: named("a"), future: [], held: undefined, stale: false });
const run = (...steps: Parameters<typeof step>[1][]) => steps.reduce(step, fresh() as Parameters<typeof step>[0]);
const change = (name: string, holding = false) => ({
  do: "change" as const,
  base: named("before"),
  document: named(name),
  holding,
});

describe("a draft", () => {
  it("goes back and forth through what was done", () => {
    const done = run(change("b"), change("c"), { do: "undo" });
    expect(done.present.name).toBe("b");
    expect(step(done, { do: "redo" }).present.name).toBe("c");
    expect(step(step(done, { do: "undo" }), { do: "undo" }).present.name).toBe("a");
  });

  it("forgets what was undone once something else is done", () => {
    const done = run(change("b"), { do: "undo" }, change("d"), { do: "redo" });
    expect(done.present.name).toBe("d");
    expect(done.future).toEqual([]);
  });

  it("takes a whole drag as one step", () => {
    const done = run(change("1", true), change("2", true), change("3", true), change("4"));
    expect(done.present.name).toBe("4");
    expect(step(done, { do: "undo" }).present.name).toBe("a");
  });

  it("keeps what was changed meanwhile, where a field still showed the draft before", () => {
    const base = { ...named("a"), number: 7 };
    const other = { ...run(change("b")), present: { ...named("b"), number: 7 } };
    const late = step(other, { do: "change", base, document: { ...base, number: 8 }, holding: false });
    expect(late.present).toEqual({ name: "b", number: 8 });
  });

  it("makes no step of a change that changes nothing", () => {
    const same = step(run(change("b")), { do: "change", base: named("b"), document: named("b"), holding: false });
    expect(same.past).toHaveLength(1);
  });

  it("becomes what the server kept, unless it was changed while the save was on its way", () => {
    const sent = named("b");
    const saving = { ...run(change("b")), present: sent };
    expect(step(saving, { do: "keep", kept: kept("b", 2), sent })).toMatchObject({
      present: { name: "b" },
      kept: { version: 2 },
    });
    const meanwhile = step(saving, change("c"));
    const after = step(meanwhile, { do: "keep", kept: kept("b", 2), sent });
    expect(after).toMatchObject({ present: { name: "c" }, kept: { version: 2, document: { name: "b" } } });
  });

  it("goes on with what is on screen where somebody else saved meanwhile", () => {
    const rebased = step(run(change("mine")), { do: "keep", kept: kept("theirs", 5), sent: undefined });
    expect(rebased).toMatchObject({ present: { name: "mine" }, kept: { version: 5, document: { name: "theirs" } } });
  });

  it("takes a reading beside the draft: a clean one stays clean, a changed one keeps its change", () => {
    const weighed = {
      ...kept("a"),
      document: { ...named("a"), readings: [{ kind: "mass" as const, value: 5, taken_at: "" }] },
    };
    const untouched = run();
    const clean = step({ ...untouched, present: untouched.kept.document }, { do: "read", kept: weighed });
    expect(clean.present).toBe(clean.kept.document);
    const changed = step(run(change("mine")), { do: "read", kept: weighed });
    expect(changed.present).toMatchObject({ name: "mine", readings: [{ value: 5 }] });
  });

  it("drops to what is kept, and can bring the draft back", () => {
    const dropped = run(change("b"), { do: "drop" });
    expect(dropped.present.name).toBe("a");
    expect(step(dropped, { do: "undo" }).present.name).toBe("b");
  });

  it("adds an entry without touching the draft", () => {
    const entry = { id: 5, key: "k", kind: "note", stage: null, speed_rpm: null, note: "", by: null, logged_at: "" };
    const logged = run(change("b"), { do: "log", entry });
    expect(logged).toMatchObject({ present: { name: "b" }, kept: { journal: [entry] } });
  });

  describe("when somebody else saves meanwhile", () => {
    const theirs = (version: number, document: Document): Parameters<typeof step>[1] => ({
      do: "theirs",
      kept: { ...kept("a"), version, document },
    });
    const noted = (name: string, species: string): Document => ({
      ...named(name),
      material: { ...named(name).material, species },
    });
    const begun = (document: Document) => {
      const draft = { ...fresh(), kept: { ...kept("a"), version: 1, document: noted("a", "ash") }, present: document };
      return draft as Parameters<typeof step>[0];
    };

    it("shows theirs where nothing was changed here", () => {
      const clean = begun(noted("a", "ash"));
      const seen = step({ ...clean, present: clean.kept.document }, theirs(2, noted("c", "ash")));
      expect([seen.present, seen.kept.version]).toEqual([noted("c", "ash"), 2]);
      expect(seen.present).toBe(seen.kept.document);
    });

    it("takes theirs in beneath what was changed here elsewhere in it, and undo does not take it back", () => {
      const mine = { ...begun(noted("b", "ash")), past: [noted("a", "ash")] };
      const both = step(mine, theirs(2, noted("a", "elm")));
      expect([both.present, both.kept.version]).toEqual([noted("b", "elm"), 2]);
      expect(step(both, { do: "undo" }).present).toEqual(noted("a", "elm"));
    });

    it("is not changed any more where the word of its own save comes before the answer to that", () => {
      const mine = noted("b", "ash");
      const saved = { ...kept("a"), version: 2, document: noted("b", "ash") };
      const told = step(begun(mine), { do: "theirs", kept: saved });
      expect(told.present).toBe(told.kept.document);
      const answered = step(told, { do: "keep", kept: { ...saved, document: noted("b", "ash") }, sent: mine });
      expect(answered.present).toBe(answered.kept.document);
    });

    it("leaves the draft as it is where both changed the same: saving it shows both", () => {
      const apart = step(begun(noted("b", "ash")), theirs(2, noted("c", "ash")));
      expect([apart.present, apart.kept.version]).toEqual([noted("b", "ash"), 1]);
    });

    it("does not touch one that was begun from an older version", () => {
      const old = step({ ...begun(noted("b", "ash")), stale: true }, theirs(3, noted("a", "elm")));
      expect([old.present, old.kept.version]).toEqual([noted("b", "ash"), 1]);
    });
  });

  it("remembers two hundred steps and no more", () => {
    const long = run(...Array.from({ length: 260 }, (_, index) => change(String(index))));
    expect(long.past).toHaveLength(200);
  });
});
