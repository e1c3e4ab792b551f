// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { renderStation, samples } from "../../testing/station";
import { FourRuns } from "./FourRuns";
import { Cuts } from "./cuts/Cuts";
import { wave } from "./sensors";

afterEach(() => vi.unstubAllGlobals());

describe("balance in four runs", () => {
  it("asks for all four before it answers, and says the heavy side and what puts it right", async () => {
    renderStation(<FourRuns />, samples.platter);
    const known = globalThis.fetch;
    const asked: unknown[] = [];
    vi.stubGlobal("fetch", async (request: Request) => {
      if (!request.url.endsWith("/api/reckon/balance")) return known(request);
      asked.push(await request.json());
      return Response.json({
        heavy_clock_deg: 130,
        imbalance_g_mm: 400,
        lighter_trial: false,
        weight_g: 4,
        weight_clock_deg: 310,
        unexpected: { heavy_clock_deg: 90, imbalance_g_mm: 300 },
      });
    });
    const find = screen.getByRole("button", { name: "Find the heavy side" });
    expect(find).toBeDisabled();
    for (const [name, value] of [
      ["Shake bare", "4"],
      ["Mass at 12", "3.09"],
      ["Mass at 4", "6.97"],
      ["Mass at 8", "4.1"],
    ] as const) {
      await userEvent.clear(screen.getByLabelText(name));
      await userEvent.type(screen.getByLabelText(name), `${value}{Enter}`);
    }
    await userEvent.click(find);
    await waitFor(() => expect(screen.getByRole("status")).toHaveTextContent("Heavy at half past 4"));
    expect(screen.getByRole("status")).toHaveTextContent("4 g at half past 10");
    expect(screen.getByRole("status")).toHaveTextContent("Not as surveyed");
    expect(asked[0]).toMatchObject({ amplitudes: [4, 3.09, 6.97, 4.1] });
  });
});

describe("cut by cut", () => {
  it("goes from cut to cut, and says how each is held where that is asked", async () => {
    renderStation(<Cuts />, samples.platter);
    await userEvent.click(await screen.findByLabelText("Hollow"));
    const steps = samples.platter.cuts.regions.filter(({ step }) => step === "hollow");
    expect(screen.getByText(`Cut 1 of ${steps.length}`)).toBeVisible();
    await userEvent.click(screen.getByRole("button", { name: "Next cut" }));
    expect(screen.getByText(`Cut 2 of ${steps.length}`)).toBeVisible();
    expect(screen.queryByText(/bevel/)).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "How to hold it" }));
    expect(screen.getByText(/bevel/)).toBeVisible();
  });
});

describe("a tap as a sound file", () => {
  it("is 16-bit mono, as long as what was heard", async () => {
    const file = wave(new Float32Array([0, 1, -1, 2]), 44_100);
    const bytes = new DataView(await file.arrayBuffer());
    expect(bytes.byteLength).toBe(44 + 8);
    expect(bytes.getUint32(24, true)).toBe(44_100);
    expect([0, 1, 2, 3].map((at) => bytes.getInt16(44 + 2 * at, true))).toEqual([0, 32767, -32767, 32767]);
  });
});
