import { useCallback, useDeferredValue, useEffect, useMemo, useReducer, useState } from "react";
import styled from "styled-components";
import type { Assessment, Defect, Kept, Photograph, Problem } from "../api/document";
import { BlankContext, DrawingContext, RouteContext, SelectionContext, type Blank } from "../draft/contexts";
import { useDraft, type DraftHandle } from "../draft/useDraft";
import { SITS, useTurned, type Sits } from "../draft/useTurned";
import { t } from "../i18n/texts";
import { SoughtPlace } from "../kit/SoughtPlace";
import { ink } from "../kit/theme";
import { useHere } from "../kit/useHere";
import { useKept } from "../kit/useKept";
import { Waiting } from "../kit/Waiting";
import { freeId, makeDefect, type Tool } from "../piece/edit";
import { surfaceMm } from "../piece/geometry";
import { Piece } from "../piece/Piece";
import { PracticeStrip } from "../practice/PracticeStrip";
import { usePractice } from "../practice/usePractice";
import { afterAction, START } from "./benchState";
import { Docket, type Station } from "./Docket";
import { NotCalculated } from "./NotCalculated";
import { NextMove } from "./NextMove";
import { RouteStrip } from "./RouteStrip";
import { TitleBar } from "./TitleBar";
import { Unsaved } from "./Unsaved";
import { useDefects } from "./useDefects";
import { useKeys } from "./useKeys";
import { useLook } from "./useLook";
import { useReckon } from "./useReckon";
import { useRoute } from "./useRoute";
import { useSaving } from "./useSaving";

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
  const way = useRoute(draft.document, station === "route" ? "all" : "taken", state.step, act);
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
