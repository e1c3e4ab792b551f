import { useEffect, useRef, useState, type KeyboardEvent } from "react";
import styled from "styled-components";
import {
  BufferGeometry,
  Color,
  DirectionalLight,
  DoubleSide,
  Float32BufferAttribute,
  Group,
  HemisphereLight,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  Scene,
  SphereGeometry,
  WebGLRenderer,
} from "three";
import { isPath, type Defect, type Geometry } from "../../api/document";
import { focusRing, ink } from "../../kit/theme";
import { Quiet } from "../../kit/parts";
import { pathPoints, surfaceMm } from "../../piece/geometry";
import { t } from "../../i18n/texts";

const AROUND = 96;
const STEP_RAD = Math.PI / 24;
/** Where the quarter is cut out of the piece, from the hand on. */
const CUT_DEG = 90;

const Frame = styled.div`
  ${focusRing}
  height: 340px;
  border: 1px solid ${ink.rule};
  background: ${ink.ground};
  touch-action: none;
  cursor: grab;
  canvas {
    display: block;
  }
  &:focus-visible {
    outline: 3px solid ${ink.ochre};
  }
`;

type Props = { geometry: Geometry; defects: Defect[]; clockDeg: number; name: string };
type Corner = [number, number, number];

/** Along the axis to the right, 12 o'clock up; seen from the tail, 3 o'clock lies to the right, which is away from the eye here. */
const place = (zMm: number, clockDeg: number, rMm: number): Corner => {
  const angle = (clockDeg * Math.PI) / 180;
  return [zMm, rMm * Math.cos(angle), -rMm * Math.sin(angle)];
};

/** Rings of a round, joined; each ring [z, radius by the hour]. Only over the hours from to. */
function shell(
  rings: { zMm: number; rMm: (clockDeg: number) => number }[],
  fromDeg: number,
  toDeg: number,
): BufferGeometry {
  const steps = Math.max(2, Math.round((AROUND * (toDeg - fromDeg)) / 360));
  const at = (ring: (typeof rings)[number], step: number) => {
    const clock = fromDeg + ((toDeg - fromDeg) * step) / steps;
    return place(ring.zMm, clock, ring.rMm(clock));
  };
  const corners: Corner[] = [];
  rings.slice(1).forEach((ring, index) => {
    const before = rings[index] ?? ring;
    for (let step = 0; step < steps; step++)
      corners.push(
        at(before, step),
        at(ring, step),
        at(ring, step + 1),
        at(before, step),
        at(ring, step + 1),
        at(before, step + 1),
      );
  });
  return solid(corners);
}

function solid(corners: Corner[]): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new Float32BufferAttribute(corners.flat(), 3));
  geometry.computeVertexNormals();
  return geometry;
}

/** The cut face of the wall at one hour: a strip between inside and outside. */
function cutFace({ form, ...geometry }: Geometry, clockDeg: number): BufferGeometry {
  if (!form) return solid([]);
  const reach = (z: number, r: number) => Math.min(r, surfaceMm({ ...geometry, form }, clockDeg, z));
  const innerAt = (z: number) => {
    const inside = form.inside ?? [];
    const index = inside.findIndex(([at = 0]) => at >= z);
    const [z1 = 0, r1 = 0] = inside[index] ?? [];
    const [z0 = z1, r0 = r1] = inside[Math.max(0, index - 1)] ?? [];
    return index < 0 || z < (inside[0]?.[0] ?? 0) ? 0 : z1 > z0 ? r0 + ((r1 - r0) * (z - z0)) / (z1 - z0) : r1;
  };
  const levels = [...form.outside.map(([z = 0]) => z), ...(form.inside ?? []).map(([z = 0]) => z)].sort(
    (a, b) => a - b,
  );
  const outerAt = (z: number) => {
    const index = Math.max(
      1,
      form.outside.findIndex(([at = 0]) => at >= z),
    );
    const [z0 = 0, r0 = 0] = form.outside[index - 1] ?? [];
    const [z1 = 0, r1 = 0] = form.outside[index] ?? [];
    return reach(z, z1 > z0 ? r0 + ((r1 - r0) * (z - z0)) / (z1 - z0) : r1);
  };
  const corners: Corner[] = [];
  levels.slice(1).forEach((z, index) => {
    const below = levels[index] ?? z;
    if (z - below < 1e-6) return;
    const pair = (at: number): [Corner, Corner] => [
      place(at, clockDeg, Math.min(innerAt(at), outerAt(at))),
      place(at, clockDeg, outerAt(at)),
    ];
    const [a, b] = pair(below + 1e-6);
    const [c, d] = pair(z - 1e-6);
    corners.push(a, b, d, a, d, c);
  });
  return solid(corners);
}

/** A crack or seam as the sheet it is, from its mouth inward. */
function sheet(defect: Defect, geometry: Geometry): BufferGeometry {
  if (!isPath(defect)) return solid([]);
  const inward = { side: 0, head_face: 1, tail_face: -1 }[defect.enters];
  const points = pathPoints(defect, geometry).map(
    ({ clockDeg, zMm, rMm }) =>
      [
        place(zMm, clockDeg, rMm),
        place(zMm + inward * defect.depth_mm, clockDeg, inward === 0 ? Math.max(0, rMm - defect.depth_mm) : rMm),
      ] as const,
  );
  return solid(
    points.slice(1).flatMap(([mouth, tip], index) => {
      const [before, deep] = points[index] ?? [mouth, tip];
      return [before, mouth, tip, before, tip, deep];
    }),
  );
}

/** The finished piece within the blank, a quarter cut out, with what was found in it. Turned by dragging or by the arrow keys. */
export default function Turntable({ geometry, defects, clockDeg, name }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const turnBy = useRef<(around: number, up: number) => void>(() => undefined);
  const [missing] = useState(() => document.createElement("canvas").getContext("webgl2") === null);

  useEffect(() => {
    const box = frame.current;
    if (!box) return undefined;
    const renderer = new WebGLRenderer({ antialias: true, alpha: true });
    const style = getComputedStyle(document.documentElement);
    const colour = (property: string) => new Color(style.getPropertyValue(property.slice(4, -1)).trim());
    const scene = new Scene();
    const piece = new Group();
    const paint = (paper: string, opacity = 1) =>
      new MeshLambertMaterial({
        color: colour(paper),
        side: DoubleSide,
        transparent: opacity < 1,
        opacity,
        depthWrite: opacity === 1,
      });
    const add = (shape: BufferGeometry, material: MeshLambertMaterial) => piece.add(new Mesh(shape, material));
    const { surface, form, length_mm } = geometry;
    const rings = surface.z_mm.map((zMm) => ({ zMm, rMm: (clock: number) => surfaceMm(geometry, clock, zMm) }));
    add(shell(rings, 0, 360), paint(ink.slate, 0.16));
    if (form) {
      const round = (points: number[][]) =>
        points.map(([zMm = 0, r = 0]) => ({
          zMm,
          rMm: (clock: number) => Math.min(r, surfaceMm(geometry, clock, zMm)),
        }));
      const wood = paint(ink.ochre);
      for (const line of [form.outside, ...(form.inside ? [form.inside] : [])])
        add(shell(round(line), clockDeg + CUT_DEG, clockDeg + 360), wood);
      for (const hour of [clockDeg, clockDeg + CUT_DEG]) add(cutFace(geometry, hour), paint(ink.paper));
    }
    for (const defect of defects) {
      if (isPath(defect)) add(sheet(defect, geometry), paint(ink.rust, 0.75));
      else {
        const { clock_deg, r_mm, z_mm } = defect.centre;
        const [radial = 1, tangential = 1, axial = 1] = defect.size_mm;
        const ball = new Mesh(
          new SphereGeometry(0.5, 20, 14),
          paint(defect.type === "resin_body" ? ink.moss : ink.rust, 0.6),
        );
        ball.scale.set(axial, radial, tangential);
        ball.position.set(...place(z_mm, clock_deg, r_mm));
        ball.rotation.x = (-clock_deg * Math.PI) / 180;
        piece.add(ball);
      }
    }
    piece.position.x = -length_mm / 2;
    const table = new Group();
    table.add(piece);
    table.rotation.set(0.35, -0.6, 0);
    scene.add(table, new HemisphereLight(0xffffff, 0x665f50, 2.2));
    const lamp = new DirectionalLight(0xffffff, 1.6);
    lamp.position.set(1, 2, 3);
    scene.add(lamp);
    const wide = box.clientWidth;
    const tall = box.clientHeight;
    const camera = new PerspectiveCamera(32, wide / tall, 1, 20000);
    camera.position.z = 2.1 * Math.hypot(length_mm, 2 * geometry.max_radius_mm);
    renderer.setSize(wide, tall);
    renderer.setPixelRatio(window.devicePixelRatio);
    box.replaceChildren(renderer.domElement);
    const draw = () => renderer.render(scene, camera);
    turnBy.current = (around, up) => {
      table.rotation.y += around;
      table.rotation.x = Math.max(-1.5, Math.min(1.5, table.rotation.x + up));
      draw();
    };
    draw();
    return () => {
      piece.traverse((part) => {
        if (part instanceof Mesh) (part.geometry as BufferGeometry).dispose();
      });
      renderer.dispose();
      box.replaceChildren();
    };
  }, [geometry, defects, clockDeg]);

  const press = (event: React.PointerEvent) => {
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const drag = (event: React.PointerEvent) => {
    if (event.buttons > 0) turnBy.current(event.movementX * 0.01, event.movementY * 0.01);
  };
  const keys = (event: KeyboardEvent) => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    turnBy.current((by[0] ?? 0) * STEP_RAD, (by[1] ?? 0) * STEP_RAD);
  };
  if (missing) return <Quiet role="status">{t("screen.form.this_browser_draws_nothing_in_the")}</Quiet>;
  return (
    <>
      <Frame
        ref={frame}
        tabIndex={0}
        role="img"
        aria-label={t("screen.form.in_the_round_a_quarter_cut", { name })}
        onPointerDown={press}
        onPointerMove={drag}
        onKeyDown={keys}
      />
      <Quiet>{t("screen.form.drag_it_or_turn_it_with")}</Quiet>
    </>
  );
}
