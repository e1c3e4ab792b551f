// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { Kept } from "../api/document";
import { useBlank } from "../draft/contexts";
import type { Look } from "../piece/types";
import { samples, serve } from "../testing/station";
import { Bench } from "./Bench";
import type { Station } from "./Docket";

const renders = vi.hoisted(() => ({ piece: 0, turn: 0, look: undefined as Look | undefined }));
vi.mock("../piece/Piece", () => ({
  Piece: ({ look }: { look: Look }) => {
    renders.piece += 1;
    renders.look = look;
    return null;
  },
}));
vi.mock("../stations/turn/Turn", () => ({
  Turn: () => {
    renders.turn += 1;
    return useBlank().document.name;
  },
}));

afterEach(cleanup);

async function benchAt(station: Station) {
  localStorage.clear();
  serve(samples.lamp);
  const kept: Kept = {
    id: 7,
    version: 1,
    saved_at: "2030-05-01T09:00:00Z",
    put_away: false,
    document: samples.lamp.document,
    journal: [],
  };
  const onStation = vi.fn();
  render(
    <MemoryRouter>
      <QueryClientProvider client={new QueryClient()}>
        <Bench kept={kept} station={station} onStation={onStation} />
      </QueryClientProvider>
    </MemoryRouter>,
  );
  await screen.findByRole("tab", { name: "Survey" });
}

describe("the bench", () => {
  it("draws nothing anew while one types; once the field is left, it does", async () => {
    await benchAt("survey");
    await userEvent.click(screen.getAllByRole("button", { name: /Crack/ })[0] as HTMLElement);
    const depth = screen.getByLabelText("Depth, mm");
    const before = renders.piece;
    await userEvent.type(depth, "123");
    expect(renders.piece).toBe(before);
    await userEvent.tab();
    expect(renders.piece).toBeGreaterThan(before);
    expect(renders.look?.document.defects[0]).toMatchObject({ id: "A" });
  });

  it("turns the hand without rendering a station that does not look at it", async () => {
    await benchAt("turn");
    const before = { ...renders };
    act(() => renders.look?.setClock(120));
    act(() => renders.look?.setZ(20));
    expect(renders.look).toMatchObject({ clockDeg: 120, zMm: 20 });
    expect(renders.piece).toBeGreaterThan(before.piece);
    expect(renders.turn).toBe(before.turn);
  });

  it("renders the station once a defect was changed", async () => {
    await benchAt("turn");
    const before = renders.turn;
    const [first] = samples.lamp.document.defects;
    act(() => first && renders.look?.put({ ...first, found_on: "2026-01-02" }, false));
    expect(renders.turn).toBeGreaterThan(before);
  });
});
