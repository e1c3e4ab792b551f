// The screen lathe's picture: the piece as it is cut now, standing or turning. Turning fast it is drawn as the eye sees it:
// solid as far out as there is wood all round, beyond that the fainter the less of a turn there is wood.
import {
  AmbientLight,
  BoxGeometry,
  BufferGeometry,
  Color,
  CylinderGeometry,
  DirectionalLight,
  DoubleSide,
  Float32BufferAttribute,
  Group,
  Line,
  LineBasicMaterial,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  Scene,
  WebGLRenderer,
  type Object3D,
} from "three";
import type { Geometry } from "../api/document";
import { fitted } from "../piece/round/camera";
import { stripsOf, type LoopPoint } from "../piece/round/loop";
import { paintSkin } from "../piece/round/paint";
import { cornerOf, swept, textureOf } from "../piece/round/solid";
import type { Stuff } from "../piece/round/stuff";
import { Phases } from "./phases";
import { reachedFor, reaches, revolved, ringColour, type Ring } from "./turned";

/** From here on the eye sees rings and haze, no longer the piece itself. */
const BLURS_FROM_RPM = 130;
/** Shares of a turn with wood at which a shell of haze begins. */
const HAZE = [0.75, 0.5, 0.25, 0.02];
const SKIN = { width: 384, height: 192 };
const STEEL = 0x56616a;
/** Room for the headstock beside the piece. */
const HEAD_MM = 80;
/** The side of a piece that is nearer to the eye looks so much larger. */
const NEARER = 1.5;
/** At so many places of a turn it is drawn: as rings and haze nothing but their colour changes. */
const PLACES = { blurred: 12, clear: 48 };
/** What stands is drawn once, and as finely as a dense screen can show. */
const STANDING = 2;

function letGo(group: Object3D) {
  group.traverse((part) => {
    if (part instanceof Mesh || part instanceof Line) (part.geometry as BufferGeometry).dispose();
  });
  group.clear();
}

export type Rest = { zMm: number; rMm: number } | undefined;

/** One scene for one screen lathe. `close` lets go of everything. */
export class SpinScene {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(28, 1, 1, 20000);
  private readonly standing = new Group();
  private readonly turning = new Group();
  private readonly lathe = new Group();
  private readonly ghost = new Group();
  private readonly skin = new MeshLambertMaterial({ side: DoubleSide, alphaTest: 0.5 });
  private readonly solid = new MeshLambertMaterial({ side: DoubleSide, vertexColors: true });
  private readonly haze = HAZE.map(
    (share) =>
      new MeshLambertMaterial({
        side: DoubleSide,
        vertexColors: true,
        transparent: true,
        opacity: 0.12 + 0.3 * share,
        depthWrite: false,
      }),
  );
  private readonly steel = new MeshLambertMaterial({ color: STEEL });
  private readonly outline = new LineBasicMaterial({ transparent: true, opacity: 0.6 });
  private rpm = 0;
  private turn = 0;
  private before: number | undefined;
  private asked = 0;
  private wideMm = 100;
  private tallMm = 100;
  private readonly phases = new Phases((turn) => this.pictureAt(turn));
  /** Pictures of its turning since it began, each another than the one before; for who measures. */
  frames = 0;

  constructor(
    private readonly box: HTMLElement,
    private readonly still: boolean,
  ) {
    this.renderer = new WebGLRenderer({ antialias: true });
    const lamp = new DirectionalLight(0xfff4e0, 2.2);
    lamp.position.set(-1, 3, 4);
    this.scene.add(this.standing, this.turning, this.lathe, this.ghost, new AmbientLight(0xffffff, 1.1), lamp);
    this.outline.color = new Color(getComputedStyle(box).color);
    this.renderer.setClearColor(new Color(getComputedStyle(box).backgroundColor));
    box.replaceChildren(this.phases.shown);
    this.fit();
  }

  /** The piece as it is cut now, and where the edge stands. */
  shape(geometry: Geometry, stuff: Stuff, rest: Rest) {
    const strips = stripsOf(geometry);
    const middle = geometry.length_mm / 2;
    [this.standing, this.turning, this.ghost, this.lathe].forEach(letGo);
    for (const part of swept(strips, geometry, [0, 360])) this.standing.add(new Mesh(part, this.skin));
    this.skin.map?.dispose();
    this.skin.map = textureOf(paintSkin(strips, geometry, stuff, "stuff", SKIN));
    this.skin.needsUpdate = true;
    const points = strips.flat();
    const sorted = points.map((point) => reaches(geometry, point));
    this.addTurning(points, sorted, stuff);
    this.addGhost(points, sorted);
    this.addLathe(geometry, rest);
    for (const group of [this.standing, this.turning, this.ghost]) group.position.x = -middle;
    this.lathe.position.x = -middle;
    this.wideMm = geometry.length_mm + 2 * HEAD_MM;
    this.tallMm = NEARER * 2 * geometry.max_radius_mm;
    this.fit();
  }

  /** How fast it turns; 0 while it stands. `clockDeg`: hour that is turned up to the eye while it stands. */
  run(rpm: number, clockDeg: number) {
    this.rpm = rpm;
    if (rpm === 0) this.turn = (clockDeg + 40) / 360;
    this.renderer.setPixelRatio(rpm > 0 && !this.still ? 1 : STANDING);
    this.before = undefined;
    this.drawAnew();
  }

  fit() {
    const aspect = this.box.clientWidth / Math.max(1, this.box.clientHeight);
    const sizeMm = Math.max(this.wideMm / Math.max(1, aspect), this.tallMm * Math.min(1, aspect));
    const away = fitted(this.box, this.renderer, this.camera, sizeMm);
    if (away === undefined) return;
    this.camera.position.set(away * 0.16 - HEAD_MM / 2, away * 0.3, away * 0.94);
    this.camera.lookAt(-HEAD_MM / 2, 0, 0);
    this.camera.updateProjectionMatrix();
    this.drawAnew();
  }

  close() {
    cancelAnimationFrame(this.asked);
    [this.standing, this.turning, this.ghost, this.lathe].forEach(letGo);
    this.skin.map?.dispose();
    [this.skin, this.solid, ...this.haze, this.steel, this.outline].forEach((material) => material.dispose());
    this.renderer.dispose();
    this.box.replaceChildren();
  }

  private addTurning(points: LoopPoint[], sorted: number[][], stuff: Stuff) {
    const rings = (share: number) =>
      points.map(({ zMm }, index): Ring => ({ zMm, rMm: reachedFor(sorted[index] ?? [], share) }));
    const colour = ringColour(stuff);
    const sure = rings(1);
    this.turning.add(new Mesh(revolved(sure, colour), this.solid));
    HAZE.forEach((share, index) => {
      const shell = rings(share);
      const beyond = shell.some(({ rMm }, place) => rMm > (sure[place]?.rMm ?? 0) + 0.4);
      if (beyond) this.turning.add(new Mesh(revolved(shell, colour), this.haze[index]));
    });
  }

  /** What it runs out to, for who wants nothing to move. */
  private addGhost(points: LoopPoint[], sorted: number[][]) {
    for (const clockDeg of [0, 180]) {
      const line = new BufferGeometry();
      const corners = points.flatMap(({ zMm }, index) => cornerOf(zMm, clockDeg, sorted[index]?.at(-1) ?? 0));
      line.setAttribute("position", new Float32BufferAttribute(corners, 3));
      this.ghost.add(new Line(line, this.outline));
    }
  }

  private addLathe({ length_mm, max_radius_mm }: Geometry, rest: Rest) {
    const r = Math.max(20, max_radius_mm * 0.28);
    const head = new Mesh(new BoxGeometry(60, 3.2 * r, 2.6 * r), this.steel);
    head.position.set(-78, -0.35 * r, 0);
    const chuck = new Mesh(new CylinderGeometry(r, r, 46, 32), this.steel);
    chuck.rotation.z = Math.PI / 2;
    chuck.position.x = -25;
    this.lathe.add(head, chuck);
    if (!rest) return;
    const bar = new Mesh(new BoxGeometry(Math.max(60, length_mm * 0.7), 8, 12), this.steel);
    bar.position.set(rest.zMm, -4, rest.rMm + 16);
    const tool = new Mesh(new CylinderGeometry(3, 4, 70, 12), this.steel);
    tool.rotation.x = Math.PI / 2;
    tool.position.set(rest.zMm, 2, rest.rMm + 38);
    this.lathe.add(bar, tool);
  }

  private drawAnew() {
    this.phases.forget(this.renderer.domElement);
    this.draw();
  }

  private draw() {
    cancelAnimationFrame(this.asked);
    this.asked = requestAnimationFrame((now) => this.frame(now));
  }

  private get moving() {
    return this.rpm > 0 && !this.still;
  }

  private get blurred() {
    return this.moving && this.rpm >= BLURS_FROM_RPM;
  }

  private frame(now: number) {
    const sinceMs = now - (this.before ?? now);
    this.before = now;
    if (this.moving) {
      this.turn = (this.turn + (sinceMs / 60000) * this.rpm) % 1;
      if (this.phases.turned(this.turn, this.blurred ? PLACES.blurred : PLACES.clear)) this.frames += 1;
      this.draw();
    } else this.phases.still(this.turn);
  }

  private pictureAt(turn: number) {
    this.standing.visible = !this.blurred;
    this.turning.visible = this.blurred;
    this.ghost.visible = this.rpm > 0 && !this.blurred;
    this.standing.rotation.x = this.turning.rotation.x = turn * 2 * Math.PI;
    this.renderer.render(this.scene, this.camera);
    return this.renderer.domElement;
  }
}
