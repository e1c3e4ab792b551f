import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, Refused } from "../../api/client";
import type { Document, Problem } from "../../api/document";
import { forgetFile } from "../../kit/useStoredFile";
import type { Taken } from "../../photo/FromPhoto";
import { forgetDraft, PHOTO } from "./draft";

/** A blank that is kept, while its photograph is on the way: how much of it has gone, and why it went no farther. */
export type Unsent = { id: number; sent: number; fault?: string };

/** Puts a new blank on the rack, with the photograph it was traced on, and opens its survey. */
export function useTakeIn() {
  const [refused, setRefused] = useState<Problem>();
  const [unsent, setUnsent] = useState<Unsent>();
  const client = useQueryClient();
  const go = useNavigate();

  const takeIn = async (document: Document, taken: Taken | undefined) => {
    setRefused(undefined);
    try {
      const kept = await api.takeIn(document);
      forgetDraft();
      forgetFile(`${PHOTO}picture`);
      await client.invalidateQueries({ queryKey: ["shop"] });
      if (taken) await sendPicture(kept.id, taken);
      else void go(`/blanks/${kept.id}/survey`);
    } catch (wrong) {
      if (!(wrong instanceof Refused)) throw wrong;
      setRefused(wrong.problem);
    }
  };
  /** The blank is kept by now: a photograph that does not go may be sent again, or left. */
  const sendPicture = async (id: number, { file, view, trace }: Taken) => {
    setUnsent({ id, sent: 0 });
    try {
      const { id: photograph } = await api.addPhotograph(id, file, view, (sent) => setUnsent({ id, sent }));
      await api.sayOfPhotograph(id, photograph, {
        view,
        scale: { mm_per_share: trace.mm_per_share, centre: trace.centre },
      });
      void go(`/blanks/${id}/survey`);
    } catch (wrong) {
      if (!(wrong instanceof Refused)) throw wrong;
      setUnsent({ id, sent: 0, fault: wrong.problem.errors?.[0]?.detail ?? wrong.message });
    }
  };
  return { refused, unsent, takeIn, sendPicture };
}
