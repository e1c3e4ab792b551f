import { withLaid, type Document, type Form } from "../api/document";

type Sketch = NonNullable<Document["sketches"]>[number];

/** The form as it lies in the wood, under a name that no sketch of the blank has. */
export function sketchOf(document: Document, form: Form): Sketch {
  const plain = form.kind.replaceAll("_", " ");
  const taken = (document.sketches ?? []).filter((sketch) => sketch.name.startsWith(plain)).length;
  const name = taken === 0 ? plain : `${plain} ${taken + 1}`;
  return { name, form, ...(document.centres && { centres: document.centres }) };
}

/** The document with a sketch for its form; the form it had is the sketch then. */
export function withSketch(document: Document, index: number): Document {
  const { form, sketches = [] } = document;
  const chosen = sketches[index];
  if (!chosen || !form) return document;
  const laid = withLaid(document, { form: chosen.form, centres: chosen.centres ?? null });
  return {
    ...laid,
    sketches: sketches.map((sketch, other) => (other === index ? sketchOf(document, form) : sketch)),
  };
}
