import { useId } from "react";
import styled from "styled-components";
import type { CutRegion } from "../../api/document";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { amountText } from "../../kit/measure";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";

const WIDE = 420;
const MARGIN = 26;
/** How far off the cut surface the arrow runs. */
const OFF = 12;

const Drawing = styled.svg`
  width: 100%;
  height: auto;
  display: block;
  margin: 8px 0;
  [data-region] {
    cursor: pointer;
  }
`;

type Place = [number, number];
const path = (points: Place[]) => points.map(([x, y], index) => `${index ? "L" : "M"}${x} ${y}`).join("");

/** Half of the section: what each cut of a step takes, the present one filled, its direction as an arrow. */
export function CutDrawing(props: { regions: CutRegion[]; here: number; onLook: (index: number) => void }) {
  const { regions, here, onLook } = props;
  const { document, assessment } = useBlank();
  const unit = useUnit();
  const arrow = useId();
  const { geometry } = assessment;
  const form = geometry.form;
  const widest = Math.max(
    ...regions.flatMap(({ swath }) => swath.flatMap(({ from_mm, to_mm }) => [from_mm, to_mm])),
    ...(form?.outside ?? []).map(([, r = 0]) => r),
  );
  const scale = Math.min((WIDE - 2 * MARGIN) / geometry.length_mm, 150 / widest);
  const high = widest * scale + 2 * MARGIN;
  const left = (WIDE - geometry.length_mm * scale) / 2;
  const at = (z: number, r: number): Place => [left + z * scale, high - MARGIN - r * scale];
  const region = regions[here];
  const [from = 0, to = 0] = region?.z_mm ?? [];
  return (
    <Drawing
      viewBox={`0 0 ${WIDE} ${high}`}
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
      <path d={`M${left - 20} ${high - MARGIN}H${WIDE - left + 20}`} stroke={ink.slate} strokeDasharray="14 4 3 4" />
      {form && (
        <path
          d={path(wood(form, document.form?.opens !== "head").map(([z, r]) => at(z, r)))}
          fill={ink.waste}
          stroke={ink.slate}
        />
      )}
      {regions.map(({ swath, z_mm }, index) => (
        <path
          key={z_mm[0]}
          data-region={index}
          onClick={() => onLook(index)}
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
          d={path(run(region, document.form?.opens, at))}
          fill="none"
          stroke={ink.ink}
          strokeWidth="2.5"
          markerEnd={`url(#${arrow})`}
        />
      )}
      <text x={left} y={high - 6} fontSize="12" fill={ink.quiet}>
        {amountText(0, "mm", unit)}
      </text>
      <text x={left + geometry.length_mm * scale} y={high - 6} fontSize="12" fill={ink.quiet} textAnchor="end">
        {amountText(geometry.length_mm, "mm", unit)}
      </text>
    </Drawing>
  );
}

type Profiles = { outside: number[][]; inside: number[][] | null };

/** The finished half: along the outside, back along the inside, closed on the axis at the end that does not open. */
function wood({ outside, inside }: Profiles, opensAtTail: boolean): Place[] {
  const pairs = (points: number[][]) => points.map(([z = 0, r = 0]): Place => [z, r]);
  const outer = pairs(outside);
  const [first, last] = [outer[0]?.[0] ?? 0, outer.at(-1)?.[0] ?? 0];
  if (!inside) return [[first, 0], ...outer, [last, 0]];
  const inner = pairs(inside);
  return opensAtTail
    ? [[first, 0], ...outer, ...inner.reverse(), [inside[0]?.[0] ?? first, 0]]
    : [[last, 0], ...outer.reverse(), ...inner, [inside.at(-1)?.[0] ?? last, 0]];
}

/** The way of the edge, a little off the surface it leaves. */
function run(region: CutRegion, opens: string | undefined, at: (z: number, r: number) => Place): Place[] {
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
  return forwards(direction, opens, first.to_mm, last.to_mm) ? along : along.reverse();
}

/** Does the edge go from the headstock end to the tail? */
function forwards(direction: CutRegion["direction"], opens: string | undefined, low: number, high: number): boolean {
  const mouthAtTail = opens === "tail";
  if (direction === "large_to_small") return low >= high;
  if (direction === "rim_to_bottom") return !mouthAtTail;
  return mouthAtTail;
}
