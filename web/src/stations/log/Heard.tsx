import { useQuery } from "@tanstack/react-query";
import { scaleLinear, scaleTime } from "d3-scale";
import { area, line } from "d3-shape";
import { useState } from "react";
import styled from "styled-components";
import { api } from "../../api/client";
import type { Run } from "../../api/document";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { amountText } from "../../kit/measure";
import { Quiet } from "../../kit/parts";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";

/** What was going on in the hour before an entry was written, and in the minutes after it. */
const [BEFORE_MS, AFTER_MS] = [60 * 60_000, 5 * 60_000];
const [WIDE, TALL, LEFT, BOTTOM, TOP] = [420, 110, 62, 22, 8];

const Plot = styled.svg`
  width: 100%;
  max-width: ${WIDE}px;
  height: auto;
  margin-top: 4px;
  text {
    font-size: 14px;
    fill: ${ink.quiet};
  }
`;

type Curve = Run["curves"][number];

/** What instruments said when an entry was written, curve by curve; asked for only when somebody looks. */
export function Heard({ at }: { at: string }) {
  const [open, setOpen] = useState(false);
  const when = Date.parse(at);
  const { data } = useQuery({
    queryKey: ["run", at],
    queryFn: () => api.run(new Date(when - BEFORE_MS).toISOString(), new Date(when + AFTER_MS).toISOString()),
    enabled: open,
  });
  return (
    <>
      <Button $kind="quiet" aria-expanded={open} onPress={() => setOpen(!open)}>
        {open ? t("screen.log.fold_what_was_heard") : t("screen.log.what_was_heard")}
      </Button>
      {open && data?.curves.length === 0 && <Quiet role="status">{t("screen.log.nothing_was_heard")}</Quiet>}
      {open && data?.curves.map((curve) => <Shown key={`${curve.key} ${curve.spot}`} curve={curve} when={when} />)}
    </>
  );
}

function Shown({ curve, when }: { curve: Curve; when: number }) {
  const unit = useUnit();
  const { points } = curve;
  const [least, most] = [Math.min(...points.map((one) => one.least)), Math.max(...points.map((one) => one.most))];
  const said = (value: number) => amountText(value, curve.unit, unit);
  const x = scaleTime([new Date(when - BEFORE_MS), new Date(when + AFTER_MS)], [LEFT, WIDE - 8]);
  const y = scaleLinear([Math.min(0, least), most === least ? least + 1 : most], [TALL - BOTTOM, TOP]);
  const time = ({ at }: { at: string }) => x(new Date(at));
  const band = area<Curve["points"][number]>(
    time,
    (one) => y(one.least),
    (one) => y(one.most),
  );
  const middle = line<Curve["points"][number]>(time, (one) => y(one.mean));
  const name = t(`tables.instruments.${curve.key}.name`);
  const clock = (ms: number) => new Date(ms).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });
  return (
    <figure>
      <figcaption>
        <strong>{name}</strong> {t("screen.log.heard_between", { least: said(least), most: said(most) })}
      </figcaption>
      <Plot
        viewBox={`0 0 ${WIDE} ${TALL}`}
        role="img"
        aria-label={t("screen.log.heard_plot", { name, least: said(least), most: said(most) })}
      >
        <path d={band(points) ?? ""} fill={ink.moss} fillOpacity="0.22" />
        <path d={middle(points) ?? ""} fill="none" stroke={ink.moss} strokeWidth="2" />
        <path d={`M${x(new Date(when))} ${TOP}V${TALL - BOTTOM}`} stroke={ink.ink} strokeDasharray="4 3" />
        <path d={`M${LEFT} ${TOP}V${TALL - BOTTOM}H${WIDE - 8}`} fill="none" stroke={ink.ink} />
        <text x={LEFT - 6} y={TOP + 10} textAnchor="end">
          {said(y.domain()[1] ?? most)}
        </text>
        <text x={LEFT - 6} y={TALL - BOTTOM} textAnchor="end">
          {said(y.domain()[0] ?? 0)}
        </text>
        <text x={LEFT} y={TALL - 4}>
          {clock(when - BEFORE_MS)}
        </text>
        <text x={x(new Date(when))} y={TALL - 4} textAnchor="end">
          {clock(when)}
        </text>
      </Plot>
    </figure>
  );
}
