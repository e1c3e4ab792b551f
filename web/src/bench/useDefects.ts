import { useEffect, useMemo, useRef } from "react";
import type { Assessment, Defect } from "../api/document";
import type { DraftHandle } from "../draft/useDraft";
import { copyOf, today } from "../piece/edit";

/** How defects of the draft are put, added, removed and copied. */
export function useDefects(
  draft: DraftHandle,
  { geometry }: Assessment,
  onAdded: (id: string) => void,
  onRemoved: () => void,
) {
  const { document, change } = draft;
  const told = useRef({ onAdded, onRemoved });
  useEffect(() => {
    told.current = { onAdded, onRemoved };
  });
  return useMemo(() => {
    const withDefects = (defects: Defect[], holding = false) => change({ ...document, defects }, holding);
    const add = (defect: Defect) => {
      withDefects([...document.defects, { ...defect, found_on: today() }]);
      told.current.onAdded(defect.id);
    };
    return {
      add,
      put: (defect: Defect, holding: boolean) =>
        withDefects(
          document.defects.map((old) => (old.id === defect.id ? defect : old)),
          holding,
        ),
      remove: (id: string) => {
        withDefects(document.defects.filter((defect) => defect.id !== id));
        told.current.onRemoved();
      },
      copy: (defect: Defect) => add(copyOf(defect, document.defects, geometry)),
    };
  }, [document, change, geometry]);
}
