import { useMemo } from "react";
import type { Defect, Photograph } from "../api/document";
import { useNewest } from "../api/useNewest";
import { api } from "../api/client";
import { useBlank } from "../draft/contexts";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { Choice } from "../kit/Choice";
import { amountText } from "../kit/measure";
import { Fault, Quiet, Row } from "../kit/parts";
import { useUnit } from "../kit/Units";
import { useStored } from "../kit/useStored";
import { freeId } from "../piece/edit";
import { otherEnd, pictureOf, SHOWS } from "./pictures";
import { NOTHING, outlineOf, question } from "./trace";
import { TraceSheet } from "./TraceSheet";

type Props = { photograph: Photograph; say: (change: Partial<Photograph>) => Promise<void> };
/** Tracing over a photograph of a blank that is on the rack already. */
export function TraceOver({ photograph, say }: Props) {
  const blank = useBlank();
  const unit = useUnit();
  const [traced, setTraced] = useStored(`traced-${blank.id}-${photograph.id}`, NOTHING);
  const { document, assessment } = blank;
  // Traced as the piece sits now; what is said of the picture stays as it was first mounted.
  const shows = photograph.view === "head_face" ? "head_face" : "tail_face";
  const view = blank.sits === "reversed" ? (otherEnd(shows) as typeof shows) : shows;
  const asked = useMemo(
    () => question(traced, view, assessment.geometry.length_mm),
    [traced, view, assessment.geometry.length_mm],
  );
  const { answer, settled, problem } = useNewest(asked, api.trace);
  const trace = settled && !problem ? answer : undefined;
  const keepScale = () =>
    trace && say({ view: shows, scale: { mm_per_share: trace.mm_per_share, centre: trace.centre } });
  const takeOutline = () => {
    if (!trace) return;
    blank.draft.change({ ...document, shape: { type: "outline", stations: trace.stations } });
    void keepScale();
  };
  const addDefects = () => {
    if (!trace) return;
    const found = trace.defects.reduce(
      (defects: Defect[], defect) => [...defects, { ...defect, id: freeId(defects) }],
      document.defects,
    );
    blank.draft.change({ ...document, defects: found });
    void keepScale();
  };
  return (
    <div style={{ display: "grid", gap: 10 }}>
      <Choice
        label={t("screen.photo.it_shows")}
        value={photograph.view}
        options={SHOWS}
        onChange={(chosen) => void say({ view: chosen })}
      />
      <TraceSheet
        src={pictureOf(blank.id, photograph)}
        tracing={traced}
        taken={trace && outlineOf(trace, view)}
        onChange={setTraced}
      />
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {trace && (
        <>
          <p role="status">
            {t("screen.photo.across_at_least_at_most", {
              amount_text: amountText(trace.across_mm[0] ?? 0, "mm", unit),
              amount_text_2: amountText(trace.across_mm[1] ?? 0, "mm", unit),
            })}
          </p>
          <Row>
            <Button onPress={takeOutline}>{t("screen.photo.take_this_outline")}</Button>
            {trace.defects.length > 0 && (
              <Button onPress={addDefects}>
                {t("screen.photo.add", {
                  count: trace.defects.length,
                  value: trace.defects.length === 1 ? t("screen.photo.defect") : t("screen.photo.defects"),
                })}
              </Button>
            )}
            <Button onPress={() => void keepScale()}>{t("screen.photo.keep_its_scale_alone")}</Button>
          </Row>
          <Quiet>{t("screen.photo.the_outline_is_taken_the_same")}</Quiet>
        </>
      )}
    </div>
  );
}
