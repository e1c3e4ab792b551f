import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useDeferredValue, useEffect, useMemo, useReducer, useRef, useState, type Dispatch } from "react";
import styled from "styled-components";
import { api, Refused } from "../api/client";
import type { Assessment, Defect, Document, Kept, Photograph, Problem, RouteQuestion } from "../api/document";
import { BlankContext, DrawingContext, RouteContext, SelectionContext, type Blank } from "../draft/contexts";
import { useDraft, type DraftHandle } from "../draft/useDraft";
import { SITS, useTurned, type Sits } from "../draft/useTurned";
import { t } from "../i18n/texts";
import { SoughtPlace } from "../kit/SoughtPlace";
import { ink } from "../kit/theme";
import { useHere } from "../kit/useHere";
import { useKept } from "../kit/useKept";
import { useSettled } from "../kit/useSettled";
import { Waiting } from "../kit/Waiting";
import { copyOf, freeId, makeDefect, today, type Tool } from "../piece/edit";
import { surfaceMm } from "../piece/geometry";
import { Piece } from "../piece/Piece";
import { PracticeStrip } from "../practice/PracticeStrip";
import { usePractice } from "../practice/usePractice";
import { afterAction, START, type BenchAction } from "./benchState";
import { Docket, type Station } from "./Docket";
import { NextMove } from "./NextMove";
import { RouteStrip } from "./RouteStrip";
import { TitleBar } from "./TitleBar";
import { Notice, Unsaved } from "./Unsaved";
import { useKeys } from "./useKeys";
import { useLook } from "./useLook";
import { useReckon } from "./useReckon";
import { useNewest } from "../api/useNewest";

const Frame = styled.main`
  display: grid;
  grid-template: "strip strip" auto "piece docket" minmax(0, 1fr) "next next" auto / minmax(0, 3fr) minmax(440px, 2fr);
  min-height: 0;
  > nav {
    grid-area: strip;
    min-width: 0;
  }
  > .piece {
    grid-area: piece;
    padding: 12px 22px 8px;
    min-height: 0;
    display: grid;
    grid-template-rows: auto minmax(0, 1fr);
    gap: 6px;
  }
  > .docket {
    grid-area: docket;
    border-left: 2px solid ${ink.ink};
    min-height: 0;
    display: grid;
    grid-template-rows: minmax(0, 1fr);
    > section + * {
      grid-row: 2;
    }
    &:has(> section) {
      grid-template-rows: auto minmax(0, 1fr);
    }
  }
  > footer {
    grid-area: next;
  }
  @media (max-width: 900px) {
    grid-template: "strip" auto "piece" auto "docket" auto "next" auto / minmax(0, 1fr);
    > .piece {
      height: 720px;
    }
    > .docket {
      border-left: 0;
      border-top: 2px solid ${ink.ink};
    }
  }
`;

/** The whole way is asked for once the draft has been left alone so long. */
const SETTLED_MS = 400;

type Props = { kept: Kept; station: Station; onStation: (station: Station) => void };

/** One blank on the bench: the piece in view, the docket beside it, the next move below. */
export function Bench({ kept, station, onStation }: Props) {
  const mounted = useDraft(kept);
  const [sits, , setSits] = useKept<Sits>(`sits-of-${kept.id}`, SITS);
  const draft = useTurned(mounted, sits === "reversed");
  const { assessment, settled, problem } = useReckon(draft.document);
  const { save, refused, setRefused } = useSaving(kept.id, mounted);
  const others = useHere(kept.id);
  const { number = "", name } = draft.document;
  useEffect(() => {
    window.document.title = t("screen.bench.mossy_anvil", { value: number, name });
  }, [number, name]);

  if (!assessment) return <Waiting what={t("screen.bench.reckoning_it")} problem={problem?.detail} />;
  const head = (
    <div>
      <TitleBar {...{ draft, settled, assessment, sits, others }} onSave={save} />
      {refused && (
        <Unsaved
          refused={refused}
          mine={mounted.document}
          onClose={() => setRefused(undefined)}
          onChoose={(current, mine) => {
            draft.keep(current);
            if (!mine) draft.drop();
            setRefused(undefined);
          }}
        />
      )}
      {problem && <NotCalculated problem={problem} />}
    </div>
  );
  return <Assessed {...{ id: kept.id, draft, assessment, problem, sits, setSits, station, onStation, save, head }} />;
}

/** Saving, and what the server refused of it. */
function useSaving(id: number, mounted: DraftHandle) {
  const [refused, setRefused] = useState<Refused>();
  const client = useQueryClient();
  const { version, document, keep } = mounted;
  const send = useCallback(async () => {
    try {
      const now = await api.save(id, version, document);
      client.setQueryData(["blank", id], now);
      keep(now, document);
      setRefused(undefined);
      await client.invalidateQueries({ queryKey: ["shop"] });
    } catch (fault) {
      if (!(fault instanceof Refused)) throw fault;
      setRefused(fault);
    }
  }, [client, id, version, document, keep]);
  const save = useCallback(() => void send(), [send]);
  return { save, refused, setRefused };
}

function NotCalculated({ problem }: { problem: Problem }) {
  const badInput = problem.status > 0 && problem.status < 500;
  return (
    <Notice role="alert">
      <p>
        {badInput
          ? t("screen.bench.not_reckoned_the_numbers_are_of", { value: problem.errors?.[0]?.detail ?? problem.detail })
          : problem.detail}
      </p>
    </Notice>
  );
}

type AssessedProps = Omit<Props, "kept"> & {
  id: number;
  draft: DraftHandle;
  assessment: Assessment;
  problem: Problem | undefined;
  sits: Sits;
  setSits: (sits: Sits) => void;
  save: () => void;
  head: React.ReactNode;
};

/** The bench once the core has answered. */
function Assessed({ id, draft, assessment, problem, sits, setSits, station, onStation, save, head }: AssessedProps) {
  const [state, act] = useReducer(afterAction, START);
  const { put, add, remove, copy } = useDefects(
    draft,
    assessment,
    (added) => {
      act({ do: "added", id: added });
      onStation("survey");
    },
    () => act({ do: "choose", id: undefined }),
  );
  useKeys({
    undo: draft.undo,
    redo: draft.redo,
    save,
    drop: () => act({ do: "take", tool: undefined }),
    remove: () => state.chosen && remove(state.chosen),
  });
  const { look, rpm } = useLook({ id, draft, assessment, station, sits, state, act, put, add });
  const blank: Blank = useMemo(
    () => ({ id, draft, document: draft.document, assessment, problem, put, remove, copy, sits, setSits }),
    [id, draft, assessment, problem, put, remove, copy, sits, setSits],
  );
  const { chosen, tool, grooving, seenBy, under, sought } = state;
  const onForm = draft.document.form !== undefined;
  const selection = useMemo(
    () => ({
      chosen,
      choose: (defect: string | undefined) => act({ do: "choose", id: defect }),
      tool,
      take: (next: Tool | undefined) => act({ do: "take", tool: next }),
      grooving,
      setGrooving: (step: string | undefined) => act({ do: "groove", step, onForm }),
      seenBy,
      setSeenBy: (day: string | undefined) => act({ do: "look back", day }),
    }),
    [chosen, tool, grooving, seenBy, onForm],
  );
  const practice = usePractice(id);
  const [instead, showInstead] = useState<Defect[]>();
  const shown = instead ? { ...look, document: { ...look.document, defects: instead }, fixed: true } : look;
  const way = useWay(draft.document, station === "route" ? "all" : "taken", state.step, act);
  const { clockDeg, zMm, geometry } = look;
  const drawing = useMemo(
    () => ({
      hand: { clockDeg, zMm },
      placeHere: (which: Tool) => {
        const here = { clockDeg, zMm, rMm: surfaceMm(geometry, clockDeg, zMm) * 0.8 };
        add(makeDefect(which, freeId(draft.document.defects), here, here, "skin", geometry));
      },
      under,
      layUnder: (photograph: Photograph | undefined) => act({ do: "lay under", photograph }),
      instead,
      showInstead,
    }),
    [clockDeg, zMm, geometry, add, draft.document.defects, under, instead],
  );
  const seeking = useMemo(() => ({ sought, found: () => act({ do: "seek", action: undefined }) }), [sought]);
  const toStation = useCallback(
    (other: Station) => {
      act({ do: "seek", action: undefined });
      onStation(other);
    },
    [onStation],
  );
  return (
    <Frame>
      <RouteStrip
        way={way}
        onStep={(step, there) => {
          way.lookAt(step);
          if (station !== "route") toStation(there);
        }}
      />
      <section className="piece" aria-label={t("screen.bench.piece")}>
        {head}
        <Piece look={shown} setCut={(cut) => act({ do: "cut", cut })} rpm={rpm} />
      </section>
      {/* The docket may lag behind the drawing for a moment, so that what is dragged follows the hand. */}
      <BlankContext value={useDeferredValue(blank)}>
        <SelectionContext value={useDeferredValue(selection)}>
          <DrawingContext value={useDeferredValue(drawing)}>
            <RouteContext value={useDeferredValue(way)}>
              <SoughtPlace value={seeking}>
                <div className="docket">
                  {practice && (
                    <PracticeStrip
                      {...{ practice, instead, showInstead }}
                      document={draft.document}
                      dirty={draft.dirty}
                      chosen={chosen}
                      hand={{ clockDeg, zMm }}
                    />
                  )}
                  <Docket station={station} onStation={toStation} />
                </div>
              </SoughtPlace>
            </RouteContext>
          </DrawingContext>
        </SelectionContext>
      </BlankContext>
      <NextMove
        move={assessment.next_move}
        document={blank.document}
        route={way.route}
        coming={way.coming}
        blankId={id}
        onGo={(there, seeks) => {
          onStation(there);
          act({ do: "seek", action: seeks });
        }}
      />
    </Frame>
  );
}

/** The way of the whole work, asked anew with every change; of a blank without a form there is none. */
function useWay(document: Document, ways: RouteQuestion["ways"], step: string | undefined, act: Dispatch<BenchAction>) {
  const asked = useSettled(document, SETTLED_MS);
  const question = useMemo(() => (asked.form ? { document: asked, ways } : undefined), [asked, ways]);
  const { answer, settled, problem } = useNewest(question, api.route);
  const route = document.form ? answer : undefined;
  const coming = document.form !== undefined && !route && !problem;
  return useMemo(
    () => ({
      route,
      settled,
      problem,
      coming,
      step,
      lookAt: (id: string | undefined) => act({ do: "look at step", id }),
    }),
    [route, settled, problem, coming, step, act],
  );
}

/** How defects of the draft are put, added, removed and copied. */
function useDefects(
  draft: DraftHandle,
  { geometry }: Assessment,
  onAdded: (id: string) => void,
  onRemoved: () => void,
) {
  const { document, change } = draft;
  const told = useRef({ onAdded, onRemoved });
  useEffect(() => {
    told.current = { onAdded, onRemoved };
  });
  return useMemo(() => {
    const withDefects = (defects: Defect[], holding = false) => change({ ...document, defects }, holding);
    const add = (defect: Defect) => {
      withDefects([...document.defects, { ...defect, found_on: today() }]);
      told.current.onAdded(defect.id);
    };
    return {
      add,
      put: (defect: Defect, holding: boolean) =>
        withDefects(
          document.defects.map((old) => (old.id === defect.id ? defect : old)),
          holding,
        ),
      remove: (id: string) => {
        withDefects(document.defects.filter((defect) => defect.id !== id));
        told.current.onRemoved();
      },
      copy: (defect: Defect) => add(copyOf(defect, document.defects, geometry)),
    };
  }, [document, change, geometry]);
}
