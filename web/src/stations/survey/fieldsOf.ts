import type { Defect } from "../../api/document";

/** What the fields of one defect take: it, what puts a changed one in its place, and what is wrong at a path of it. */
export type FieldsOf<Kind extends Defect> = {
  defect: Kind;
  put: (changed: Defect) => void;
  fault: (path: string) => string | undefined;
};
