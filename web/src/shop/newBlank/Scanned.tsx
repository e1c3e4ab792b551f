import { useRef, useState } from "react";
import { FileTrigger, Label, ProgressBar } from "react-aria-components";
import styled from "styled-components";
import { api, Refused } from "../../api/client";
import type { Scan, ScanQuestion } from "../../api/document";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { amountText } from "../../kit/measure";
import { AdviceList } from "../../kit/Advice";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { Fault, Quiet, Row } from "../../kit/parts";
import { t } from "../../i18n/texts";

const UNITS = { mm: "mm", cm: "cm", m: "m", in: "inches" } as const;
const AXES = { x: "x", y: "y", z: "z" } as const;
const ENDS = { low: t("screen.shop.its_low_end"), high: t("screen.shop.its_high_end") } as const;

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
          <Button>{file ? t("screen.shop.another_scan") : t("screen.shop.choose_a_scan_stl_or_obj")}</Button>
        </FileTrigger>
        {file && <span>{file.name}</span>}
      </Row>
      <Choice
        label={t("screen.shop.its_lengths_are_in")}
        value={how.unit}
        options={UNITS}
        onChange={(chosen) => change({ unit: chosen })}
      />
      <Choice
        label={t("screen.shop.the_lathes_axis_runs_along_its")}
        value={how.axis}
        options={AXES}
        onChange={(axis) => change({ axis })}
      />
      <Choice
        label={t("screen.shop.at_the_head_is")}
        value={how.end}
        options={ENDS}
        onChange={(end) => change({ end })}
      />
      {sent !== undefined && (
        <Bar value={sent * 100} isIndeterminate={sent >= 1}>
          <Label>
            {sent < 1
              ? t("screen.shop.sending", { round: Math.round(sent * 100) })
              : t("screen.shop.turning_it_and_cutting_it_to")}
          </Label>
          <div className="track">
            <div className="done" style={{ width: `${sent * 100}%` }} />
          </div>
          <div>
            <Button $kind="quiet" onPress={() => stop.current?.abort()}>
              {t("screen.shop.stop")}
            </Button>
          </div>
        </Bar>
      )}
      {fault && (
        <Fault role="alert">
          {fault} {file && <Button onPress={() => void read(file, how)}>{t("screen.shop.try_again")}</Button>}
        </Fault>
      )}
      {scan && (
        <div role="status">
          <p>
            {t("screen.shop.triangles_cut_to_stations", {
              to_locale_string: scan.triangles.toLocaleString("en-GB"),
              join: scan.extents_mm.map((mm) => amountText(mm, "mm", unit)).join(" × "),
              count: scan.stations.length,
            })}
          </p>
          <AdviceList advice={scan.says} workings={{}} />
        </div>
      )}
      <Quiet>{t("screen.shop.turned_through_its_own_middle_never")}</Quiet>
    </div>
  );
}
