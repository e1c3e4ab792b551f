import { Fault } from "../kit/parts";
import { t } from "../i18n/texts";

/** What to say of a photograph that the browser does not hold over a reload. */
export function PictureKept({ lost, fleeting }: { lost: boolean; fleeting: boolean }) {
  if (lost) return <Fault role="alert">{t("screen.photo.the_browser_no_longer_holds_the")}</Fault>;
  return fleeting && <Fault role="alert">{t("screen.photo.the_browser_has_no_room_to")}</Fault>;
}
