import { dequal } from "dequal";
import { useEffect, useMemo, useReducer, useRef } from "react";
import type { Document, Entry, Kept } from "../api/document";
import { rebase } from "./rebase";

/** A blank as it is being changed: what is kept, what is on screen, and the steps between. */
type Draft = {
  kept: Kept;
  past: Document[];
  present: Document;
  future: Document[];
  held: Document | undefined;
  /** Begun from an older version than is kept: nobody knows any more what was changed in it. */
  stale: boolean;
};

type Step =
  | { do: "change"; base: Document; document: Document; holding: boolean }
  | { do: "undo" | "redo" | "drop" }
  | { do: "log"; entry: Entry }
  | { do: "read"; kept: Kept }
  | { do: "theirs"; kept: Kept }
  | { do: "keep"; kept: Kept; sent: Document | undefined };

const MOST_STEPS = 200;

/** The draft after one step; pure. */
export function step(draft: Draft, action: Step): Draft {
  switch (action.do) {
    case "change": {
      // While something is held (a drag), the steps between are one step: from where it was picked up.
      const from = draft.held ?? draft.present;
      const present = rebase(action.base, action.document, draft.present) as Document;
      if (action.holding) return { ...draft, present, held: from };
      if (present === from) return draft;
      return {
        ...draft,
        past: [...draft.past, from].slice(-MOST_STEPS),
        present,
        future: [],
        held: undefined,
      };
    }
    case "undo": {
      const back = draft.past.at(-1);
      return back
        ? {
            ...draft,
            past: draft.past.slice(0, -1),
            present: back,
            future: [draft.present, ...draft.future],
            held: undefined,
          }
        : draft;
    }
    case "redo": {
      const [next, ...rest] = draft.future;
      return next
        ? { ...draft, past: [...draft.past, draft.present], present: next, future: rest, held: undefined }
        : draft;
    }
    case "drop":
      return {
        ...draft,
        past: [...draft.past, draft.present],
        present: draft.kept.document,
        future: [],
        held: undefined,
      };
    case "log":
      return { ...draft, kept: { ...draft.kept, journal: [...draft.kept.journal, action.entry] } };
    case "keep":
      // What is on screen stays, unless it is the very thing that was sent: then it is what is kept.
      return {
        ...draft,
        kept: action.kept,
        stale: false,
        present:
          draft.present === action.sent || dequal(draft.present, action.kept.document)
            ? action.kept.document
            : draft.present,
      };
    case "theirs":
      return withTheirs(draft, action.kept);
    case "read":
      // Readings are added beside the draft, never in it: what was changed and not saved stays so.
      return {
        ...draft,
        kept: action.kept,
        present:
          draft.present === draft.kept.document
            ? action.kept.document
            : withReadings(draft.present, action.kept.document),
      };
  }
}

/**
 * What somebody else saved meanwhile, taken in beneath what was changed here and not saved. Where both changed the same
 * thing the draft stays as it is, and saving it shows both.
 */
function withTheirs(draft: Draft, theirs: Kept): Draft {
  const { kept, present } = draft;
  const logged = { ...kept, journal: theirs.journal };
  if (theirs.version < kept.version) return draft;
  if (theirs.version === kept.version)
    return dequal(theirs.document.readings, kept.document.readings)
      ? { ...draft, kept: logged }
      : step(draft, { do: "read", kept: theirs });
  const over = (document: Document) => rebase(kept.document, document, theirs.document) as Document;
  const under = rebase(kept.document, theirs.document, present);
  if (draft.stale || !dequal(over(present), under)) return { ...draft, kept: logged };
  return {
    ...draft,
    kept: theirs,
    present: dequal(over(present), theirs.document) ? theirs.document : over(present),
    past: draft.past.map(over),
    future: draft.future.map(over),
    held: undefined,
  };
}

/** A draft with what has been read of the blank, which a draft cannot change. */
const withReadings = (document: Document, { readings }: Document): Document =>
  readings ? { ...document, readings } : document;

const place = (id: number) => `draft-of-${id}`;

function open(kept: Kept): Draft {
  const fresh: Draft = { kept, past: [], present: kept.document, future: [], held: undefined, stale: false };
  const stored = localStorage.getItem(place(kept.id));
  if (!stored) return fresh;
  const { version, document } = JSON.parse(stored) as { version: number; document: Document };
  // A draft of an older version still shows; saving it says what has changed meanwhile.
  return {
    ...fresh,
    kept: { ...kept, version },
    stale: version !== kept.version,
    past: [kept.document],
    present: withReadings(document, kept.document),
  };
}

/** The draft of one blank, with undo; unsaved changes outlive a reload. */
export function useDraft(kept: Kept) {
  const [draft, send] = useReducer(step, kept, open);
  const dirty = draft.present !== draft.kept.document;

  useEffect(() => {
    if (dirty)
      localStorage.setItem(place(kept.id), JSON.stringify({ version: draft.kept.version, document: draft.present }));
    else localStorage.removeItem(place(kept.id));
  }, [dirty, draft.present, draft.kept.version, kept.id]);

  // What the server says anew while this is open.
  const known = useRef(kept);
  useEffect(() => {
    if (known.current !== kept) send({ do: "theirs", kept });
    known.current = kept;
  }, [kept]);

  const acts = useMemo(
    () => ({
      undo: () => send({ do: "undo" }),
      redo: () => send({ do: "redo" }),
      drop: () => send({ do: "drop" }),
      addEntry: (entry: Entry) => send({ do: "log", entry }),
      /** What the server keeps now that a reading was added. */
      read: (now: Kept) => send({ do: "read", kept: now }),
      /** What the server keeps now; `sent` is the draft it came of, if any. */
      keep: (now: Kept, sent?: Document) => send({ do: "keep", kept: now, sent }),
    }),
    [],
  );
  return useMemo(
    () => ({
      document: draft.present,
      version: draft.kept.version,
      journal: draft.kept.journal,
      dirty,
      /** Somebody else saved meanwhile what this draft does not go with: saving it shows both. */
      behind: kept.version > draft.kept.version,
      canUndo: draft.past.length > 0,
      canRedo: draft.future.length > 0,
      /** Puts `document` in place of `base`, the draft it was made from; what was changed since stays. */
      change: (document: Document, holding = false, base = draft.present) =>
        send({ do: "change", base, document, holding }),
      ...acts,
    }),
    [draft, kept.version, dirty, acts],
  );
}
export type DraftHandle = ReturnType<typeof useDraft>;
