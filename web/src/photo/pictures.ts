import type { Photograph } from "../api/document";
import { t } from "../i18n/texts";

/** What a photograph may show. */
export const SHOWS = {
  tail_face: t("screen.photo.tail_end"),
  head_face: t("screen.photo.head_end"),
  other: t("screen.photo.something_else"),
} as const;

/** Which end a picture shows once the piece is turned end for end. */
export const otherEnd = (view: Photograph["view"]): Photograph["view"] =>
  (({ tail_face: "head_face", head_face: "tail_face", other: "other" }) as const)[view];

export const pictureOf = (blank: number, { id }: Photograph) => `/api/blanks/${blank}/photographs/${id}/image`;
