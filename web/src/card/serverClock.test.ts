import { describe, expect, it } from "vitest";
import { ServerClock, spanText } from "./serverClock";

describe("the server's clock", () => {
  const at = (counted: number, wall: number) => {
    const times = { counted, wall };
    return {
      times,
      clock: new ServerClock(
        () => times.counted,
        () => times.wall,
      ),
    };
  };

  it("counts on from the last answer, whatever this machine's clock says", () => {
    const { times, clock } = at(1000, 5_000_000);
    clock.set("2030-05-01T12:00:00.000Z");
    times.counted = 61_000;
    times.wall = 5_060_000;
    expect(new Date(clock.nowMs()).toISOString()).toBe("2030-05-01T12:01:00.000Z");
    expect(clock.doubtful()).toBe(false);
    times.wall += 3_600_000;
    expect(new Date(clock.nowMs()).toISOString()).toBe("2030-05-01T12:01:00.000Z");
    expect(clock.doubtful()).toBe(true);
  });

  it("doubts itself after a sleep, until the next answer", () => {
    const { times, clock } = at(0, 0);
    clock.set("2030-05-01T12:00:00.000Z");
    times.wall = 7_200_000;
    expect(clock.doubtful()).toBe(true);
    clock.set("2030-05-01T14:00:00.000Z");
    expect(clock.doubtful()).toBe(false);
    expect(new Date(clock.nowMs()).toISOString()).toBe("2030-05-01T14:00:00.000Z");
  });

  it("says spans as a clock face does", () => {
    expect([0, 59_000, 750_000, 3_909_000, -40_000, 200_000_000].map(spanText)).toEqual([
      "0:00",
      "0:59",
      "12:30",
      "1:05:09",
      "−0:40",
      "2 d 7 h",
    ]);
  });
});
