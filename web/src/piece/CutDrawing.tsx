import { useId } from "react";
import styled from "styled-components";
import type { CutRegion } from "../api/document";
import { t } from "../i18n/texts";
import { amountText } from "../kit/measure";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { wood, type Place, type Profiles } from "./profiles";

const WIDE = 420;
const HIGH = 150;
const MARGIN = 26;
/** How far off the cut surface the arrow runs. */
const OFF = 12;

const Drawing = styled.svg`
  width: 100%;
  height: auto;
  display: block;
  margin: 8px 0;
  text {
    font-size: 12px;
    fill: ${ink.quiet};
  }
`;

const path = (points: Place[]) => points.map(([x, y], index) => `${index ? "L" : "M"}${x} ${y}`).join("");

/** As much of a cut as is drawn. */
export type Cut = Pick<CutRegion, "side" | "z_mm" | "swath"> & { direction: string };
type Props = {
  regions: Cut[];
  here: number;
  onLook?: (index: number) => void;
  /** The finished piece under them. */
  form?: Profiles;
  lengthMm?: number;
};

/** Half of the section: what each cut of a step takes, the present one filled, its direction as an arrow. */
export function CutDrawing({ regions, here, onLook, form, lengthMm }: Props) {
  const unit = useUnit();
  const arrow = useId();
  const spans = [...regions.flatMap(({ z_mm }) => z_mm), ...(form?.outside ?? []).map(([z = 0]) => z)];
  const [low, high] = lengthMm === undefined ? [Math.min(...spans), Math.max(...spans)] : [0, lengthMm];
  const widest = Math.max(
    ...regions.flatMap(({ swath }) => swath.flatMap(({ from_mm, to_mm }) => [from_mm, to_mm])),
    ...(form?.outside ?? []).map(([, r = 0]) => r),
  );
  const scale = Math.min((WIDE - 2 * MARGIN) / Math.max(high - low, 1), HIGH / widest);
  const bottom = widest * scale + MARGIN;
  const left = (WIDE - (high - low) * scale) / 2;
  const at = (z: number, r: number): Place => [left + (z - low) * scale, bottom - r * scale];
  const region = regions[here];
  const [from = 0, to = 0] = region?.z_mm ?? [];
  return (
    <Drawing
      viewBox={`0 0 ${WIDE} ${bottom + MARGIN}`}
      role="img"
      aria-label={t("screen.turn.cut.drawing", {
        what: region ? t(`cuts.sides.${region.side}`) : "",
        from: amountText(from, "mm", unit),
        to: amountText(to, "mm", unit),
      })}
    >
      <marker id={arrow} viewBox="0 0 10 10" refX="8" refY="5" markerWidth="7" markerHeight="7" orient="auto">
        <path d="M0 0L10 5L0 10z" fill={ink.ink} />
      </marker>
      <path d={`M${left - 20} ${bottom}H${WIDE - left + 20}`} stroke={ink.slate} strokeDasharray="14 4 3 4" />
      {form && <path d={path(wood(form).map(([z, r]) => at(z, r)))} fill={ink.waste} stroke={ink.slate} />}
      {regions.map(({ swath }, index) => (
        <path
          key={index}
          data-region={index}
          onClick={onLook && (() => onLook(index))}
          style={onLook && { cursor: "pointer" }}
          d={`${path([
            ...swath.map(({ z_mm: z, from_mm }) => at(z, from_mm)),
            ...[...swath].reverse().map(({ z_mm: z, to_mm }) => at(z, to_mm)),
          ])}z`}
          fill={index === here ? ink.ochre : index < here ? "none" : ink.paper}
          fillOpacity={index === here ? 0.85 : 0.6}
          stroke={ink.slate}
          strokeDasharray={index === here ? undefined : "4 3"}
        />
      ))}
      {region && (
        <path
          d={path(run(region, mouthAtTail(region, form), at))}
          fill="none"
          stroke={ink.ink}
          strokeWidth="2.5"
          markerEnd={`url(#${arrow})`}
        />
      )}
      {WIDE - 2 * left > 120 ? (
        <>
          <text x={left} y={bottom + MARGIN - 6}>
            {amountText(low, "mm", unit)}
          </text>
          <text x={WIDE - left} y={bottom + MARGIN - 6} textAnchor="end">
            {amountText(high, "mm", unit)}
          </text>
        </>
      ) : (
        <text x={WIDE / 2} y={bottom + MARGIN - 6} textAnchor="middle">
          {t("screen.turn.cut.from_to", { from: amountText(low, "mm", unit), to: amountText(high, "mm", unit) })}
        </text>
      )}
    </Drawing>
  );
}

/** Where no form is given the mouth is where the hollow is widest, or the outside. */
function mouthAtTail({ swath }: Cut, form: Profiles | undefined): boolean {
  if (form) return form.opensAtTail;
  return (swath.at(-1)?.to_mm ?? 0) >= (swath[0]?.to_mm ?? 0);
}

/** The way of the edge, a little off the surface it leaves. */
function run(region: Cut, toTail: boolean, at: (z: number, r: number) => Place): Place[] {
  const { side, direction, swath } = region;
  const first = swath[0];
  const last = swath.at(-1);
  if (!first || !last) return [];
  if (direction === "edge_to_centre") {
    const z = (first.z_mm + last.z_mm) / 2;
    return [at(z, first.from_mm), at(z, Math.max(first.to_mm, 1))];
  }
  const off = side === "inside" ? OFF : -OFF;
  const along = swath.map(({ z_mm, to_mm }): Place => {
    const [x, y] = at(z_mm, to_mm);
    return [x, y + off];
  });
  return forwards(direction, toTail, first.to_mm, last.to_mm) ? along : along.reverse();
}

/** Does the edge go from the headstock end to the tail? toTail: the mouth is there. */
function forwards(direction: string, toTail: boolean, low: number, high: number): boolean {
  if (direction === "large_to_small") return low >= high;
  return direction === "rim_to_bottom" ? !toTail : toTail;
}
