import styled from "styled-components";
import type { Mount } from "../api/document";
import { t } from "../i18n/texts";
import { amountText } from "../kit/measure";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { wood, type Profiles } from "./profiles";

const WIDE = 420;
const HIGH = 190;
const MARGIN = 14;
/** Room for what holds it, beyond either end, mm at most. */
const BEYOND_MM = 45;

const Drawing = styled.svg`
  width: 100%;
  max-width: 460px;
  height: auto;
  display: block;
  margin: 8px 0;
  text {
    font-size: 12px;
    fill: ${ink.ink};
  }
`;

const FILLS = { steel: ink.slate, block: ink.ochre, screw: ink.rust, wood: ink.waste } as const;

type Props = {
  mount: Mount;
  /** The end the tailstock comes to. */ tailstock: "head" | "tail" | null;
  lengthMm: number;
  /** Of the blank; drawn where the outside is not cut yet. */ radiusMm: number | undefined;
  form: Profiles;
  name: string;
};

/** How it is held, to scale, cut along the axis: the wood, the mount on its seat, the tailstock's point. */
export function MountDrawing({ mount, tailstock, lengthMm, radiusMm, form, name }: Props) {
  const unit = useUnit();
  const rim = Math.max(
    radiusMm ?? 0,
    ...form.outside.map(([, r = 0]) => r),
    ...mount.drawn.map(({ r_mm }) => r_mm[1] ?? 0),
  );
  const [low, high] = [-BEYOND_MM, lengthMm + BEYOND_MM];
  const scale = Math.min((WIDE - 2 * MARGIN) / (high - low), HIGH / 2 / rim);
  const left = (WIDE - (high - low) * scale) / 2;
  const middle = rim * scale + MARGIN;
  const x = (z: number) => left + (z - low) * scale;
  const half = wood(form);
  const outline = (sign: number) =>
    `M${half.map(([z, r]) => `${x(z).toFixed(1)} ${(middle + sign * r * scale).toFixed(1)}`).join("L")}Z`;
  const end = tailstock === "tail" ? lengthMm : 0;
  const out = tailstock === "tail" ? 1 : -1;
  return (
    <Drawing
      viewBox={`0 0 ${WIDE} ${2 * middle}`}
      role="img"
      aria-label={t(mount.size_mm === null ? "screen.turn.mount_drawing_unsized" : "screen.turn.mount_drawing", {
        name,
        size: amountText(mount.size_mm ?? 0, "mm", unit),
        tailstock: tailstock ? t("screen.turn.tailstock_up") : t("screen.turn.tailstock_away"),
      })}
    >
      {radiusMm !== undefined && (
        <rect
          x={x(0)}
          y={middle - radiusMm * scale}
          width={lengthMm * scale}
          height={2 * radiusMm * scale}
          fill={ink.waste}
          fillOpacity={0.45}
          stroke={ink.slate}
          strokeDasharray="5 4"
        />
      )}
      {[-1, 1].map((sign) => (
        <path key={sign} d={outline(sign)} fill={ink.waste} stroke={ink.slate} />
      ))}
      {mount.drawn.flatMap(({ part, z_mm: [from = 0, to = 0], r_mm: [inner = 0, outer = 0] }, index) =>
        [-1, 1].map((sign) => (
          <rect
            key={`${index} ${sign}`}
            x={x(from)}
            y={middle + (sign > 0 ? inner : -outer) * scale}
            width={Math.max((to - from) * scale, 1)}
            height={Math.max((outer - inner) * scale, 1)}
            fill={FILLS[part]}
            {...(part === "wood" && { stroke: ink.slate })}
          />
        )),
      )}
      {tailstock && (
        <path
          d={`M${x(end - out * 4)} ${middle}L${x(end + out * 14)} ${middle - 6}V${middle + 6}ZM${x(end + out * 14)} ${middle - 9}H${x(end + out * BEYOND_MM)}V${middle + 9}H${x(end + out * 14)}Z`}
          fill={ink.slate}
        />
      )}
      <path d={`M${x(low)} ${middle}H${x(high)}`} stroke={ink.slate} strokeDasharray="14 4 3 4" />
    </Drawing>
  );
}
