import { useNavigate, useParams } from "react-router";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { Waiting } from "../kit/Waiting";
import { Page } from "./CardFrame";
import { OpenCard } from "./OpenCard";
import { useCard } from "./useCard";

/** The work, line by line, in letters to be read from two metres. Space or Page Down ticks and goes on, Page Up goes back. */
export function CardPage() {
  const id = Number(useParams()["id"]);
  const go = useNavigate();
  const handle = useCard(id);
  const { card } = handle;
  if (card.data === undefined)
    return (
      <Waiting
        what={t("screen.card.fetching_the_card")}
        problem={card.error?.message}
        onAgain={() => void card.refetch()}
      />
    );
  if (card.data === null)
    return (
      <Page>
        <header>
          <h2>{t("screen.card.no_card_is_open_for_this")}</h2>
          <Button onPress={() => void go(`/blanks/${id}/mend`)}>{t("screen.card.to_its_plan")}</Button>
        </header>
      </Page>
    );
  return <OpenCard card={card.data} handle={handle} blankId={id} failed={card.isError || handle.isAway} />;
}
