import { api } from "../api/client";
import type { Document } from "../api/document";
import { useNewest } from "../api/useNewest";

/** The core's answer for what is on screen. */
export function useReckon(document: Document) {
  const { answer: assessment, settled, problem } = useNewest(document, api.reckon);
  return { assessment, settled, problem };
}
