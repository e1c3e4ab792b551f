import { useEffect, useMemo } from "react";
import { FileTrigger } from "react-aria-components";
import { api } from "../api/client";
import type { Trace } from "../api/document";
import { useNewest } from "../api/useNewest";
import { Button } from "../kit/Button";
import { Choice } from "../kit/Choice";
import { LengthField } from "../kit/MeasureField";
import { amountText } from "../kit/measure";
import { useStored } from "../kit/useStored";
import { useStoredFile } from "../kit/useStoredFile";
import { useUnit } from "../kit/Units";
import { Fault, Quiet, Row } from "../kit/parts";
import { PictureKept } from "./PictureKept";
import { NOTHING, outlineOf, question } from "./trace";
import { TraceSheet } from "./TraceSheet";
import { t } from "../i18n/texts";

export const VIEWS = { tail_face: t("screen.photo.the_tail_end"), head_face: t("screen.photo.the_head_end") } as const;
export type Taken = { file: File; view: keyof typeof VIEWS; trace: Trace };

/** A lump from a photograph of one of its ends: scaled, outlined, and what is seen on it put down. */
export function FromPhoto({
  place,
  onTaken,
}: {
  /** What is put down is kept under names that begin so. */ place: string;
  onTaken: (taken: Taken | undefined) => void;
}) {
  const unit = useUnit();
  const { file, lost, fleeting, choose } = useStoredFile(`${place}picture`);
  const [view, setView] = useStored<keyof typeof VIEWS>(`${place}view`, "tail_face");
  const [lengthMm, setLength] = useStored(`${place}lengthMm`, 80);
  const [tracing, setTracing] = useStored(`${place}tracing`, NOTHING);
  const src = useMemo(() => file && URL.createObjectURL(file), [file]);
  useEffect(
    () => () => {
      if (src) URL.revokeObjectURL(src);
    },
    [src],
  );
  const asked = useMemo(() => question(tracing, view, lengthMm), [tracing, view, lengthMm]);
  const { answer, settled, problem } = useNewest(asked, api.trace);
  const trace = settled && !problem ? answer : undefined;
  useEffect(() => onTaken(file && trace && { file, view, trace }), [file, view, trace, onTaken]);

  return (
    <div style={{ display: "grid", gap: 12 }}>
      <Row>
        <FileTrigger
          acceptedFileTypes={["image/jpeg", "image/png"]}
          onSelect={(list) => {
            const chosen = list?.[0];
            if (!chosen) return;
            if (!choose(chosen)) setTracing(NOTHING);
          }}
        >
          <Button>
            {file ? t("screen.photo.another_photograph") : t("screen.photo.choose_a_photograph_of_one_end")}
          </Button>
        </FileTrigger>
        <div style={{ width: 130 }}>
          <LengthField label={t("screen.photo.long")} value={lengthMm} onChange={setLength} />
        </div>
      </Row>
      <PictureKept {...{ lost, fleeting }} />
      <Choice label={t("screen.photo.it_shows")} value={view} options={VIEWS} onChange={setView} />
      {src && <TraceSheet src={src} tracing={tracing} taken={trace && outlineOf(trace, view)} onChange={setTracing} />}
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {trace && (
        <p role="status">
          {t("screen.photo.across_at_least_at_most_2", {
            amount_text: amountText(trace.across_mm[0] ?? 0, "mm", unit),
            amount_text_2: amountText(trace.across_mm[1] ?? 0, "mm", unit),
          })}
          {trace.defects.length > 0 &&
            t("screen.photo.their_depth_a_guess_until_you", {
              count: trace.defects.length,
              value: trace.defects.length === 1 ? t("screen.photo.defect") : t("screen.photo.defects"),
            })}
          .
        </p>
      )}
      {!asked && src && <Quiet>{t("screen.photo.it_becomes_a_lump_once_there")}</Quiet>}
    </div>
  );
}
