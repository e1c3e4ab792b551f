// The pictures of one turn. Without a graphics card a picture of the scene takes a tenth of a second, and after a turn
// the same ones come again: each is drawn once, kept, and shown from memory ever after.

/** So much memory the kept pictures of one turn may take, at four bytes a point; never fewer than LEAST of them. */
const MOST_BYTES = 64e6;
const LEAST = 8;

/** Draws the scene turned by that much of a turn, onto a canvas of its own. */
export type DrawTurned = (turn: number) => HTMLCanvasElement;

export class Phases {
  /** What is looked at. */
  readonly shown = document.createElement("canvas");
  private kept: (HTMLCanvasElement | undefined)[] = [];
  private last: HTMLCanvasElement | undefined;
  private restsUntil = 0;
  private most = LEAST;

  constructor(private readonly drawTurned: DrawTurned) {
    this.shown.style.cssText = "width: 100%; height: 100%";
  }

  /** Nothing of what was drawn holds any longer. From now on pictures are of that size, in points. */
  forget({ width, height }: { width: number; height: number }) {
    this.kept = [];
    this.last = undefined;
    this.restsUntil = 0;
    this.most = Math.max(LEAST, Math.floor(MOST_BYTES / (4 * Math.max(1, width * height))));
  }

  /** As it stands, turned by that much. */
  still(turn: number) {
    this.show(this.drawTurned(turn));
  }

  /**
   * As it is when turned by that much, at one of `wanted` places of a turn. What is not kept yet is drawn, and then as
   * long left to the page as that took; until then the last one before it is shown. Is it another picture than before?
   */
  turned(turn: number, wanted: number, now: () => number = () => performance.now()) {
    const count = Math.min(wanted, this.most);
    const place = Math.floor((turn - Math.floor(turn)) * count);
    if (!this.kept[place] && now() >= this.restsUntil) this.keep(place, count, now);
    const nearest = this.nearest(place, count);
    if (!nearest || nearest === this.last) return false;
    this.last = nearest;
    this.show(nearest);
    return true;
  }

  private keep(place: number, count: number, now: () => number) {
    const begun = now();
    const drawn = this.drawTurned(place / count);
    const copy = document.createElement("canvas");
    paint(copy, drawn);
    this.kept[place] = copy;
    this.restsUntil = now() + (now() - begun);
  }

  private nearest(place: number, count: number) {
    for (let off = 0; off < count; off++) {
      const one = this.kept[(place - off + count) % count];
      if (one) return one;
    }
    return undefined;
  }

  private show(picture: HTMLCanvasElement) {
    paint(this.shown, picture);
  }
}

function paint(onto: HTMLCanvasElement, picture: HTMLCanvasElement) {
  if (onto.width !== picture.width || onto.height !== picture.height) {
    onto.width = picture.width;
    onto.height = picture.height;
  }
  onto.getContext("2d", { alpha: false })?.drawImage(picture, 0, 0);
}
