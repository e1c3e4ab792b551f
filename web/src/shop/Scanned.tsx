import { useRef, useState } from "react";
import { FileTrigger, Label, ProgressBar } from "react-aria-components";
import styled from "styled-components";
import { api, Refused } from "../api/client";
import type { Scan, ScanQuestion } from "../api/document";
import { Button } from "../kit/Button";
import { Choice } from "../kit/Choice";
import { amountText } from "../kit/measure";
import { AdviceList } from "../kit/Says";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { Fault, Quiet, Row } from "../kit/parts";

const UNITS = { mm: "mm", cm: "cm", m: "m", in: "inches" } as const;
const AXES = { x: "x", y: "y", z: "z" } as const;
const ENDS = { low: "Its low end", high: "Its high end" } as const;

const Bar = styled(ProgressBar)`
  display: grid;
  gap: 4px;
  .track {
    height: 10px;
    border: 1px solid ${ink.slate};
    background: ${ink.paper};
  }
  .done {
    height: 100%;
    background: ${ink.moss};
  }
`;

/** How a scan is made into a lump: the file, its units, and how it is to stand on the lathe. */
export function Scanned({ scan, onScan }: { scan: Scan | undefined; onScan: (scan: Scan | undefined) => void }) {
  const unit = useUnit();
  const [file, setFile] = useState<File>();
  const [how, setHow] = useState<ScanQuestion>({ unit: "mm", axis: "z", end: "low" });
  const [sent, setSent] = useState<number>();
  const [fault, setFault] = useState<string>();
  const stop = useRef<AbortController>(undefined);

  const read = async (chosen: File, asked: ScanQuestion) => {
    stop.current?.abort();
    const mine = new AbortController();
    stop.current = mine;
    setFault(undefined);
    setSent(0);
    onScan(undefined);
    try {
      onScan(await api.scan(chosen, asked, setSent, mine.signal));
    } catch (fell) {
      if (!(fell instanceof Refused) && !(fell instanceof DOMException)) throw fell;
      if (fell instanceof Refused) setFault(fell.problem.errors?.[0]?.detail ?? fell.message);
    }
    if (stop.current === mine) setSent(undefined);
  };
  const change = (part: Partial<ScanQuestion>) => {
    const asked = { ...how, ...part };
    setHow(asked);
    if (file) void read(file, asked);
  };

  return (
    <div style={{ display: "grid", gap: 12 }}>
      <Row>
        <FileTrigger
          acceptedFileTypes={[".stl", ".obj"]}
          onSelect={(list) => {
            const chosen = list?.[0];
            if (!chosen) return;
            setFile(chosen);
            void read(chosen, how);
          }}
        >
          <Button>{file ? "Another scan" : "Choose a scan, STL or OBJ"}</Button>
        </FileTrigger>
        {file && <span>{file.name}</span>}
      </Row>
      <Choice
        label="Its lengths are in"
        value={how.unit}
        options={UNITS}
        onChange={(chosen) => change({ unit: chosen })}
      />
      <Choice
        label="The lathe’s axis runs along its"
        value={how.axis}
        options={AXES}
        onChange={(axis) => change({ axis })}
      />
      <Choice label="At the head is" value={how.end} options={ENDS} onChange={(end) => change({ end })} />
      {sent !== undefined && (
        <Bar value={sent * 100} isIndeterminate={sent >= 1}>
          <Label>{sent < 1 ? `Sending, ${Math.round(sent * 100)} %` : "Turning it and cutting it to stations …"}</Label>
          <div className="track">
            <div className="done" style={{ width: `${sent * 100}%` }} />
          </div>
          <div>
            <Button $kind="quiet" onPress={() => stop.current?.abort()}>
              Stop
            </Button>
          </div>
        </Bar>
      )}
      {fault && (
        <Fault role="alert">
          {fault} {file && <Button onPress={() => void read(file, how)}>Try again</Button>}
        </Fault>
      )}
      {scan && (
        <div role="status">
          <p>
            {scan.triangles.toLocaleString("en-GB")} triangles,{" "}
            {scan.extents_mm.map((mm) => amountText(mm, "mm", unit)).join(" × ")}; cut to {scan.stations.length}{" "}
            stations.
          </p>
          <AdviceList advice={scan.says} workings={{}} />
        </div>
      )}
      <Quiet>Turned through its own middle, never mirrored. What is hollow inside is not in an outline.</Quiet>
    </div>
  );
}
