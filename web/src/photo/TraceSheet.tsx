import { useState, type KeyboardEvent, type PointerEvent } from "react";
import styled from "styled-components";
import { Button } from "../kit/Button";
import { Choice } from "../kit/Choice";
import { LengthField } from "../kit/MeasureField";
import { focusRing, ink } from "../kit/theme";
import { Quiet, Row } from "../kit/parts";
import { OF_AN_END, pointed, takenBack, type Part, type Spot, type Tracing } from "./trace";
import { t } from "../i18n/texts";

const WIDE = 1000;
const PARTS: Record<Part, string> = {
  scale: t("screen.photo.scale"),
  axis: t("screen.photo.axis"),
  curve: t("screen.photo.curve"),
  outline: t("screen.photo.outline_"),
  centre: t("screen.photo.axis"),
  crack: t("screen.photo.crack"),
  void: t("screen.photo.pocket"),
  soft_zone: t("screen.photo.soft_wood"),
};
const HOW: Record<Part, string> = {
  scale: t("screen.photo.point_at_two_places_a_known"),
  axis: t("screen.photo.point_at_two_places_on_the"),
  curve: t("screen.photo.point_along_its_edge_from_one"),
  outline: t("screen.photo.mark_all_round"),
  centre: t("screen.photo.point_where_the_lathes_axis_is"),
  crack: t("screen.photo.point_along_the_crack_from_one"),
  void: t("screen.photo.point_at_its_middle_then_at"),
  soft_zone: t("screen.photo.point_at_its_middle_then_at"),
};

const Sheet = styled.svg`
  width: 100%;
  display: block;
  cursor: crosshair;
  touch-action: none;
  background: ${ink.waste};
  border: 1px solid ${ink.slate};
  ${focusRing}
`;

type Props = {
  src: string;
  parts?: readonly [Part, Part, ...Part[]];
  tracing: Tracing;
  /** The outline as the core took it, once it has. */ taken?: Spot[] | undefined;
  onChange: (tracing: Tracing) => void;
};

/** A photograph to point at: scale, outline, axis, and what is seen on it. With the keyboard the arrows move a cross and Enter puts a place down. */
export function TraceSheet({ src, parts = OF_AN_END, tracing, taken, onChange }: Props) {
  const [part, setPart] = useState<Part>("scale");
  const [fresh, setFresh] = useState(false);
  const [shape, setShape] = useState(0.75);
  const [cross, setCross] = useState<Spot>();
  const closed = parts.includes("outline");
  const place = (spot: Spot) => {
    onChange(pointed(tracing, part, spot, fresh));
    setFresh(false);
    const second = (part === "scale" && tracing.scale.length === 1) || (part === "axis" && tracing.axis?.length === 1);
    if (second) setPart(parts[parts.indexOf(part) + 1] ?? part);
  };
  const press = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    event.currentTarget.focus();
    place([(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.width]);
  };
  const key = (event: KeyboardEvent) => {
    const step = event.shiftKey ? 0.002 : 0.02;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key];
    const [x, y] = cross ?? [0.5, shape / 2];
    if (by) setCross([Math.min(1, Math.max(0, x + (by[0] ?? 0))), Math.min(shape, Math.max(0, y + (by[1] ?? 0)))]);
    if (event.key === "Enter") place([x, y]);
    if (event.key === "Backspace") onChange(takenBack(tracing, part));
    if (by || event.key === "Enter" || event.key === "Backspace") event.preventDefault();
  };

  return (
    <div style={{ display: "grid", gap: 10 }}>
      <Choice
        label={t("screen.photo.point_at")}
        value={part}
        options={Object.fromEntries(parts.map((key) => [key, PARTS[key]])) as Record<Part, string>}
        onChange={(chosen) => {
          setPart(chosen);
          setFresh(chosen === "crack");
        }}
      />
      <Quiet style={{ margin: 0 }}>{HOW[part]}</Quiet>
      <Sheet
        viewBox={`0 0 ${WIDE} ${WIDE * shape}`}
        tabIndex={0}
        role="application"
        onPointerDown={press}
        onKeyDown={key}
        data-trace
        aria-label={t("screen.photo.photograph_to_trace_of_2_places", {
          count: tracing.scale.length,
          count_2: tracing.outline.length,
          value: closed ? t("screen.photo.outline") : t("screen.photo.curve_2"),
          count_3: tracing.marks.length,
        })}
      >
        <image
          href={src}
          width={WIDE}
          onLoad={(event) => void measured(event.currentTarget).then(setShape)}
          pointerEvents="none"
        />
        <Drawn {...{ tracing, taken, closed }} />
        {cross && (
          <path
            d={`M${cross[0] * WIDE - 16} ${cross[1] * WIDE}h32M${cross[0] * WIDE} ${cross[1] * WIDE - 16}v32`}
            stroke={ink.moss}
            strokeWidth="3"
            pointerEvents="none"
          />
        )}
      </Sheet>
      <Row>
        <div style={{ width: 190 }}>
          <LengthField
            label={t("screen.photo.the_two_places_are_apart")}
            value={tracing.mm}
            onChange={(mm) => onChange({ ...tracing, mm })}
          />
        </div>
        <Button onPress={() => onChange(takenBack(tracing, part))}>{t("screen.photo.take_one_back")}</Button>
        {part === "crack" && (
          <Button onPress={() => setFresh(true)} isDisabled={fresh}>
            {t("screen.photo.another_crack")}
          </Button>
        )}
      </Row>
    </div>
  );
}

/** Height over width of the picture as it is shown. */
const measured = (image: SVGImageElement) =>
  new Promise<number>((done) => {
    const probe = new Image();
    probe.onload = () => done(probe.naturalHeight / probe.naturalWidth);
    probe.src = image.href.baseVal;
  });

const at = ([x, y]: Spot): string => `${(x * WIDE).toFixed(1)} ${(y * WIDE).toFixed(1)}`;
const line = (spots: Spot[], closed = false) =>
  spots.length > 0 ? `M${spots.map(at).join("L")}${closed ? "Z" : ""}` : "";

/** What has been put down, in ink with a pale edge so that it shows on any wood. */
function Drawn({ tracing, taken, closed }: { tracing: Tracing; taken: Spot[] | undefined; closed: boolean }) {
  const { scale, axis = [], outline, centre, marks } = tracing;
  const dots = [...scale, ...axis, ...outline];
  const paths = [
    { d: line(scale), stroke: ink.moss, dash: "10 6" },
    { d: line(axis), stroke: ink.ink, dash: "18 5 3 5" },
    { d: taken ? line(taken, true) : line(outline, closed && outline.length > 2), stroke: ink.ink, dash: "none" },
    ...marks
      .filter(({ type }) => type === "crack")
      .map(({ points }) => ({ d: line((points ?? []) as Spot[]), stroke: ink.rust, dash: "none" })),
  ];
  return (
    <g pointerEvents="none" fill="none">
      {paths.map(({ d, stroke, dash }, index) => (
        <g key={index}>
          <path d={d} stroke={ink.paper} strokeWidth="7" />
          <path d={d} stroke={stroke} strokeWidth="3.5" strokeDasharray={dash} />
        </g>
      ))}
      {marks
        .filter(({ type }) => type !== "crack")
        .map(({ type, centre: middle, edge }, index) => {
          const [x, y] = middle as Spot;
          const [ex, ey] = (edge ?? [x + 6 / WIDE, y]) as Spot;
          return (
            <circle
              key={index}
              cx={x * WIDE}
              cy={y * WIDE}
              r={Math.hypot(ex - x, ey - y) * WIDE}
              stroke={ink.rust}
              strokeWidth="3.5"
              strokeDasharray={type === "void" ? "12 5 3 5" : "3 6"}
            />
          );
        })}
      {dots.map((spot, index) => (
        <rect
          key={index}
          x={spot[0] * WIDE - 5}
          y={spot[1] * WIDE - 5}
          width="10"
          height="10"
          fill={ink.paper}
          stroke={ink.ink}
          strokeWidth="2"
        />
      ))}
      {centre && (
        <path
          d={`M${centre[0] * WIDE - 14} ${centre[1] * WIDE}h28M${centre[0] * WIDE} ${centre[1] * WIDE - 14}v28`}
          stroke={ink.ink}
          strokeWidth="4"
        />
      )}
    </g>
  );
}
