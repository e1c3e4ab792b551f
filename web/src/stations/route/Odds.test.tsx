// @vitest-environment jsdom
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { renderStation, samples } from "../../testing/station";
import { Odds } from "./odds/Odds";
import { WithWayOdds } from "./wayOdds";

const Shown = () => (
  <WithWayOdds>
    <Odds route={samples.platter.route} />
  </WithWayOdds>
);

const [way] = samples.platter.route.alternatives;
const hollow = way?.steps.find(({ kind }) => kind === "hollow")?.id ?? "";
const told = {
  truths: 200,
  seed: 1,
  sound: { share: 0.93, low: 0.89, high: 0.96 },
  mended: 0.2,
  injury: { share: 0.02, low: 0.01, high: 0.05 },
  finish_days: { p10: 44, p50: 50, p90: 65 },
  cost: { p10: 10, p50: 11, p90: 13 },
  causes: [
    { event: "wall_breaks", step: hollow, share: 0.07, then: "lost" },
    { event: "opens_void", step: hollow, share: 0.2, then: "mended" },
  ],
  not_yet: [{ step: hollow, why: "no_mount" }],
  advised_against: true,
  best_improvement: { act: "thicker_wall", mm: 2, gain: 0.05, hours: 0.25, per_hour: 0.2 },
};
const task = { id: 5, kind: "odds", state: "running", done: 40, of: 200, so_far: null, result: null, problem: null };

beforeEach(() => sessionStorage.clear());
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

/** A server that has played it once it is asked again. */
function playing(answers: object[]) {
  const known = globalThis.fetch;
  vi.stubGlobal("fetch", async (request: Request) =>
    /\/api\/(odds|tasks)/.test(request.url)
      ? Response.json(answers.length > 1 ? answers.shift() : answers[0])
      : known(request),
  );
}

/** Opens once the server is there that answers. */
function Finished() {
  const [open, setOpen] = useState(false);
  return open ? <Shown /> : <button onClick={() => setOpen(true)}>open</button>;
}

describe("odds", () => {
  it("says the share with its spread, what cannot be done, what takes most and what betters it", async () => {
    renderStation(<Shown />, samples.platter);
    playing([task, { ...task, state: "ended", done: 200, so_far: told, result: told }]);
    await userEvent.click(screen.getByRole("button", { name: "Play it 200 times" }));
    await waitFor(() => expect(screen.getByText("93 in 100 come out sound")).toBeVisible());
    expect(screen.getByText("186 of the 200 played; between 89 and 96 in 100.")).toBeVisible();
    expect(screen.getByText(/Full: 146 .* Open: 40 .* Crossed: 14/)).toBeVisible();
    expect(screen.getByText(/cannot be done yet/)).toBeVisible();
    expect(screen.getByRole("alert")).toHaveTextContent("Not this way");
    expect(screen.getByRole("row", { name: /The wall breaks .* 7\.0 in 100 lost/ })).toBeVisible();
    await waitFor(() => expect(screen.getByText("Leave the wall 2 mm thicker.")).toBeVisible());
    expect(screen.getByText(/5\.0 more in 100 come out sound, for 15 min/)).toBeVisible();
  });

  it("takes another way that betters it at one press", async () => {
    const other = samples.platter.route.alternatives[1];
    const { blank } = renderStation(<Shown />, samples.platter);
    const better = { act: "other_way", way: other?.key, gain: 0.05, hours: 0.5, per_hour: 0.1 };
    playing([{ ...task, state: "ended", so_far: told, result: { ...told, best_improvement: better } }]);
    await userEvent.click(screen.getByRole("button", { name: "Play it 200 times" }));
    await userEvent.click(await screen.findByRole("button", { name: "Do it so" }));
    expect(blank.draft.change).toHaveBeenCalledWith(
      expect.objectContaining({ route: expect.objectContaining({ choices: other?.choices }) as unknown }),
      false,
    );
  });

  it("plays the other ways one after another, beside the one taken", async () => {
    renderStation(<Shown />, samples.platter);
    playing([{ ...task, state: "ended", so_far: told, result: told }]);
    await userEvent.click(screen.getByRole("button", { name: "Play it 200 times" }));
    const ways = await screen.findByRole("table", { name: "Beside the other ways, sound" });
    expect(within(ways).getAllByText("93 in 100")).toHaveLength(1);
    await userEvent.click(screen.getByRole("button", { name: /Play the other/ }));
    await waitFor(() =>
      expect(within(ways).getAllByText("93 in 100")).toHaveLength(samples.platter.route.alternatives.length),
    );
    expect(screen.queryByRole("button", { name: /Play the other/ })).toBeNull();
  });

  it("goes on with what was under way when the page was left", async () => {
    sessionStorage.setItem("odds begun of 7", JSON.stringify({ task: 5, of: "another" }));
    renderStation(<Finished />, samples.platter);
    playing([{ ...task, state: "ended", done: 200, so_far: told, result: told }]);
    await userEvent.click(screen.getByText("open"));
    await waitFor(() => expect(screen.queryByText("93 in 100 come out sound")).not.toBeNull(), { timeout: 3000 });
    expect(screen.getByText(/has changed since this was played/)).toBeVisible();
  });
});
