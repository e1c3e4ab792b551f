// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import { afterEach, describe, expect, it, vi } from "vitest";
import { api } from "../api/client";
import type { Assessment, Card, Document, Route } from "../api/document";
import { samples } from "../testing/station";
import { NextMove } from "./NextMove";

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

const onGo = vi.fn();

async function show(
  move: Assessment["next_move"],
  document: Document,
  route: Route | undefined,
  { card = null, coming = false }: { card?: Card | null; coming?: boolean } = {},
) {
  const asked = vi.spyOn(api, "cardOf").mockResolvedValue(card);
  render(
    <MemoryRouter>
      <QueryClientProvider client={new QueryClient()}>
        <NextMove move={move} document={document} route={route} coming={coming} onGo={onGo} blankId={7} />
      </QueryClientProvider>
    </MemoryRouter>,
  );
  await waitFor(() => expect(asked).toHaveBeenCalled());
  await asked.mock.results[0]?.value;
  if (!coming) await waitFor(() => expect(screen.queryByText(/being worked out/)).toBeNull());
}

const { assessment, document, route } = samples.platter;
/** The same route with steps changed. */
const changed = (change: (step: Route["alternatives"][0]["steps"][0], index: number) => object): Route => {
  if (!route) throw new Error("the platter has a route");
  const [taken] = route.alternatives;
  if (!taken) throw new Error("the platter has a way");
  const steps = taken.steps.map((step, index) => ({ ...step, ...change(step, index) }));
  return { ...route, alternatives: [{ ...taken, steps }] };
};

describe("the next move", () => {
  it("waits for what dries until the likely day, and leads to the scale", async () => {
    await show(assessment.next_move, document, route);
    expect(screen.getByText("Waits")).toBeInTheDocument();
    expect(screen.getByText(/^Dry to .* %, likely by \d+ \w+/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Add a weight" }));
    expect(onGo).toHaveBeenLastCalledWith("mend", "weigh");
  });

  it("is the first step of the route that is not done, with its speed", async () => {
    const turned = changed(({ kind }) => ({ done: kind !== "outside" && kind !== "sand", says: [], unsafe: false }));
    await show(assessment.next_move, document, turned);
    expect(screen.getByText("Next")).toBeInTheDocument();
    expect(screen.getByText(/^Turn the outside \(\d+ min\): below [\d,]+ rpm/)).toBeInTheDocument();
  });

  it("is what the blank itself says where the route stops there, and where nothing can be planned yet", async () => {
    await show({ ...assessment.next_move, key: "move.draw_form", amounts: {}, action: "draw_form" }, document, route);
    expect(screen.getByRole("button", { name: "Open Form" })).toBeInTheDocument();
    cleanup();
    await show(
      assessment.next_move,
      document,
      changed(() => ({ unsafe: true })),
    );
    expect(screen.getByText(/^Drying/)).toBeInTheDocument();
  });

  it("says nothing of what the blank alone would have next while its route is not there yet", async () => {
    const mount = { ...assessment.next_move, key: "move.mount", amounts: {} };
    await show(mount, document, undefined, { coming: true });
    expect(screen.getByText("What is next is being worked out.")).toBeInTheDocument();
    expect(screen.queryByRole("button")).toBeNull();
    cleanup();
    const draw = { ...assessment.next_move, key: "move.draw_form", amounts: {}, action: "draw_form" as const };
    await show(draw, document, undefined);
    expect(screen.getByRole("button", { name: "Open Form" })).toBeInTheDocument();
  });

  it("says that all is done", async () => {
    await show(
      assessment.next_move,
      document,
      changed(() => ({ done: true })),
    );
    expect(screen.getByText(/Every step of its route is done/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Open Log" }));
    expect(onGo).toHaveBeenLastCalledWith("log", undefined);
  });

  it("is the next line of an open card before all that", async () => {
    const card = { now: "2030-05-01T09:00:00Z", next_line: null, steps: [] } as Partial<Card> as Card;
    await show(assessment.next_move, document, route, { card });
    expect(screen.getByRole("button", { name: "Open the card" })).toBeInTheDocument();
  });
});
