import { describe, expect, it } from "vitest";
import { messageText, runs } from "./texts";

const text = (value: string) => ({ value, unit: "text" });

describe("messages", () => {
  it("put numbers in with their units, in the units chosen", () => {
    const message = { key: "advice.form.floor", amounts: { floor: { value: 12, unit: "mm" } } };
    expect(messageText(message, "mm")).toBe("Floor 12 mm on the axis.");
    expect(messageText(message, "in")).toBe("Floor 15/32″ on the axis.");
  });

  it("choose between one and many by what they list", () => {
    const through = (ids: string[]) => ({ key: "advice.form.through", amounts: { ids: { value: ids, unit: "ids" } } });
    expect(messageText(through(["A"]), "mm")).toBe("A goes through the finished wall.");
    expect(messageText(through(["A", "B", "C"]), "mm")).toBe("A, B and C go through the finished wall.");
  });

  it("hold messages, words of the catalogue and what a person typed", () => {
    const type = { value: "defects.crack", unit: "term" };
    const what = { value: { key: "advice.opened", amounts: { type, id: text("B") } }, unit: "message" };
    const message = { key: "advice.grows_at", amounts: { what, speed: { value: 847, unit: "rpm" } } };
    expect(messageText(message, "mm")).toBe("crack B would grow at about 840 rpm");
    expect(
      runs(message, "mm")
        .filter(({ strong }) => strong)
        .map(({ text: run }) => run),
    ).toEqual(["840 rpm"]);
  });

  it("are an error where the catalogue has no text for them", () =>
    expect(() => messageText({ key: "advice.nowhere", amounts: {} }, "mm")).toThrow());
});
