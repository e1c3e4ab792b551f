import { api } from "../api/client";
import type { Problem, TakenIn, Task } from "../api/document";
import { t } from "../i18n/texts";
import { followed } from "../kit/useTask";

/** What became of one file: where it went, or what is wrong with it. */
export type Brought = {
  key: number;
  file: File;
  done?: { id: number; text: string } | { shop: TakenIn };
  problem?: Problem;
};

export const isArchive = (file: File) => file.name.toLowerCase().endsWith(".zip");

const CANCELLED: Problem = {
  type: "about:blank",
  title: t("screen.shop.cancelled"),
  status: 0,
  detail: t("screen.shop.it_was_cancelled_nothing_of_it"),
};

/** Sends an archive, then follows the server while it takes it in. */
export async function importArchive(
  entry: Brought,
  way: "plain" | "other",
  say: (text: string) => void,
  onStep: (task: Task) => void,
): Promise<Brought> {
  const { file } = entry;
  const begun = await api.importShop(file, way === "plain" ? "keep" : "copy", (share) =>
    say(
      share < 1
        ? t("screen.shop.sending_2", { name: file.name, round: Math.round(share * 100) })
        : t("screen.shop.taking_in", { name: file.name }),
    ),
  );
  const { state, result } = await followed(begun, onStep);
  return state === "ended" && result && "taken_in" in result
    ? { ...entry, done: { shop: result } }
    : { ...entry, problem: CANCELLED };
}
