import { describe, expect, it } from "vitest";
import { clock, hoursText, minutesOf } from "./hours";

const day = (weekday: number, from_min = 480, to_min = 960) => ({ weekday, from_min, to_min });

describe("hours of a week", () => {
  it("are typed and shown as a clock has them; the end of the day is its last minute", () => {
    expect([0, 485, 1439, 1440].map(clock)).toEqual(["00:00", "08:05", "23:59", "23:59"]);
    expect(["00:00", "08:05", "23:59"].map(minutesOf)).toEqual([0, 485, 1440]);
    expect(["", "8:05", "soon"].map(minutesOf)).toEqual([undefined, undefined, undefined]);
  });

  it("are told with the days of the same hours together, in a row from first to last", () => {
    expect(hoursText([1, 2, 3, 4, 5].map((weekday) => day(weekday)))).toBe("Mon–Fri 08:00 to 16:00");
    expect(hoursText([day(1), day(2)])).toBe("Mon, Tue 08:00 to 16:00");
    expect(hoursText([day(1), day(3), day(5), day(6, 540, 720)])).toBe(
      "Mon, Wed, Fri 08:00 to 16:00, Sat 09:00 to 12:00",
    );
    expect(hoursText([])).toMatch(/no hours/i);
  });
});
