import { del, get, set } from "idb-keyval";
import { useEffect, useState } from "react";
import { useStored } from "./useStored";

/** What tells one file from another. */
const nameOf = ({ name, size, lastModified }: File) => `${name} ${size} ${lastModified}`;

/**
 * A file that outlives a reload of this tab. It is too large for the tab's own store, so the browser's database holds one under that name, and the tab
 * keeps which it meant. `lost`: the browser holds that one no more, since another tab has put its own there.
 * `fleeting`: the browser gives no room for it, so that it is gone once the page is left.
 */
export function useStoredFile(place: string) {
  const [meant, setMeant] = useStored(place, "");
  const [held, setHeld] = useState<{ file?: File; lost: boolean; fleeting: boolean }>({ lost: false, fleeting: false });
  const asked = held.file === undefined && !held.lost && meant !== "";
  useEffect(() => {
    if (!asked) return undefined;
    let wanted = true;
    const take = (file?: File) =>
      wanted &&
      setHeld(
        file && nameOf(file) === meant ? { file, lost: false, fleeting: false } : { lost: true, fleeting: false },
      );
    get<File>(place).then(take, () => take());
    return () => {
      wanted = false;
    };
  }, [asked, meant, place]);
  /** Takes another file in its place; true where it is the one that was meant. */
  const choose = (file: File) => {
    const same = nameOf(file) === meant;
    setMeant(nameOf(file));
    setHeld({ file, lost: false, fleeting: false });
    set(place, file).catch(() => setHeld({ file, lost: false, fleeting: true }));
    return same;
  };
  return { ...held, choose };
}

/** Forgets the file under that name. Where the browser holds none at all there is nothing to forget, and nothing waits for it. */
export const forgetFile = (place: string) => void del(place).catch(() => undefined);
