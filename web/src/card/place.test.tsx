// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, renderHook, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Card, NewMark } from "../api/document";
import { LineActs } from "./LineActs";
import { card, line } from "./madeCard";
import { useLinePlace } from "./useLinePlace";

afterEach(cleanup);

/** A handle that keeps what it is told, and answers with the card that is given. */
function handleOf(answer: Card, busy = false) {
  const told: NewMark[] = [];
  const mark = vi.fn((_: number, what: NewMark, then?: (next: Card) => void) => {
    told.push(what);
    then?.(answer);
  });
  return { told, handle: { mark, busy } };
}

const placeOf = (shown: Card, { handle }: ReturnType<typeof handleOf>, onPress = () => {}) =>
  renderHook(() => useLinePlace(shown, handle, onPress)).result;
const press = (key: string) => act(() => void fireEvent.keyDown(document.body, { key }));

describe("the place on a card", () => {
  const shown = card(line("a"), line("b", { suggested: 4, measures: "used_g" }), line("c"));

  it("begins at the next line, looks on and back by the keys, and stays within the card", () => {
    const place = placeOf({ ...shown, next_line: "b" }, handleOf(shown));
    expect(place.current.index).toBe(1);
    press("ArrowRight");
    press("ArrowRight");
    expect(place.current.here?.line.key).toBe("c");
    ["PageUp", "ArrowLeft", "ArrowLeft"].forEach(press);
    expect(place.current.here?.line.key).toBe("a");
  });

  it("ticks by Space and by the pedal, goes where the card goes, and lets whoever listens know of the press", () => {
    const hand = handleOf({ ...shown, next_line: "c" });
    const pressed = vi.fn();
    const place = placeOf(shown, hand, pressed);
    press(" ");
    expect(hand.told).toEqual([{ line: "a", kind: "done" }]);
    expect(place.current.here?.line.key).toBe("c");
    press("PageDown");
    expect(hand.told.at(-1)).toEqual({ line: "c", kind: "done" });
    expect(pressed).toHaveBeenCalledTimes(2);
  });

  it("tells what was measured, else what is suggested, and of one line nothing of another", () => {
    const hand = handleOf({ ...shown, next_line: "b" });
    const place = placeOf({ ...shown, next_line: "b" }, hand);
    act(() => place.current.measure(7));
    press(" ");
    press("ArrowLeft");
    press("ArrowRight");
    press(" ");
    expect(hand.told.map(({ value }) => value)).toEqual([7, 4]);
  });

  it("starts the clock of a timed line first, goes on over one that is done, and does nothing while one is under way", () => {
    const timed = card(line("a", { minutes: [5, 10] }), line("b", { done_at: "2030-05-01T12:00:00Z" }), line("c"));
    const hand = handleOf(timed);
    const place = placeOf(timed, hand);
    press(" ");
    expect(hand.told).toEqual([{ line: "a", kind: "started" }]);
    press("ArrowRight");
    press(" ");
    expect(place.current.here?.line.key).toBe("c");
    expect(hand.told).toHaveLength(1);
    cleanup();
    const busy = handleOf(timed, true);
    placeOf(timed, busy);
    press(" ");
    expect(busy.told).toEqual([]);
  });
});

describe("what else can be done at a line", () => {
  const shown = card(line("a"));
  const acts = (
    over: Partial<Card["steps"][number]["lines"][number]>,
    left: number,
    troubles: { key: string }[] = [],
  ) => {
    const { told, handle } = handleOf(shown);
    const [onMet, onEnd] = [vi.fn(), vi.fn()];
    shown.steps.forEach((step) => {
      const here = { line: line("a", over), step: { ...step, troubles } };
      render(<LineActs {...{ card: shown, handle, here, left, onMet, onEnd }} />);
    });
    return { told, onMet, onEnd };
  };

  it("is stopping here while lines are left, and ending the card when none is", async () => {
    const { onEnd } = acts({}, 2);
    expect(screen.queryByRole("button", { name: "Undo tick" })).toBeNull();
    expect(screen.queryByRole("button", { name: "Something went wrong" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Stop here" }));
    expect(onEnd).toHaveBeenCalledOnce();
    cleanup();
    acts({}, 0);
    expect(screen.getByRole("button", { name: "End the card" })).toBeVisible();
    expect(screen.queryByRole("button", { name: "Stop here" })).toBeNull();
  });

  it("is to take a tick back, and to say that something went wrong where anything may", async () => {
    const { told, onMet } = acts({ done_at: "2030-05-01T12:00:00Z" }, 1, [{ key: "spilt" }]);
    await userEvent.click(screen.getByRole("button", { name: "Undo tick" }));
    expect(told).toEqual([{ line: "a", kind: "taken_back" }]);
    await userEvent.click(screen.getByRole("button", { name: "Something went wrong" }));
    expect(onMet).toHaveBeenCalledOnce();
  });
});
