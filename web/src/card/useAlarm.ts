import { useEffect } from "react";
import { t } from "../i18n/texts";
import type { Alarm } from "./alarm";

/** Sounds while something is due, and says so in the title of the page. */
export function useAlarm(alarm: Alarm, due: boolean) {
  useEffect(() => {
    if (due) alarm.start();
    else alarm.stop();
    window.document.title = due ? t("screen.card.time_is_up_mossy_anvil") : t("screen.card.card_mossy_anvil");
    return () => alarm.stop();
  }, [alarm, due]);
}
