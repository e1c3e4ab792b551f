import { useMemo, useState } from "react";
import styled from "styled-components";
import { api } from "../../api/client";
import type { Document, Strip as Cut, StripQuestion } from "../../api/document";
import { useNewest } from "../../api/useNewest";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { amountText } from "../../kit/measure";
import { ink } from "../../kit/theme";
import { useSettled } from "../../kit/useSettled";
import { useUnit } from "../../kit/Units";
import { Fault, Heading, Quiet, Ticket } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";

const SETTLED_MS = 300;
const CELL = 20;
const ROW = 7;
const LEFT = 44;
const SHOWN = [0, 5, 10, 14, 19];
/** The grounds of the piece's own drawings, by what is met. */
const GROUNDS: Record<string, string> = {
  air: "air",
  firm: "firm",
  soft: "soft",
  spongy: "spongy",
  bark: "bark",
  dirt: "bark",
  galleries: "galleries",
  bubbles: "bubbles",
  resin: "resin",
  loose: "loose",
  stone: "hard",
  metal: "hard",
  knot: "hard",
};
const groundOf = (kind: string) => (GROUNDS[kind] ? `url(#ground-${GROUNDS[kind]})` : ink.rust);

const Drawing = styled.svg`
  width: 100%;
  height: auto;
  display: block;
  text {
    font-size: 12px;
    fill: ${ink.quiet};
  }
`;

/** The whole cut from the skin to the form before it is made: what an edge meets at every depth and height. */
export function Strip() {
  const blank = useBlank();
  const [open, setOpen] = useState(false);
  if (!blank.document.form) return null;
  return (
    <>
      <Heading>{t("screen.turn.the_whole_cut_from_the_skin")}</Heading>
      <Button aria-expanded={open} onPress={() => setOpen(!open)}>
        {open ? t("screen.turn.fold_it") : t("screen.turn.what_the_tool_will_meet")}
      </Button>
      {open && <Met />}
    </>
  );
}

function Met() {
  const blank = useBlank();
  const document = useSettled<Document>(blank.document, SETTLED_MS);
  const rpm = blank.assessment.stages.blank.limit_rpm;
  const question = useMemo(() => (document.form ? { document, rpm } : undefined), [document, rpm]);
  const { answer, problem } = useNewest<StripQuestion, Cut>(question, api.strip);
  return (
    <>
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {answer && <Shown cut={answer} rpm={rpm} />}
    </>
  );
}

const percent = (share: number) => `${Math.round(share * 100)} %`;
const metText = (met: Record<string, number>) =>
  Object.entries(met)
    .filter(([kind, share]) => kind !== "sound" && share >= 0.005)
    .sort(([, a], [, b]) => b - a)
    .slice(0, 3)
    .map(([kind, share]) => `${kind} ${percent(share)}`)
    .join(" · ") || t("screen.turn.sound_wood_all_round");

function Shown({ cut, rpm }: { cut: Cut; rpm: number }) {
  const unit = useUnit();
  const wide = LEFT + cut.depths.length * CELL;
  const tall = cut.z_mm.length * ROW;
  const kinds = [...new Set(cut.belts.flat().flatMap((belt) => (belt ? [belt.kind] : [])))];
  return (
    <>
      <Drawing
        viewBox={`0 0 ${wide} ${tall + 18}`}
        role="img"
        aria-label={t("screen.turn.what_the_cut_meets_on_its", {
          join: cut.depths
            .filter((_, index) => SHOWN.includes(index))
            .map(({ left_mm, met }) =>
              t("screen.turn.to_go", { left_mm: amountText(left_mm, "mm", unit), met: metText(met) }),
            )
            .join("; "),
        })}
      >
        <text x="0" y="11">
          {t("screen.turn.tail")}
        </text>
        <text x="0" y={tall - 2}>
          {t("screen.turn.head")}
        </text>
        <text x={LEFT} y={tall + 14}>
          {t("screen.turn.skin")}
        </text>
        <text x={wide} y={tall + 14} textAnchor="end">
          {t("screen.turn.form")}
        </text>
        <rect x={LEFT} y="0" width={wide - LEFT} height={tall} fill={ink.wood} stroke={ink.slate} />
        {cut.belts.map((belts, depth) =>
          belts.map(
            (belt, height) =>
              belt && (
                <rect
                  key={`${depth}-${height}`}
                  x={LEFT + depth * CELL}
                  y={tall - (height + 1) * ROW}
                  width={CELL}
                  height={ROW}
                  fill={groundOf(belt.kind)}
                  fillOpacity={Math.min(1, 0.3 + belt.share * 1.4)}
                />
              ),
          ),
        )}
      </Drawing>
      {kinds.length > 0 && <Quiet>{t("screen.turn.drawn_where_it_takes_most_of", { join: kinds.join(", ") })}</Quiet>}
      <Ticket>
        <tbody>
          {cut.depths
            .filter((_, index) => SHOWN.includes(index))
            .map(({ share, left_mm, met, most_air }) => (
              <tr key={share}>
                <th scope="row" style={{ whiteSpace: "nowrap" }}>
                  {share === 0
                    ? t("screen.turn.at_the_skin")
                    : share === 1
                      ? t("screen.turn.at_the_form")
                      : t("screen.turn.to_go_2", { left_mm: amountText(left_mm, "mm", unit) })}
                </th>
                <td>
                  {metText(met)}
                  {most_air && (
                    <>
                      {t("screen.turn.worst_off_the_head_of_the", {
                        z_mm: amountText(most_air.z_mm, "mm", unit),
                        percent: percent(most_air.air_share),
                      })}{" "}
                      <strong>{amountText(most_air.knocks_per_s, "a second", unit)}</strong>{" "}
                      {t("screen.turn.knocks_at", {
                        rpm: amountText(rpm, "rpm", unit),
                        t: t(`tables.interrupted_cut.${most_air.advice}.advice`),
                      })}
                    </>
                  )}
                </td>
              </tr>
            ))}
        </tbody>
      </Ticket>
    </>
  );
}
