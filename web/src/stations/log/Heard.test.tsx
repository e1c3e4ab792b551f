// @vitest-environment jsdom
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { renderStation, samples } from "../../testing/station";
import { Heard } from "./Heard";

const AT = "2030-05-01T09:30:00Z";
const point = (minute: number, mean: number) => ({
  at: `2030-05-01T09:${String(minute).padStart(2, "0")}:00Z`,
  least: mean - 5,
  most: mean + 5,
  mean,
});

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

function running(curves: object[]) {
  const asked: string[] = [];
  vi.stubGlobal("fetch", async (request: Request) => {
    asked.push(request.url);
    return Response.json({ curves });
  });
  return asked;
}

describe("what instruments said", () => {
  it("asks only when somebody looks, for the hour before, and draws each curve with its extremes", async () => {
    renderStation(<Heard at={AT} />, samples.platter);
    const asked = running([{ key: "tachometer", spot: "", unit: "rpm", points: [point(10, 300), point(20, 450)] }]);
    expect(asked).toEqual([]);
    await userEvent.click(screen.getByRole("button", { name: "What instruments said" }));
    expect(await screen.findByRole("img", { name: /tachometer, from 290\srpm to 450\srpm/ })).toBeVisible();
    const { searchParams } = new URL(asked[0] ?? "");
    expect([searchParams.get("from"), searchParams.get("to")]).toEqual([
      "2030-05-01T08:30:00.000Z",
      "2030-05-01T09:35:00.000Z",
    ]);
    await userEvent.click(screen.getByRole("button", { name: "Hide what they said" }));
    expect(screen.queryByRole("img")).toBeNull();
  });

  it("says so where nothing was heard", async () => {
    renderStation(<Heard at={AT} />, samples.platter);
    running([]);
    await userEvent.click(screen.getByRole("button", { name: "What instruments said" }));
    expect(await screen.findByText(/No instrument said anything/)).toBeVisible();
  });
});
