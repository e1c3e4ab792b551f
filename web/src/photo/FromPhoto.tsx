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

export const VIEWS = { tail_face: "The tail end", head_face: "The head end" } as const;
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
          <Button>{file ? "Another photograph" : "Choose a photograph of one end"}</Button>
        </FileTrigger>
        <div style={{ width: 130 }}>
          <LengthField label="Long" value={lengthMm} onChange={setLength} />
        </div>
      </Row>
      <PictureKept {...{ lost, fleeting }} />
      <Choice label="It shows" value={view} options={VIEWS} onChange={setView} />
      {src && <TraceSheet src={src} tracing={tracing} taken={trace && outlineOf(trace, view)} onChange={setTracing} />}
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {trace && (
        <p role="status">
          {amountText(trace.across_mm[0] ?? 0, "mm", unit)} across at least,{" "}
          {amountText(trace.across_mm[1] ?? 0, "mm", unit)} at most
          {trace.defects.length > 0 &&
            `; ${trace.defects.length} ${trace.defects.length === 1 ? "finding" : "findings"}, their depth a guess until you feel for it`}
          .
        </p>
      )}
      {!asked && src && <Quiet>It becomes a lump once there is a scale and five places of the outline.</Quiet>}
    </div>
  );
}
