import {
  BufferGeometry,
  Color,
  DirectionalLight,
  DoubleSide,
  Float32BufferAttribute,
  Group,
  HemisphereLight,
  Line,
  LineBasicMaterial,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  PerspectiveCamera,
  Scene,
  WebGLRenderer,
} from "three";
import type { Geometry } from "../../api/document";
import { fitted } from "./camera";
import type { LoopPoint } from "./loop";
import { paintFace, paintSkin, type Picture } from "./paint";
import { cutFace, ghostLines, swept, textureOf } from "./solid";
import type { Stuff } from "./stuff";

/** The quarter that is cut out, from the clock hand on. */
const CUT_DEG = 90;
/** Texels of a surface: few while the hand moves, many once it rests. */
const SKIN = { quick: { width: 160, height: 96 }, fine: { width: 768, height: 512 } };
const FACE = { quick: { width: 96, height: 64 }, fine: { width: 384, height: 256 } };
/** Where the middle of the opening is turned to, from straight up towards the eye. */
const FACING_DEG = 55;
const REST_MS = 160;
/** Pixels drawn for one on the screen, each way, while nothing moves. */
const [MOVING_RATIO, AT_REST_RATIO] = [0.8, 2];
const HOME: [number, number] = [0.42, -0.62];

/** One three.js scene with the piece in it; draws only when something has changed. */
export class RoundScene {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(30, 1, 1, 20000);
  private readonly table = new Group();
  private readonly piece = new Group();
  private readonly cutParts = new Group();
  private readonly skin = new MeshLambertMaterial({ side: DoubleSide, alphaTest: 0.5 });
  private readonly faces = [0, 1].map(() => new MeshBasicMaterial({ side: DoubleSide }));
  private of: { geometry: Geometry; strips: LoopPoint[][] } | undefined;
  private stuff: Stuff | undefined;
  private by: "stuff" | "wall" = "stuff";
  private distance = 1;
  private resting: number | undefined;
  private still: number | undefined;
  private asked = 0;

  constructor(private readonly box: HTMLElement) {
    this.renderer = new WebGLRenderer({ antialias: false });
    this.table.rotation.set(...HOME, 0);
    this.table.add(this.piece);
    this.piece.add(this.cutParts);
    const lamp = new DirectionalLight(0xfff4e0, 1.9);
    lamp.position.set(-1, 3, 4);
    this.scene.add(this.table, new HemisphereLight(0xffffff, 0x6b6250, 1.7), lamp);
    box.replaceChildren(this.renderer.domElement);
    this.fit();
  }

  /** Another piece, with or without the blank it comes out of round it. */
  shape(geometry: Geometry, strips: LoopPoint[][], ghost: boolean) {
    this.of = { geometry, strips };
    for (const part of [...this.piece.children]) if (part !== this.cutParts) this.remove(this.piece, part as Line);
    const styled = getComputedStyle(this.box);
    const colour = new Color(styled.color);
    if (ghost && geometry.form)
      for (const corners of ghostLines(geometry)) {
        const line = new BufferGeometry();
        line.setAttribute("position", new Float32BufferAttribute(corners.flat(), 3));
        this.piece.add(new Line(line, new LineBasicMaterial({ color: colour, transparent: true, opacity: 0.45 })));
      }
    // The theme may have changed since.
    this.renderer.setClearColor(new Color(styled.backgroundColor));
    this.piece.position.x = -geometry.length_mm / 2;
    this.distance = 1.08 * Math.hypot(geometry.length_mm, 2 * geometry.max_radius_mm);
    this.fit();
  }

  /** What its surfaces are painted with. */
  paint(stuff: Stuff, by: "stuff" | "wall") {
    this.stuff = stuff;
    this.by = by;
    this.paintSkin("quick");
  }

  /** Cut open from this hour on. */
  cut(clockDeg: number) {
    if (!this.of) return;
    const { geometry, strips } = this.of;
    for (const part of [...this.cutParts.children]) this.remove(this.cutParts, part as Mesh);
    for (const mesh of swept(strips, geometry, [clockDeg + CUT_DEG, clockDeg + 360]))
      this.cutParts.add(new Mesh(mesh, this.skin));
    this.faces.forEach((material, index) =>
      this.cutParts.add(new Mesh(cutFace(strips, geometry, clockDeg + index * CUT_DEG), material)),
    );
    // The opening faces the eye.
    this.piece.rotation.x = ((clockDeg + CUT_DEG / 2 + FACING_DEG) * Math.PI) / 180;
    this.paintFaces(clockDeg, "quick");
    window.clearTimeout(this.resting);
    this.resting = window.setTimeout(() => {
      this.paintSkin("fine");
      this.paintFaces(clockDeg, "fine");
    }, REST_MS);
  }

  turn(around: number, up: number) {
    this.table.rotation.y += around;
    this.table.rotation.x = Math.max(-1.5, Math.min(1.5, this.table.rotation.x + up));
    this.draw();
  }

  zoom(by: number) {
    this.camera.zoom = Math.max(0.6, Math.min(5, this.camera.zoom * by));
    this.camera.updateProjectionMatrix();
    this.draw();
  }

  home() {
    this.table.rotation.set(...HOME, 0);
    this.camera.zoom = 1;
    this.fit();
  }

  /** To the size of its box. */
  fit() {
    const away = fitted(this.box, this.renderer, this.camera, this.distance);
    if (away === undefined) return;
    this.camera.position.z = away;
    this.camera.updateProjectionMatrix();
    this.draw();
  }

  close() {
    window.clearTimeout(this.resting);
    window.clearTimeout(this.still);
    cancelAnimationFrame(this.asked);
    for (const material of [this.skin, ...this.faces]) {
      material.map?.dispose();
      material.dispose();
    }
    this.piece.traverse((part) => part instanceof Mesh && (part.geometry as BufferGeometry).dispose());
    this.renderer.dispose();
    this.box.replaceChildren();
  }

  private paintSkin(how: keyof typeof SKIN) {
    if (!this.of || !this.stuff) return;
    const { geometry, strips } = this.of;
    this.put(this.skin, paintSkin(strips, geometry, this.stuff, this.by, SKIN[how]));
  }

  private paintFaces(clockDeg: number, how: keyof typeof FACE) {
    this.faces.forEach((material, index) => {
      if (!this.of || !this.stuff) return;
      this.put(material, paintFace(this.of.geometry, this.stuff, this.by, clockDeg + index * CUT_DEG, FACE[how]));
    });
  }

  private put(material: MeshLambertMaterial | MeshBasicMaterial, picture: Picture) {
    material.map?.dispose();
    material.map = textureOf(picture);
    material.needsUpdate = true;
    this.draw();
  }

  private remove(from: Group, part: Mesh | Line) {
    from.remove(part);
    part.geometry.dispose();
  }

  /** At once in few pixels, so that it follows the hand; in more, smooth at the edges, once it rests. */
  private draw() {
    this.render(MOVING_RATIO);
    window.clearTimeout(this.still);
    this.still = window.setTimeout(() => this.render(AT_REST_RATIO), REST_MS);
  }

  private render(ratio: number) {
    cancelAnimationFrame(this.asked);
    this.asked = requestAnimationFrame(() => {
      if (this.renderer.getPixelRatio() !== ratio) this.renderer.setPixelRatio(ratio);
      this.renderer.render(this.scene, this.camera);
    });
  }
}
