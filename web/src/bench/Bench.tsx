import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useDeferredValue, useEffect, useMemo, useState } from "react";
import styled from "styled-components";
import { api, Refused } from "../api/client";
import type { Defect, Form, Kept, Photograph } from "../api/document";
import { Button } from "../kit/Button";
import { amountText } from "../kit/measure";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { Sought } from "../kit/Sought";
import { Waiting } from "../kit/Waiting";
import { copyOf, freeId, makeDefect, today, type Tool } from "../piece/edit";
import { surfaceMm } from "../piece/geometry";
import { otherEnd, pictureOf } from "../photo/Photographs";
import { Piece } from "../piece/Piece";
import type { CutAt, Look } from "../piece/types";
import { groovesOf, withGroove } from "../draft/mendSteps";
import { lastMassG } from "../piece/weight";
import { NextMove } from "./NextMove";
import { Docket, type Station } from "./Docket";
import { useKept } from "../kit/useKept";
import { SITS, useTurned, type Sits } from "../draft/useTurned";
import { useDraft } from "../draft/useDraft";
import { useKeys } from "./useKeys";
import { Notice, Unsaved } from "./Unsaved";
import { useNewest } from "../api/useNewest";
import { useReckon } from "./useReckon";
import { t } from "../i18n/texts";

const Frame = styled.main`
  display: grid;
  grid-template: "piece docket" minmax(0, 1fr) "next next" auto / minmax(0, 3fr) minmax(440px, 2fr);
  min-height: 0;
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
  }
  > footer {
    grid-area: next;
  }
  @media (max-width: 900px) {
    grid-template: "piece" auto "docket" auto "next" auto / minmax(0, 1fr);
    > .piece {
      height: 720px;
    }
    > .docket {
      border-left: 0;
      border-top: 2px solid ${ink.ink};
    }
  }
`;

const Title = styled.div`
  display: flex;
  align-items: center;
  gap: 4px 14px;
  flex-wrap: wrap;
  min-height: 44px;
  h2 {
    font-size: 22px;
    font-weight: 750;
  }
  .facts {
    color: ${ink.quiet};
    flex: 1;
  }
  .settling {
    opacity: 0.6;
  }
  @media (max-width: 600px) {
    h2 {
      flex: 1;
    }
    .facts {
      flex: 1 0 100%;
      order: 9;
    }
  }
`;

/** One blank on the bench: the piece in view, the docket beside it, the next move below. */
export function Bench({
  kept,
  station,
  onStation,
}: {
  kept: Kept;
  station: Station;
  onStation: (station: Station) => void;
}) {
  const mounted = useDraft(kept);
  const [sits, , setSits] = useKept<Sits>(`sits-of-${kept.id}`, SITS);
  const draft = useTurned(mounted, sits === "reversed");
  const { document } = draft;
  const { assessment, settled, problem } = useReckon(document);
  const [chosen, choose] = useState<string>();
  const [tool, take] = useState<Tool>();
  const [clockDeg, setClock] = useState(60);
  const [zMm, setZ] = useState<number>();
  const [chosenCut, setCut] = useState<CutAt>();
  const [grooving, setGrooving] = useState<string>();
  const [seenBy, setSeenBy] = useState<string>();
  const [under, layUnder] = useState<Photograph>();
  const [refused, setRefused] = useState<Refused>();
  const [sought, seek] = useState<NonNullable<typeof assessment>["next_move"]["action"]>();
  const seeking = useMemo(() => ({ sought, found: () => seek(undefined) }), [sought]);
  const client = useQueryClient();

  const save = useCallback(async () => {
    try {
      const now = await api.save(kept.id, mounted.version, mounted.document);
      client.setQueryData(["blank", kept.id], now);
      mounted.keep(now, mounted.document);
      setRefused(undefined);
      await client.invalidateQueries({ queryKey: ["shop"] });
    } catch (fault) {
      if (!(fault instanceof Refused)) throw fault;
      setRefused(fault);
    }
  }, [client, kept.id, mounted]);

  const put = useCallback(
    (defect: Defect, holding: boolean) =>
      draft.change(
        { ...document, defects: document.defects.map((old) => (old.id === defect.id ? defect : old)) },
        holding,
      ),
    [document, draft],
  );
  const add = useCallback(
    (defect: Defect) => {
      draft.change({ ...document, defects: [...document.defects, { ...defect, found_on: today() }] });
      setSeenBy(undefined);
      take(undefined);
      choose(defect.id);
      onStation("survey");
    },
    [document, draft, onStation],
  );
  const remove = useCallback(
    (id: string) => {
      draft.change({ ...document, defects: document.defects.filter((defect) => defect.id !== id) });
      choose(undefined);
    },
    [document, draft],
  );
  const flip = {
    undo: draft.undo,
    redo: draft.redo,
    save: () => void save(),
    drop: () => take(undefined),
    remove: () => chosen && remove(chosen),
  };
  useKeys(flip);

  useEffect(() => {
    window.document.title = t("screen.bench.mossy_anvil", { value: document.number ?? "", name: document.name });
  }, [document.number, document.name]);

  // A stage the piece no longer goes through is no cut.
  const cutAt = chosenCut && "stage" in chosenCut && !assessment?.stages[chosenCut.stage] ? undefined : chosenCut;
  const rpm = assessment?.stages[cutAt && "stage" in cutAt ? cutAt.stage : "blank"]?.limit_rpm ?? 0;
  const asked = useMemo(() => cutAt && { document, rpm, ...cutAt }, [document, cutAt, rpm]);
  const { answer: peel } = useNewest(asked, api.peel);

  if (!assessment) return <Waiting what={t("screen.bench.reckoning_it")} problem={problem?.detail} />;
  // The survey is about its own axis; everything else about the one between the lathe's centres.
  const bySurvey = station === "survey" && assessment.geometry.survey !== null;
  const geometry = bySurvey
    ? { ...assessment.geometry, ...assessment.geometry.survey, form: null }
    : assessment.geometry;
  const onCentres = bySurvey ? null : (assessment.geometry.on_centres as unknown as Defect[] | null);
  const z = Math.min(zMm ?? geometry.length_mm * 0.6, geometry.length_mm);
  const placeHere = (which: Tool) => {
    const here = { clockDeg, zMm: z, rMm: surfaceMm(geometry, clockDeg, z) * 0.8 };
    add(makeDefect(which, freeId(document.defects), here, here, "skin", geometry));
  };
  const copy = (defect: Defect) => add(copyOf(defect, document.defects, geometry));
  // Stepping back through the surveys, the drawings show only what was known by then; else also what tests show or hint at.
  const byTest = [...geometry.by_test, ...geometry.suspects] as unknown as Defect[];
  const surveyed = onCentres ?? document.defects;
  const drawn = {
    ...document,
    defects:
      seenBy === undefined ? [...surveyed, ...byTest] : surveyed.filter(({ found_on = "" }) => found_on <= seenBy),
  };
  // An inlay that was taken out is not drawn at.
  const inlay = station === "mend" ? document.mend?.steps.find(({ id }) => id === grooving) : undefined;
  const groove: Look["groove"] = inlay && ((from, to) => draft.change(withGroove(document, inlay.id, from, to)));
  const shaping =
    station === "form" && document.form
      ? { form: document.form, reshape: (form: Form, holding: boolean) => draft.change({ ...document, form }, holding) }
      : undefined;
  const look = {
    document: drawn,
    assessment,
    geometry,
    clockDeg,
    setClock,
    zMm: z,
    setZ,
    cutAt,
    peel: cutAt && peel,
    chosen,
    choose,
    tool: onCentres ? undefined : tool,
    put,
    add,
    shaping,
    grooves: station === "mend" ? groovesOf(document) : [],
    groove,
    fixed: onCentres !== null,
    under: under && {
      ...under,
      src: pictureOf(kept.id, under),
      view: sits === "reversed" ? otherEnd(under.view) : under.view,
    },
  };
  const at = {
    id: kept.id,
    draft,
    document,
    assessment,
    problem,
    chosen,
    choose,
    tool,
    take,
    put,
    remove,
    placeHere,
    copy,
    hand: { clockDeg, zMm: z },
    under,
    layUnder,
    sits,
    setSits,
    seenBy,
    setSeenBy,
    grooving,
    setGrooving: (step: string | undefined) => {
      setGrooving(step);
      // They lie on the form's outside.
      if (step && document.form) setCut({ stage: "outside" });
    },
  };
  const badInput = problem && problem.status > 0 && problem.status < 500;

  return (
    <Frame>
      <section className="piece" aria-label={t("screen.bench.piece")}>
        <div>
          <TitleBar {...{ draft, settled, assessment, document, sits }} onSave={() => void save()} />
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
          {problem && (
            <Notice role="alert">
              <p>
                {badInput ? (
                  <>
                    {t("screen.bench.not_reckoned_the_numbers_are_of", {
                      value: problem.errors?.[0]?.detail ?? problem.detail,
                    })}
                  </>
                ) : (
                  problem.detail
                )}
              </p>
            </Notice>
          )}
        </div>
        <Piece look={look} setCut={setCut} rpm={rpm} />
      </section>
      <Sought value={seeking}>
        <div className="docket">
          <Beside
            station={station}
            onStation={(other) => {
              seek(undefined);
              onStation(other);
            }}
            at={at}
          />
        </div>
      </Sought>
      <NextMove
        move={assessment.next_move}
        blankId={kept.id}
        onGo={(there) => {
          onStation(there);
          seek(assessment.next_move.action);
        }}
      />
    </Frame>
  );
}

/** The docket may lag behind the drawing for a moment, so that what is dragged follows the hand. */
function Beside({ at, ...station }: Parameters<typeof Docket>[0]) {
  return <Docket {...station} at={useDeferredValue(at)} />;
}

type TitleProps = Pick<Parameters<typeof useTitle>[0], "document" | "assessment"> & {
  draft: ReturnType<typeof useDraft>;
  settled: boolean;
  sits: Sits;
  onSave: () => void;
};

const useTitle = ({
  document,
  assessment,
}: {
  document: Kept["document"];
  assessment: NonNullable<ReturnType<typeof useReckon>["assessment"]>;
}) => {
  const unit = useUnit();
  const mm = (value: number) => amountText(value, "mm", unit).replace(" mm", "");
  const { shape } = document;
  const size =
    shape.type === "disc"
      ? `⌀${mm(shape.diameter_mm)} × ${mm(shape.length_mm)}`
      : shape.type === "block"
        ? `${mm(shape.width_mm)} × ${mm(shape.height_mm)} × ${mm(shape.length_mm)}`
        : t("screen.bench.long", { mm: mm(assessment.geometry.length_mm) });
  const water = assessment.drying ? ` · ${amountText(assessment.drying.moisture_pct, "%", unit)}` : "";
  return `${document.material.species} · ${size} · ${amountText(lastMassG(document, assessment), "g", unit)}${water}`;
};

function TitleBar({ draft, settled, assessment, document, sits, onSave }: TitleProps) {
  const facts = useTitle({ document, assessment });
  return (
    <Title>
      <h2>
        {document.number} {document.name}
      </h2>
      <span className={settled ? "facts" : "facts settling"}>
        {facts}
        {sits === "reversed" && ` ${t("screen.bench.turned_end_for_end")}`}
      </span>
      {draft.canUndo && (
        <Button $kind="quiet" onPress={draft.undo}>
          {t("screen.bench.undo")}
        </Button>
      )}
      {draft.canRedo && (
        <Button $kind="quiet" onPress={draft.redo}>
          {t("screen.bench.redo")}
        </Button>
      )}
      {draft.dirty ? (
        <Button $kind="go" onPress={onSave}>
          {t("screen.bench.save")}
        </Button>
      ) : (
        <span style={{ color: ink.quiet, padding: "0 6px" }}>{t("screen.bench.saved")}</span>
      )}
    </Title>
  );
}
