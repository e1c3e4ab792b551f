import { useEffect, useMemo, useRef, useState } from "react";
import styled from "styled-components";
import type { Document, Geometry } from "../api/document";
import { t } from "../i18n/texts";
import { Quiet } from "../kit/parts";
import { ink } from "../kit/theme";
import { stuffOf } from "../piece/round/stuff";
import { SpinScene, type Rest } from "./spin";

const Frame = styled.div`
  width: 100%;
  height: 100%;
  min-height: 0;
  overflow: hidden;
  background: ${ink.ground};
  color: ${ink.ink};
  canvas {
    display: block;
  }
`;

const LESS_MOTION = "(prefers-reduced-motion: reduce)";

type Props = { document: Document; geometry: Geometry; rpm: number; clockDeg: number; rest: Rest; words: string };

/** The piece on the screen lathe, turning as fast as it is told; still, with the outline it runs out to, where motion is not wanted. */
export default function SpinView({ document: draft, geometry, rpm, clockDeg, rest, words }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const scene = useRef<SpinScene>(undefined);
  const [missing] = useState(() => document.createElement("canvas").getContext("webgl2") === null);
  const stuff = useMemo(() => stuffOf(draft, draft.defects, geometry), [draft, geometry]);
  const [restZ, restR] = [rest?.zMm, rest?.rMm];
  useEffect(() => {
    const box = frame.current;
    if (!box || missing) return undefined;
    const own = new SpinScene(box, window.matchMedia(LESS_MOTION).matches);
    scene.current = own;
    const watch = new ResizeObserver(() => own.fit());
    watch.observe(box);
    const count = setInterval(() => (box.dataset["frames"] = String(own.frames)), 500);
    return () => {
      clearInterval(count);
      watch.disconnect();
      own.close();
    };
  }, [missing]);
  useEffect(
    () =>
      scene.current?.shape(
        geometry,
        stuff,
        restZ === undefined || restR === undefined ? undefined : { zMm: restZ, rMm: restR },
      ),
    [geometry, stuff, restZ, restR],
  );
  useEffect(() => scene.current?.run(rpm, clockDeg), [rpm, clockDeg, geometry, stuff]);
  if (missing) return <Quiet role="status">{t("screen.piece.no_webgl")}</Quiet>;
  return <Frame ref={frame} role="img" aria-label={words} />;
}
