import { useQuery } from "@tanstack/react-query";
import { api } from "../api/client";
import type { Odds } from "../api/document";
import { t } from "../i18n/texts";
import { toneInk } from "./theme";

const TONES = { go: "go", care: "care", stop: "stop" } as const;

type Told = Pick<Odds, "verdict" | "sound" | "injury" | "truths">;

/** The verdict by the odds in one sentence, with how many it rests on: "Go with care: 93 in 100, 186 of 200 truths". */
export const oddsText = ({ verdict, sound, injury, truths }: Told): string =>
  t(`screen.odds.verdict.${verdict === "stop" && injury.share > 0 ? "hurts" : verdict}`, {
    injury: (100 * injury.share).toFixed(injury.share < 0.1 ? 1 : 0),
    share: Math.round(100 * sound.share),
    low: Math.floor(100 * sound.low),
    high: Math.ceil(100 * sound.high),
    count: Math.round(sound.share * truths),
    truths,
  });

/** The same of a piece as it is kept; nothing where its odds were never played, or it is another by now. */
export function OddsLine({ id }: { id: number }) {
  const { data } = useQuery({ queryKey: ["odds", id], queryFn: () => api.odds(id), refetchOnWindowFocus: false });
  if (!data?.now) return null;
  return <p style={{ color: toneInk[TONES[data.told.verdict]], fontWeight: 650 }}>{oddsText(data.told)}</p>;
}
