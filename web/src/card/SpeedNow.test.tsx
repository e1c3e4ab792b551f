// @vitest-environment jsdom
import { cleanup, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { SpeedNow } from "./SpeedNow";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe("the speed now", () => {
  it("begins under the limit, goes by big steps, and says when it is over", async () => {
    render(<SpeedNow blankId={7} limitRpm={500} step="Hollow" />);
    expect(screen.getByText("400 rpm")).toBeVisible();
    expect(screen.queryByRole("alert")).toBeNull();
    for (let press = 0; press < 4; press++) await userEvent.click(screen.getByRole("button", { name: "Faster" }));
    expect(screen.getByRole("alert")).toHaveTextContent("Over the limit of 500 rpm");
    await userEvent.click(screen.getByRole("button", { name: "Slower" }));
    expect(screen.queryByRole("alert")).toBeNull();
  });

  it("writes a stop down with its speed, the same press with the same key until it is kept", async () => {
    const sent: { key: string; speed_rpm: number }[] = [];
    vi.stubGlobal("fetch", async (request: Request) => {
      sent.push((await request.json()) as (typeof sent)[number]);
      return sent.length === 1
        ? Response.json({ type: "about:blank", title: "x", status: 503, detail: "Not now." }, { status: 503 })
        : Response.json({}, { status: 201 });
    });
    render(<SpeedNow blankId={7} limitRpm={500} step="Hollow" />);
    await userEvent.click(screen.getByRole("button", { name: "Stop and note" }));
    await waitFor(() => expect(screen.getByRole("alert")).toHaveTextContent("Not now."));
    await userEvent.click(screen.getByRole("button", { name: "Stop and note" }));
    await screen.findByRole("button", { name: "1 stop noted" });
    await userEvent.click(screen.getByRole("button", { name: "1 stop noted" }));
    await screen.findByRole("button", { name: "2 stops noted" });
    expect(sent.map(({ speed_rpm }) => speed_rpm)).toEqual([400, 400, 400]);
    expect(sent[0]?.key).toBe(sent[1]?.key);
    expect(sent[2]?.key).not.toBe(sent[1]?.key);
  });
});
