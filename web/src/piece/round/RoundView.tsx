import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import styled from "styled-components";
import { t } from "../../i18n/texts";
import { Quiet } from "../../kit/parts";
import { focusRing, ink } from "../../kit/theme";
import type { Look } from "../types";
import { stripsOf } from "./loop";
import { RoundScene } from "./scene";
import { stuffOf } from "./stuff";

const STEP_RAD = Math.PI / 24;
const ZOOM_STEP = 1.12;

const Frame = styled.div`
  ${focusRing}
  width: 100%;
  height: 100%;
  background: ${ink.ground};
  min-height: 0;
  overflow: hidden;
  touch-action: none;
  cursor: grab;
  canvas {
    display: block;
  }
  &:focus-visible {
    outline: 3px solid ${ink.ochre};
    outline-offset: -3px;
  }
`;

export type Painted = "stuff" | "wall";
type Props = { look: Look; by: Painted; ghost: boolean; words: string };

/** The piece in the round: its stuff, its defects, a quarter cut out from the clock hand on; turned by dragging or by keys. */
export default function RoundView({ look, by, ghost, words }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const scene = useRef<RoundScene>(undefined);
  const [missing] = useState(() => document.createElement("canvas").getContext("webgl2") === null);
  const { geometry, clockDeg } = look;
  const strips = useMemo(() => stripsOf(geometry), [geometry]);
  const stuff = useMemo(() => stuffOf(look.document, look.document.defects, geometry), [look.document, geometry]);

  useEffect(() => {
    const box = frame.current;
    if (!box || missing) return undefined;
    const own = new RoundScene(box);
    scene.current = own;
    const watch = new ResizeObserver(() => own.fit());
    watch.observe(box);
    return () => {
      watch.disconnect();
      own.close();
    };
  }, [missing]);
  useEffect(() => scene.current?.shape(geometry, strips, ghost), [geometry, strips, ghost]);
  useEffect(() => scene.current?.paint(stuff, by), [geometry, strips, ghost, stuff, by]);
  useEffect(() => scene.current?.cut(clockDeg), [geometry, strips, ghost, stuff, by, clockDeg]);

  const drag = (event: PointerEvent) => {
    if (event.buttons > 0) scene.current?.turn(event.movementX * 0.01, event.movementY * 0.01);
  };
  const keys = (event: KeyboardEvent) => {
    const act = {
      ArrowLeft: () => scene.current?.turn(-STEP_RAD, 0),
      ArrowRight: () => scene.current?.turn(STEP_RAD, 0),
      ArrowUp: () => scene.current?.turn(0, -STEP_RAD),
      ArrowDown: () => scene.current?.turn(0, STEP_RAD),
      "+": () => scene.current?.zoom(ZOOM_STEP),
      "-": () => scene.current?.zoom(1 / ZOOM_STEP),
      Home: () => scene.current?.home(),
    }[event.key];
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };
  if (missing) return <Quiet role="status">{t("screen.piece.no_webgl")}</Quiet>;
  return (
    <Frame
      ref={frame}
      tabIndex={0}
      role="img"
      aria-label={words}
      onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
      onPointerMove={drag}
      onWheel={(event) => scene.current?.zoom(event.deltaY < 0 ? ZOOM_STEP : 1 / ZOOM_STEP)}
      onKeyDown={keys}
    />
  );
}
