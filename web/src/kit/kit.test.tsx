// @vitest-environment jsdom
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Advice } from "../api/document";
import { AdviceList } from "./Advice";
import { Choice } from "./Choice";
import { Sheet } from "./DataSheet";
import { AmountField, ClockField, LengthField, NumberField } from "./MeasureField";
import { Sections } from "./Sections";
import { SoughtPlace } from "./SoughtPlace";
import { Units } from "./Units";

afterEach(cleanup);

describe("a length field", () => {
  const field = (unit: "mm" | "in", onChange: (mm: number) => void, fault?: string) =>
    render(
      <Units value={{ unit, toggle: vi.fn() }}>
        <LengthField label="Depth" value={25.4} onChange={onChange} fault={fault} />
      </Units>,
    );

  it("shows its unit, takes what is typed when it is left, and the same number not at all", async () => {
    const onChange = vi.fn();
    field("in", onChange);
    const input = screen.getByLabelText("Depth, in");
    expect(input).toHaveValue("1");
    await userEvent.clear(input);
    await userEvent.type(input, "1");
    await userEvent.tab();
    expect(onChange).not.toHaveBeenCalled();
    await userEvent.clear(input);
    await userEvent.type(input, "2 3/8{Enter}");
    expect(onChange).toHaveBeenCalledExactlyOnceWith(expect.closeTo(60.325, 9));
  });

  it.each(["", "deep", "1,200", "1e400", "NaN"])("keeps %j as typed and says what it takes", async (typed) => {
    const onChange = vi.fn();
    field("mm", onChange);
    const input = screen.getByLabelText("Depth, mm");
    await userEvent.clear(input);
    if (typed) await userEvent.type(input, typed);
    await userEvent.tab();
    expect(onChange).not.toHaveBeenCalled();
    expect(input).toBeInvalid();
    expect(input).toHaveAccessibleDescription(/60/);
    await userEvent.click(input);
    await userEvent.keyboard("{Escape}");
    expect(input).toHaveValue("25.4");
  });

  it("takes what is typed in the place of a number that changes under the hand, not as more of it", async () => {
    const onChange = vi.fn();
    const depth = (mm: number) => <LengthField label="Depth" value={mm} onChange={onChange} />;
    const { rerender } = render(depth(10));
    await userEvent.tab();
    const input = screen.getByLabelText<HTMLInputElement>("Depth, mm");
    expect(input).toHaveFocus();
    rerender(depth(12.6));
    await userEvent.keyboard("14{Enter}");
    expect(onChange).toHaveBeenCalledExactlyOnceWith(14);
    // Once typing has begun nothing that comes in touches it.
    await userEvent.keyboard("{Control>}a{/Control}2");
    rerender(depth(30));
    await userEvent.keyboard("5{Enter}");
    expect(onChange).toHaveBeenLastCalledWith(25);
  });

  it("shows the server's fault at the field", () => {
    field("mm", vi.fn(), "must be at most 20");
    expect(screen.getByLabelText("Depth, mm")).toHaveAccessibleDescription("must be at most 20");
  });
});

describe("other fields", () => {
  it("take masses, hours and numbers as people say them", async () => {
    const [grams, deg, plain] = [vi.fn(), vi.fn(), vi.fn()];
    render(
      <>
        <AmountField of="g" label="Mass" value={100} onChange={grams} />
        <ClockField label="Hour" value={0} onChange={deg} />
        <NumberField label="Coats" value={1} onChange={plain} />
      </>,
    );
    const type = async (label: RegExp, text: string) => {
      const input = screen.getByLabelText(label);
      await userEvent.clear(input);
      await userEvent.type(input, `${text}{Enter}`);
    };
    await type(/^Mass/, "9 lb 4 oz");
    await type(/^Hour/, "half past four");
    await type(/^Coats/, "3");
    expect(grams.mock.calls[0]?.[0]).toBeCloseTo(4195.7, 1);
    expect(deg).toHaveBeenCalledWith(135);
    expect(plain).toHaveBeenCalledWith(3);
  });
});

describe("a data sheet", () => {
  it("takes a temperature in the shown unit, shows none as nothing, and takes it back", async () => {
    const put = vi.fn();
    const shown = (soft_from_c?: number) =>
      render(
        <Units value={{ unit: "in", toggle: vi.fn() }}>
          <Sheet sheet={soft_from_c === undefined ? {} : { soft_from_c }} faults={{}} place="" onPut={put} open />
        </Units>,
      );
    shown();
    const field = screen.getByLabelText("Softens from, °F");
    expect(field).toHaveValue("");
    await userEvent.type(field, "122{Enter}");
    expect(put).toHaveBeenCalledWith({ soft_from_c: 50 });
    cleanup();
    shown(50);
    const kept = screen.getByLabelText("Softens from, °F");
    expect(kept).toHaveValue("122");
    await userEvent.clear(kept);
    await userEvent.tab();
    expect(put).toHaveBeenLastCalledWith(undefined);
  });
});

describe("sections", () => {
  const Two = () => {
    const [open, setOpen] = useState<"one" | "two">("one");
    return (
      <Sections
        open={open}
        onOpen={setOpen}
        sections={[
          { key: "one", title: "One", body: <input aria-label="in one" /> },
          { key: "two", title: "Two", body: <input aria-label="in two" />, seeks: ["weigh"] },
        ]}
      />
    );
  };
  const shown = () => screen.getByRole("tab", { selected: true }).textContent;

  it("open by name and by , and .; what is typed in a hidden one stays", async () => {
    render(<Two />);
    await userEvent.type(screen.getByLabelText("in one"), "kept");
    await userEvent.click(screen.getByRole("tab", { name: "Two" }));
    expect(shown()).toBe("Two");
    await userEvent.keyboard(",");
    expect(shown()).toBe("One");
    await userEvent.keyboard(".");
    await userEvent.keyboard(".");
    expect(shown()).toBe("One");
    expect(screen.getByLabelText("in one")).toHaveValue("kept");
  });

  it("do not change while one types", async () => {
    render(<Two />);
    await userEvent.type(screen.getByLabelText("in one"), "1,5");
    expect(shown()).toBe("One");
    expect(screen.getByLabelText("in one")).toHaveValue("1,5");
  });

  it("open where the next move is done", () => {
    render(
      <SoughtPlace value={{ sought: "weigh", found: vi.fn() }}>
        <Two />
      </SoughtPlace>,
    );
    expect(shown()).toBe("Two");
  });

  it("have no name where there is only one", () => {
    render(<Sections open="one" onOpen={vi.fn()} sections={[{ key: "one", title: "One", body: "alone" }]} />);
    expect(screen.queryByRole("tab")).toBeNull();
    expect(screen.getByText("alone")).toBeVisible();
  });
});

describe("a choice", () => {
  it("is moved along by the arrow keys", async () => {
    const onChange = vi.fn();
    render(
      <Choice<"end" | "face"> label="Grain" value="end" options={{ end: "End", face: "Face" }} onChange={onChange} />,
    );
    await userEvent.tab();
    expect(screen.getByRole("radio", { name: "End" })).toHaveFocus();
    await userEvent.keyboard("{ArrowRight}");
    expect(onChange).toHaveBeenCalledWith("face");
  });
});

describe("advice", () => {
  const advice = (key: string, tone: Advice["tone"]): Advice => ({ key, tone, figure: null, amounts: {} });

  it("shows three, and the rest under More", async () => {
    const list = ["one", "two", "three", "four"].map(() => advice("screen.kit.fold", "plain"));
    render(<AdviceList advice={list} workings={{}} />);
    expect(screen.getAllByRole("listitem")).toHaveLength(3);
    await userEvent.click(screen.getByRole("button", { name: /1/ }));
    expect(screen.getAllByRole("listitem")).toHaveLength(4);
  });

  it("says its tone in words, not by colour alone", () => {
    render(<AdviceList advice={[advice("screen.kit.fold", "stop")]} workings={{}} />);
    expect(within(screen.getByRole("listitem")).getByText(/Stop/)).toBeInTheDocument();
  });
});
