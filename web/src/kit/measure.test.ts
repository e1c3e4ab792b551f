import { describe, expect, it } from "vitest";
import {
  amountText,
  clockFieldText,
  clockText,
  fieldAmountText,
  inchesText,
  lengthsText,
  lengthText,
  parseAmount,
  parseClock,
  parseLength,
  parseNumber,
  planeText,
} from "./measure";

describe("lengths as people type them", () => {
  it.each([
    ["60", 60],
    ["60 mm", 60],
    ["6 cm", 60],
    ["6,5", 6.5],
    ['2.375"', 60.325],
    ['2 3/8"', 60.325],
    ["2 3/8 in", 60.325],
    ["3/8”", 9.525],
    [" 12 ", 12],
  ])("in millimetres: %s", (text, mm) => expect(parseLength(text, "mm")).toBeCloseTo(mm, 9));

  it.each([
    ["2", 50.8],
    ["2 3/8", 60.325],
    ["3/8", 9.525],
    ["60 mm", 60],
    ["6 cm", 60],
    ["2.375", 60.325],
  ])("in inches: %s", (text, mm) => expect(parseLength(text, "in")).toBeCloseTo(mm, 9));

  it.each(["", "a lot", "-4", "1e400", "NaN", "2 3/", "3/0", "6 km", "1.2.3", "∞", "1,200", "1,200 mm"])(
    "refuses %s",
    (text) => {
      expect(parseLength(text, "mm")).toBeUndefined();
      expect(parseLength(text, "in")).toBeUndefined();
    },
  );

  it("comes back the same through inches to the nearest 1/64", () => {
    for (let sixtyFourths = 1; sixtyFourths < 640; sixtyFourths += 7) {
      const mm = (sixtyFourths / 64) * 25.4;
      expect(parseLength(inchesText(mm), "in")).toBeCloseTo(mm, 9);
    }
  });
});

describe("plain numbers as people type them", () => {
  it.each([
    ["1200", 1200],
    ["1,5", 1.5],
    ["0,125", 0.125],
    ["-20", -20],
    ["−3.5", -3.5],
  ])("%s", (text, value) => expect(parseNumber(text)).toBe(value));

  it.each(["", "a lot", "1,200", "-1,200", "1,200,000", "NaN", "1e400"])("refuses %s", (text) =>
    expect(parseNumber(text)).toBeUndefined(),
  );
});

describe("weights, volumes and temperatures as people type them", () => {
  it.each([
    ["500", "g", "mm", 500],
    ["1.2 kg", "g", "mm", 1200],
    ["4 oz", "g", "mm", 113.398092],
    ["9 lb 4 oz", "weight", "mm", 4195.729],
    ["9lb 4.5oz", "weight", "in", 4209.904],
    ["9", "weight", "in", 4082.331],
    ["3 1/2", "g", "in", 99.2233],
    ["4.1 kg", "kg", "in", 4.1],
    ["130", "kg", "in", 58.967],
    ["0,5 l", "ml", "mm", 500],
    ["2 fl oz", "ml", "mm", 59.147],
    ["2", "ml", "in", 59.147],
    ["75 °F", "C", "mm", 23.889],
    ["70", "C", "in", 21.111],
    ["21c", "C", "in", 21],
    ["−5", "C", "mm", -5],
  ] as const)("%s for %s where %s is shown", (text, kind, unit, value) =>
    expect(parseAmount(text, kind, unit)).toBeCloseTo(value, 3),
  );

  it.each(["", "a lot", "-4", "1e400", "NaN", "1,200", "9 lb oz", "3/0", "4 stone", "5 °C", "1.2.3"])(
    "refuses %s as a weight",
    (text) => expect(["mm", "in"].map((unit) => parseAmount(text, "g", unit as "mm"))).toEqual([undefined, undefined]),
  );

  it("comes back the same from what its field shows", () => {
    for (const kind of ["g", "weight", "kg", "ml", "C"] as const)
      for (const value of [0, 12.5, 453.59237, 890, 4195.7])
        for (const unit of ["mm", "in"] as const) {
          const near = unit === "mm" ? 0.0006 : kind === "kg" ? 0.003 : 0.16;
          const back = parseAmount(fieldAmountText(value, kind, unit), kind, unit);
          expect(Math.abs((back ?? NaN) - value)).toBeLessThan(near);
        }
  });
});

describe("amounts as they are shown", () => {
  it("reduces fractions", () => {
    expect([25.4, 12.7, 9.525, 60.325, 0, 0.1].map(inchesText)).toEqual(["1", "1/2", "3/8", "2 3/8", "0", "0"]);
  });

  it("never shows a speed higher than it is", () => {
    expect(amountText(429.9, "rpm", "mm")).toBe("420 rpm");
    expect(amountText(99.4, "rpm", "mm")).toBe("99 rpm");
    for (let rpm = 1; rpm < 4000; rpm += 13.7) {
      const shown = Number(amountText(rpm, "rpm", "mm").replace(/[^0-9]/g, ""));
      expect(shown).toBeLessThanOrEqual(Math.round(rpm));
    }
  });

  it("names hours and planes", () => {
    expect([0, 60, 135, 352, 360, -30].map(clockText)).toEqual([
      "12 o’clock",
      "2 o’clock",
      "half past 4",
      "half past 11",
      "12 o’clock",
      "11 o’clock",
    ]);
    expect([60, 0, 172].map(planeText)).toEqual(["2–8 o’clock", "12–6 o’clock", "6–12 o’clock"]);
  });

  it("shows each unit in its own way", () => {
    expect(amountText(2185, "g", "mm")).toBe("2.19 kg");
    expect(amountText(174.2, "g", "mm")).toBe("174 g");
    expect(amountText(371, "mm3", "mm")).toBe("0.4 ml");
    expect(amountText(44, "mm3", "mm")).toBe("0.04 ml");
    expect(amountText(0.0021, "ml", "mm")).toBe("under 0.01 ml");
    expect(amountText(0, "ml", "mm")).toBe("0 ml");
    expect(amountText(0.06, "g", "mm")).toBe("0.06 g");
    expect(amountText(6.08, "mm", "mm")).toBe("6.1 mm");
    expect(amountText(60.325, "mm", "in")).toBe("2 3/8″");
    expect(lengthsText([38, 60.325], "in")).toBe("1 1/2, 2 3/8");
    expect(lengthsText([38.25, 1500], "mm")).toBe("38.25, 1500");
    expect(lengthsText([], "mm")).toBe("");
    expect(amountText(0.4, "days", "mm")).toBe("10 hours");
    expect(amountText(1, "days", "mm")).toBe("1 day");
    expect(amountText(null, "rpm", "mm")).toBe("none");
    expect(amountText(1.234567, "parsec", "mm")).toBe("1.235 parsec");
  });

  it("keeps a field's length readable", () =>
    expect([244.6, 6.08, 0.5].map((mm) => lengthText(mm, "mm"))).toEqual(["245", "6.1", "0.5"]));
});

describe("hours as people type them", () => {
  it.each([
    ["2", 60],
    ["2:30", 75],
    ["12", 0],
    ["0:15", 7.5],
    ["half past 4", 135],
    ["Half past 4", 135],
    ["quarter to three", 82.5],
    ["quarter past 12", 7.5],
    ["quarter to 12", 352.5],
    ["four o’clock", 120],
    ["4 o'clock", 120],
    ["75°", 75],
    ["75.5 deg", 75.5],
    ["360°", 360],
  ])("%s", (text, deg) => expect(parseClock(text)).toBeCloseTo(deg, 9));

  it.each(["", "13", "25:00", "2:75", "noon", "half past", "half past thirteen", "-3", "400°", "1e3"])(
    "refuses %s",
    (text) => expect(parseClock(text)).toBeUndefined(),
  );

  it("stands in a field so that it reads back the same", () => {
    for (let half = 0; half < 720; half += 7) expect(parseClock(clockFieldText(half / 2))).toBeCloseTo(half / 2, 9);
  });
});
