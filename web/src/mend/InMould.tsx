import type { CastDetail } from "../api/document";
import { amountText } from "../kit/measure";
import { useUnit } from "../kit/Units";
import type { AtStation } from "../stations/types";

const [WIDE, TALL, GAP] = [420, 150, 16];

/** The mould from above and from the side, with what lies in it, at one scale. */
export function InMould({ at, cast }: { at: AtStation; cast: CastDetail }) {
  const unit = useUnit();
  const mm = (value: number) => amountText(value, "mm", unit);
  const { inside_mm, depth_mm, outside_depth_mm } = cast.mould;
  const round = cast.mould.type === "tube" || cast.mould.type === "cup";
  const [wide = 1, long = wide] = inside_mm;
  const across = round ? wide : Math.max(wide, long);
  const broad = round ? wide : Math.min(wide, long);
  const scale = Math.min((WIDE - 3 * GAP) / (2 * across), (TALL - 2 * GAP) / Math.max(broad, outside_depth_mm));
  const [w, b, d, o] = [across, broad, depth_mm, outside_depth_mm].map((value) => value * scale) as [number, number, number, number];
  const { max_radius_mm, length_mm } = at.assessment.geometry;
  const { shape } = at.document;
  const surveyed = cast.wood_by === "survey";
  const block = shape.type === "block" ? [Math.max(shape.width_mm, shape.height_mm) * scale, Math.min(shape.width_mm, shape.height_mm) * scale] : undefined;
  const r = max_radius_mm * scale;
  const [cx, cy] = [GAP + w / 2, TALL / 2];
  const [sx, floor] = [2 * GAP + w, TALL / 2 + o / 2];
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL + 20}`} style={{ width: "100%", display: "block" }} role="img" aria-label={`Mould ${inside_mm.map(mm).join(" by ")}, poured ${mm(depth_mm)} deep`}>
      {round ? <circle cx={cx} cy={cy} r={w / 2} fill="var(--moss-pale)" stroke="var(--ink)" strokeWidth="2.5" /> : <rect x={GAP} y={cy - b / 2} width={w} height={b} fill="var(--moss-pale)" stroke="var(--ink)" strokeWidth="2.5" />}
      {surveyed && (block ? <rect x={cx - (block[0] ?? 0) / 2} y={cy - (block[1] ?? 0) / 2} width={block[0]} height={block[1]} fill="var(--wood)" stroke="var(--ink)" /> : <circle cx={cx} cy={cy} r={r} fill="var(--wood)" stroke="var(--ink)" />)}
      <path d={`M${sx} ${floor - o}V${floor}H${sx + w}V${floor - o}`} fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      <rect x={sx + 1.5} y={floor - d - 1} width={w - 3} height={d} fill="var(--moss-pale)" />
      {cast.layers.slice(0, -1).map((_, index) => {
        const up = cast.layers.slice(0, index + 1).reduce((sum, layer) => sum + layer.thick_mm, 0) * scale;
        return <path key={index} d={`M${sx + 2} ${floor - up}H${sx + w - 2}`} stroke="var(--moss)" strokeDasharray="5 3" />;
      })}
      {surveyed && <rect x={sx + w / 2 - r} y={floor - Math.min(length_mm * scale, o) - 1} width={2 * r} height={Math.min(length_mm * scale, o)} fill="var(--wood)" stroke="var(--ink)" />}
      <text x={cx} y={TALL + 14} textAnchor="middle" fontSize="12" fill="var(--quiet)">{round ? `⌀${mm(wide)}` : `${mm(across)} × ${mm(broad)}`} inside{surveyed ? "" : `, ${amountText(cast.wood_ml, "ml", unit)} in it`}</text>
      <text x={sx + w / 2} y={TALL + 14} textAnchor="middle" fontSize="12" fill="var(--quiet)">poured {mm(depth_mm)} deep</text>
    </svg>
  );
}
