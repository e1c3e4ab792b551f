import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import styled from "styled-components";
import type { CastDetail, MendStep } from "../../api/document";
import { amountText } from "../../kit/measure";
import { focusRing } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { follow } from "../../piece/drag";
import { Quiet } from "../../kit/parts";
import { putPlaced } from "../../draft/mendSteps";
import { t } from "../../i18n/texts";

const [WIDE, TALL, GAP] = [420, 170, 16];

const Drawing = styled.svg`
  width: 100%;
  display: block;
  touch-action: none;
  g[tabindex] {
    cursor: grab;
    ${focusRing}
  }
`;

type Props = { cast: CastDetail; step: MendStep; onPut: (step: MendStep) => void };
type Wood = NonNullable<CastDetail["mould"]["in_it"]>;
type Place = Pick<Wood, "x_mm" | "y_mm" | "up_mm">;

/** At so much on its tightest side. */
const ROOM_MM = 5;

/** A mould as little larger as the wood in it needs. */
export function largeEnough(
  mould: NonNullable<MendStep["mould"]>,
  { rooms, up_mm, tall_mm }: Wood,
): NonNullable<MendStep["mould"]> {
  const more = (...sides: (number | undefined)[]) =>
    Math.ceil(2 * Math.max(0, ROOM_MM - Math.min(...sides.map((room) => room ?? ROOM_MM))));
  const grown = (size: "width_mm" | "length_mm" | "diameter_mm", by: number) =>
    mould[size] === undefined ? {} : { [size]: mould[size] + by };
  return {
    ...mould,
    ...grown("length_mm", more(rooms.left, rooms.right)),
    ...grown("width_mm", more(rooms.front, rooms.back)),
    ...grown("diameter_mm", more(rooms.around)),
    depth_mm: Math.max(mould.depth_mm, Math.ceil(up_mm + tall_mm + ROOM_MM)),
  };
}

const besideText = (room: number, mm: (value: number) => string) =>
  room < 0 ? t("screen.mend.too_small_for_it", { mm: mm(-room) }) : t("screen.mend.beside_it", { mm: mm(room) });

const fixed = (mm: number) => Math.round(mm * 2) / 2;

/** The mould from above and from its long side, at one scale, and the wood in it to be moved: by the pointer in either, or with the arrow keys. */
export function InMould({ cast, step, onPut }: Props) {
  const unit = useUnit();
  const mm = (value: number) => amountText(value, "mm", unit);
  const { inside_mm, depth_mm, outside_depth_mm, in_it: wood } = cast.mould;
  const [held, hold] = useState<Place>();
  const frame = useRef<SVGSVGElement>(null);
  const round = inside_mm.length === 1;
  const [broad = 1, long = broad] = inside_mm;
  // What does not go in is drawn whole as well.
  const [widest, highest] = wood
    ? [Math.max(long, wood.along_mm), Math.max(outside_depth_mm, wood.tall_mm + wood.up_mm)]
    : [long, outside_depth_mm];
  const scale = Math.min(
    (WIDE - 3 * GAP) / (2 * widest),
    (TALL - 2 * GAP) / Math.max(broad, highest, wood?.across_mm ?? 0),
  );
  const [cx, cy] = [GAP + (widest * scale) / 2, TALL / 2];
  const [sx, floor] = [2 * GAP + (widest + (widest - long) / 2) * scale, TALL / 2 + (highest * scale) / 2];
  // What was put may come back a moment later: until then the hand goes on from where it put it.
  const [own, setOwn] = useState<Place>();
  const { x_mm = 0, y_mm = 0, up_mm = 0 } = step.placed ?? {};
  if (own && own.x_mm === x_mm && own.y_mm === y_mm && own.up_mm === up_mm) setOwn(undefined);
  const at: Place = held ?? own ?? { x_mm, y_mm, up_mm };
  const put = (place: Place) => {
    const next = { x_mm: fixed(place.x_mm), y_mm: fixed(place.y_mm), up_mm: fixed(Math.max(0, place.up_mm)) };
    setOwn(next);
    onPut(putPlaced(step, next));
  };
  const drag = (side: boolean) => (event: PointerEvent) => {
    // The drawing is as wide as its frame: mm to a pixel on the screen.
    const perPx = WIDE / (frame.current?.getBoundingClientRect().width ?? WIDE) / scale;
    let from: [number, number] | undefined;
    const there = (x: number, y: number): Place => {
      from ??= [x, y];
      const [dx, dy] = [(x - from[0]) * perPx, (y - from[1]) * perPx];
      return side
        ? { ...at, x_mm: at.x_mm + dx, up_mm: Math.max(0, at.up_mm - dy) }
        : { ...at, x_mm: at.x_mm + dx, y_mm: at.y_mm + dy };
    };
    const box = frame.current?.getBoundingClientRect();
    there(event.clientX - (box?.left ?? 0), event.clientY - (box?.top ?? 0));
    follow(
      event,
      (x, y) => hold(there(x, y)),
      (x, y) => {
        hold(undefined);
        put(there(x, y));
      },
    );
  };
  const key = (side: boolean) => (event: KeyboardEvent) => {
    const by = event.shiftKey ? 10 : 1;
    const [dx, dy] =
      { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[event.key] ?? [];
    if (dx === undefined || dy === undefined) return;
    event.preventDefault();
    put(side ? { ...at, x_mm: at.x_mm + dx, up_mm: at.up_mm - dy } : { ...at, x_mm: at.x_mm + dx, y_mm: at.y_mm + dy });
  };
  const grip = (side: boolean) => ({
    tabIndex: 0,
    role: "application",
    "aria-label": t("screen.mend.the_wood", {
      value: side ? t("screen.mend.from_the_side_arrow_keys_move") : t("screen.mend.from_above_arrow_keys_move_it"),
    }),
    onPointerDown: drag(side),
    onKeyDown: key(side),
  });
  const room = wood && Math.min(...Object.values(wood.rooms));
  const inside = t("screen.mend.inside", {
    value: round ? "⌀" : "",
    join: [...inside_mm].reverse().map(mm).join(" × "),
  });
  const said = t("screen.mend.poured_deep", {
    inside,
    value:
      room === null || room === undefined
        ? t("screen.mend.in_it", { wood_ml: amountText(cast.wood_ml, "ml", unit) })
        : besideText(room, mm),
    mm: mm(depth_mm),
  });
  return (
    <>
      <Drawing ref={frame} viewBox={`0 0 ${WIDE} ${TALL}`} role="group" aria-label={t("screen.mend.mould", { said })}>
        {round ? (
          <circle
            cx={cx}
            cy={cy}
            r={(broad / 2) * scale}
            fill="var(--moss-pale)"
            stroke="var(--ink)"
            strokeWidth="2.5"
          />
        ) : (
          <rect
            x={GAP}
            y={cy - (broad * scale) / 2}
            width={long * scale}
            height={broad * scale}
            fill="var(--moss-pale)"
            stroke="var(--ink)"
            strokeWidth="2.5"
          />
        )}
        <path d={`M${cx - 5} ${cy}h10M${cx} ${cy - 5}v10`} stroke="var(--ink)" />
        {wood && (
          <g
            {...grip(false)}
            transform={`translate(${cx + at.x_mm * scale} ${cy + at.y_mm * scale}) rotate(${wood.turned_deg})`}
          >
            {wood.round ? (
              <circle r={(wood.along_mm / 2) * scale} fill="var(--wood)" stroke="var(--ink)" />
            ) : (
              <rect
                x={(-wood.along_mm / 2) * scale}
                y={(-wood.across_mm / 2) * scale}
                width={wood.along_mm * scale}
                height={wood.across_mm * scale}
                fill="var(--wood)"
                stroke="var(--ink)"
              />
            )}
            <path d="M-5 0h10M0 -5v10" stroke="var(--quiet)" />
          </g>
        )}
        <rect
          x={sx + 1.5}
          y={floor - depth_mm * scale - 1}
          width={long * scale - 3}
          height={depth_mm * scale}
          fill="var(--moss-pale)"
        />
        {wood && (
          <g
            {...grip(true)}
            transform={`translate(${sx + (long / 2 + at.x_mm) * scale} ${floor - at.up_mm * scale - 1})`}
          >
            <rect
              x={(-wood.along_mm / 2) * scale}
              y={-wood.tall_mm * scale}
              width={wood.along_mm * scale}
              height={wood.tall_mm * scale}
              fill="var(--wood)"
              stroke="var(--ink)"
            />
          </g>
        )}
        {cast.layers.map((_, index) => {
          const up = cast.layers.slice(0, index + 1).reduce((sum, layer) => sum + layer.thick_mm, 0) * scale;
          return (
            <path
              key={index}
              d={`M${sx + 2} ${floor - up}h${long * scale - 4}`}
              stroke="var(--moss)"
              strokeDasharray={index === cast.layers.length - 1 ? "none" : "5 3"}
              pointerEvents="none"
            />
          );
        })}
        <path
          d={`M${sx} ${floor - outside_depth_mm * scale}V${floor}h${long * scale}v${-outside_depth_mm * scale}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2.5"
        />
      </Drawing>
      <Quiet style={{ margin: "0 0 6px" }}>{said}.</Quiet>
    </>
  );
}
