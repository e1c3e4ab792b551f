// The same piece turned end for end on the lathe, as it is then drawn and spoken of: what was the head is the tail, and seen from there the clock runs the other way.
// Only places change their names; turned twice, everything is as it was.
import type { Defect, Document, Form, Reading } from "../api/document";
import { isPath } from "../api/document";
import { fold } from "./geometry";

const TIDY = 1e6;
/** Without the crumbs of a subtraction, so that turned twice it is the very same number. */
const tidy = (value: number) => Math.round(value * TIDY) / TIDY;

export const lengthOf = ({ shape }: Document): number =>
  shape.type === "outline" ? (shape.stations.at(-1)?.z_mm ?? 0) : shape.length_mm;

type Spot = { clock_deg: number; z_mm: number };
export const reverseSpot = <Place extends Spot>(place: Place, lengthMm: number): Place => ({
  ...place,
  clock_deg: tidy(fold(-place.clock_deg)),
  z_mm: tidy(lengthMm - place.z_mm),
});

const FACES = { head_face: "tail_face", tail_face: "head_face", side: "side" } as const;

export function reverseDefect(defect: Defect, lengthMm: number): Defect {
  if (!isPath(defect)) return { ...defect, centre: reverseSpot(defect.centre, lengthMm) };
  return { ...defect, enters: FACES[defect.enters], path: defect.path.map((point) => reverseSpot(point, lengthMm)) };
}

const reverseReading = (reading: Reading, lengthMm: number): Reading =>
  "at" in reading ? { ...reading, at: reverseSpot(reading.at, lengthMm) } : reading;

function reverseShape(shape: Document["shape"], lengthMm: number): Document["shape"] {
  const offset = shape.centre_offset_mm && {
    centre_offset_mm: [tidy(-(shape.centre_offset_mm[0] ?? 0)), shape.centre_offset_mm[1] ?? 0],
  };
  if (shape.type !== "outline") return { ...shape, ...offset };
  const stations = [...shape.stations].reverse().map(({ z_mm, radii_mm }) => ({
    z_mm: tidy(lengthMm - z_mm),
    radii_mm: radii_mm.map((_, step) => radii_mm[(radii_mm.length - step) % radii_mm.length] ?? 0),
  }));
  return { ...shape, stations, ...offset };
}

type Centres = NonNullable<Document["centres"]>;
/** Length of the axis between the centres, along which a form's z is counted. */
const axisMm = (document: Document, centres: Centres | undefined) => {
  const lean = centres ? [0, 1].map((axis) => (centres.tail_mm[axis] ?? 0) - (centres.head_mm[axis] ?? 0)) : [];
  return Math.hypot(lengthOf(document), ...lean);
};

const reverseForm = (form: Form, axis: number): Form => {
  const curve = (points: number[][]) => [...points].reverse().map(([z = 0, r = 0]) => [tidy(axis - z), r]);
  return {
    ...form,
    opens: form.opens === "tail" ? "head" : "tail",
    outside: curve(form.outside),
    ...(form.inside && { inside: curve(form.inside) }),
  };
};

const reverseCentres = ({ head_mm, tail_mm }: Centres): Centres => {
  const across = ([x = 0, y = 0]: number[]) => [tidy(-x), y];
  return { head_mm: across(tail_mm), tail_mm: across(head_mm) };
};

const OTHER_END = { head_face: "tail_face", tail_face: "head_face", side: "side" } as const;

type Seen = NonNullable<Document["survey"]>["seen"][number];
const reverseSeen = (seen: Seen): Seen => {
  const { from_deg: from, to_deg: to } = seen;
  if (from === undefined || to === undefined) return { ...seen, surface: OTHER_END[seen.surface] };
  const start = fold(-to);
  return { ...seen, from_deg: tidy(start), to_deg: tidy(start + to - from) };
};

/** The whole document, turned end for end. */
export function reverse(document: Document): Document {
  const length = lengthOf(document);
  const { form, centres, sketches, readings, material, survey } = document;
  return {
    ...document,
    material:
      material.grain_clock_deg === undefined
        ? material
        : { ...material, grain_clock_deg: tidy(fold(-material.grain_clock_deg)) },
    shape: reverseShape(document.shape, length),
    defects: document.defects.map((defect) => reverseDefect(defect, length)),
    ...(survey && { survey: { seen: survey.seen.map(reverseSeen) } }),
    ...(readings && { readings: readings.map((reading) => reverseReading(reading, length)) }),
    ...(form && { form: reverseForm(form, axisMm(document, centres)) }),
    ...(centres && { centres: reverseCentres(centres) }),
    ...(sketches && {
      sketches: sketches.map((sketch) => ({
        ...sketch,
        form: reverseForm(sketch.form, axisMm(document, sketch.centres)),
        ...(sketch.centres && { centres: reverseCentres(sketch.centres) }),
      })),
    }),
  };
}
