import { useMemo, type Dispatch } from "react";
import { api } from "../api/client";
import type { Assessment, Defect, Form } from "../api/document";
import { useNewest } from "../api/useNewest";
import { groovesOf, withGroove } from "../draft/mendSteps";
import type { DraftHandle } from "../draft/useDraft";
import type { Sits } from "../draft/useTurned";
import { otherEnd, pictureOf } from "../photo/pictures";
import type { Look } from "../piece/types";
import type { BenchAction, BenchState } from "./benchState";
import type { Station } from "./Docket";

type Bench = {
  id: number;
  draft: DraftHandle;
  assessment: Assessment;
  station: Station;
  sits: Sits;
  state: BenchState;
  act: Dispatch<BenchAction>;
  put: Look["put"];
  add: Look["add"];
};

/** What the drawings show: the document with what tests show, the cut, the photograph underneath; and how they change it. */
export function useLook({ id, draft, assessment, station, sits, state, act, put, add }: Bench) {
  const { document } = draft;
  const { chosen, clockDeg, zMm, under, seenBy, grooving } = state;
  // A stage the piece no longer goes through is no cut.
  const cutAt = state.cut && "stage" in state.cut && !assessment.stages[state.cut.stage] ? undefined : state.cut;
  const rpm = assessment.stages[cutAt && "stage" in cutAt ? cutAt.stage : "blank"]?.limit_rpm ?? 0;
  const asked = useMemo(() => cutAt && { document, rpm, ...cutAt }, [document, cutAt, rpm]);
  const { answer: peel } = useNewest(asked, api.peel);

  // The survey is about its own axis; everything else about the one between the lathe's centres.
  const bySurvey = station === "survey" && assessment.geometry.survey !== null;
  const geometry = useMemo(
    () => (bySurvey ? { ...assessment.geometry, ...assessment.geometry.survey, form: null } : assessment.geometry),
    [bySurvey, assessment],
  );
  const onCentres = bySurvey ? null : assessment.geometry.on_centres;
  const drawn = useMemo(
    () => ({ ...document, defects: shownBy(document.defects, onCentres, assessment, seenBy) }),
    [document, onCentres, assessment, seenBy],
  );
  // An inlay that was taken out is not drawn at.
  const inlay = station === "mend" ? document.mend?.steps.find((step) => step.id === grooving) : undefined;
  const look: Look = {
    document: drawn,
    assessment,
    geometry,
    clockDeg,
    setClock: (deg) => act({ do: "turn", clockDeg: deg }),
    zMm: Math.min(zMm ?? geometry.length_mm * 0.6, geometry.length_mm),
    setZ: (mm) => act({ do: "slide", zMm: mm }),
    cutAt,
    peel: cutAt && peel,
    chosen,
    choose: (defect) => act({ do: "choose", id: defect }),
    tool: onCentres ? undefined : state.tool,
    put,
    add,
    shaping:
      station === "form" && document.form
        ? {
            form: document.form,
            reshape: (form: Form, holding: boolean) => draft.change({ ...document, form }, holding),
          }
        : undefined,
    grooves: station === "mend" ? groovesOf(document) : [],
    groove: inlay && ((from, to) => draft.change(withGroove(document, inlay.id, from, to))),
    fixed: onCentres !== null,
    under: under && {
      ...under,
      src: pictureOf(id, under),
      view: sits === "reversed" ? otherEnd(under.view) : under.view,
    },
  };
  return { look, rpm };
}

/** Going back through the surveys, only what was known by then; else also what tests show or hint at. */
function shownBy(
  surveyed: Defect[],
  onCentres: Defect[] | null,
  { geometry }: Assessment,
  seenBy: string | undefined,
): Defect[] {
  const defects = onCentres ?? surveyed;
  if (seenBy !== undefined) return defects.filter(({ found_on = "" }) => found_on <= seenBy);
  return [...defects, ...geometry.by_test, ...geometry.suspects];
}
