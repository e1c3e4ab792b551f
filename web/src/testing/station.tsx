import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import type { ReactNode } from "react";
import { MemoryRouter } from "react-router";
import { vi } from "vitest";
import type { Assessment, Cuts, Document, FinishPlan, MendPlan, Mounts, Route } from "../api/document";
import {
  BlankContext,
  DrawingContext,
  RouteContext,
  SelectionContext,
  type Blank,
  type Drawing,
  type Selection,
  type Way,
} from "../draft/contexts";
import type { DraftHandle } from "../draft/useDraft";
import raw from "./generated/samples.json?raw";

type Sample = {
  document: Document;
  assessment: Assessment;
  mend: MendPlan;
  mounts: Mounts;
  route: Route;
  cuts: Cuts;
  finish: FinishPlan;
};

/** Demo blanks with what the core answers of them; written anew by each run of the tests. */
export const samples = JSON.parse(raw) as Record<"bowl" | "lamp" | "platter", Sample>;

/** A draft that only writes down what it is asked to do. */
const draftOf = (document: Document): DraftHandle => ({
  document,
  version: 1,
  journal: [],
  dirty: false,
  behind: false,
  canUndo: false,
  canRedo: false,
  change: vi.fn(),
  undo: vi.fn(),
  redo: vi.fn(),
  drop: vi.fn(),
  addEntry: vi.fn(),
  read: vi.fn(),
  keep: vi.fn(),
});

/** Answers of the server to what a station asks by itself; a question that is not here gets no answer. */
export function serve(sample: Sample) {
  const answers: Record<string, unknown> = {
    "/api/reckon": sample.assessment,
    "/api/reckon/mend": sample.mend,
    "/api/reckon/mounts": sample.mounts,
    "/api/reckon/route": sample.route,
    "/api/reckon/cuts": sample.cuts,
    "/api/reckon/finish": sample.finish,
    "/api/blanks/7/photographs": { photographs: [] },
    "/api/blanks/7/card": { card: null },
    "/api/patterns": { patterns: [] },
  };
  vi.stubGlobal("fetch", (asked: Request | string) => {
    const path = new URL(typeof asked === "string" ? asked : asked.url, "http://shop.test").pathname;
    return path in answers ? Promise.resolve(Response.json(answers[path])) : new Promise(() => undefined);
  });
}

export type Bench = { blank: Blank; selection: Selection; drawing: Drawing; way: Way };

export function benchOf(sample: Sample, own: Partial<Selection> = {}): Bench {
  const { document, assessment } = sample;
  return {
    blank: {
      id: 7,
      draft: draftOf(document),
      document,
      assessment,
      problem: undefined,
      put: vi.fn(),
      remove: vi.fn(),
      copy: vi.fn(),
      sits: "mounted",
      setSits: vi.fn(),
    },
    selection: {
      chosen: undefined,
      choose: vi.fn(),
      tool: undefined,
      take: vi.fn(),
      grooving: undefined,
      setGrooving: vi.fn(),
      seenBy: undefined,
      setSeenBy: vi.fn(),
      ...own,
    },
    drawing: {
      hand: { clockDeg: 60, zMm: 30 },
      placeHere: vi.fn(),
      under: undefined,
      layUnder: vi.fn(),
      instead: undefined,
      showInstead: vi.fn(),
    },
    way: { route: sample.route, settled: true, problem: undefined, coming: false, step: undefined, lookAt: vi.fn() },
  };
}

/** What stands round a station on the bench. */
export function OnBench({ bench, children }: { bench: Bench; children: ReactNode }) {
  return (
    <BlankContext value={bench.blank}>
      <SelectionContext value={bench.selection}>
        <DrawingContext value={bench.drawing}>
          <RouteContext value={bench.way}>{children}</RouteContext>
        </DrawingContext>
      </SelectionContext>
    </BlankContext>
  );
}

/** Renders a station with a demo blank on the bench; gives what it may call. */
export function renderStation(station: ReactNode, sample: Sample, own: Partial<Selection> = {}) {
  serve(sample);
  localStorage.clear();
  const bench = benchOf(sample, own);
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const round = (inner: ReactNode) => (
    <MemoryRouter>
      <QueryClientProvider client={client}>{inner}</QueryClientProvider>
    </MemoryRouter>
  );
  const view = render(round(<OnBench bench={bench}>{station}</OnBench>));
  const again = (next: Bench) => view.rerender(round(<OnBench bench={next}>{station}</OnBench>));
  return { ...bench, bench, again };
}
