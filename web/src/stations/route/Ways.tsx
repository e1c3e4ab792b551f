import styled from "styled-components";
import type { Odds, Route, RouteWay } from "../../api/document";
import { useBlank, useRoute } from "../../draft/contexts";
import { messageText, t } from "../../i18n/texts";
import { MessageText } from "../../kit/Advice";
import { Button } from "../../kit/Button";
import { amountText } from "../../kit/measure";
import { Quiet, Ticket } from "../../kit/parts";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { between, doneOn } from "./dates";
import { useChances } from "./wayOdds";

const Table = styled(Ticket)`
  margin-top: 10px;
  tbody.taken {
    outline: 2px solid ${ink.moss};
    outline-offset: -1px;
  }
  tr.more td {
    border-top: 0;
    padding-top: 0;
    color: ${ink.quiet};
    > div {
      display: flex;
      justify-content: space-between;
      align-items: center;
      gap: 14px;
    }
  }
  th:first-child,
  td:first-child {
    padding-left: 8px;
  }
  small {
    display: block;
    font-size: 14px;
    font-weight: 400;
    color: ${ink.quiet};
  }
  .stop {
    color: ${ink.rust};
    font-weight: 650;
  }
  td.nowrap {
    white-space: nowrap;
  }
`;

/** Questions of this blank as headings over their answers; the way taken first. */
export function Ways({ route }: { route: Route }) {
  const { document, draft } = useBlank();
  const { settled } = useRoute();
  const chances = useChances(route);
  const [taken] = route.alternatives;
  const take = (way: RouteWay) =>
    draft.change({ ...document, route: { ...document.route, choices: way.choices } }, false);
  const advised = () => draft.change({ ...document, route: { ...document.route, choices: {} } }, false);
  if (!taken) return null;
  return (
    <>
      {settled && route.alternatives.length === 1 && <Quiet>{t("screen.route.only_this_way")}</Quiet>}
      <Table aria-label={t("screen.route.ways_compared")}>
        <thead>
          <tr>
            <th>{t("screen.route.way")}</th>
            <th>{t("screen.route.done")}</th>
            <th>{t("screen.route.hands")}</th>
            <th>{t("screen.route.cost")}</th>
            <th>{t("screen.route.sound")}</th>
          </tr>
        </thead>
        {route.alternatives.map((way) => (
          <Row
            key={way.key}
            way={way}
            sound={chances[way.key]}
            route={route}
            onTake={way === taken ? undefined : () => take(way)}
          />
        ))}
      </Table>
      {taken.key !== route.recommended && (
        <Button onPress={advised}>{t("screen.route.back_to_the_advised_way")}</Button>
      )}
      {Object.keys(chances).length === 0 && <Quiet>{t("screen.route.play_the_odds")}</Quiet>}
    </>
  );
}

type RowProps = {
  way: RouteWay;
  sound: Odds["sound"] | undefined;
  route: Route;
  onTake: (() => void) | undefined;
};

function Row({ way, sound, route, onTake }: RowProps) {
  const unit = useUnit();
  return (
    <tbody className={onTake ? undefined : "taken"}>
      <tr>
        <th scope="row">
          <MessageText message={way.name} />
          {way.key === route.recommended && <small>{t("screen.route.advised")}</small>}
        </th>
        <td>
          {doneOn(way)}
          <small>{between(way)}</small>
        </td>
        <td className="nowrap">{amountText(way.hands_h, "h", unit)}</td>
        <td className="nowrap">{amountText(way.cost, "money", unit)}</td>
        <td className="nowrap">{sound ? t("screen.route.in_100", { share: Math.round(100 * sound.share) }) : "–"}</td>
      </tr>
      <tr className="more">
        <td colSpan={5}>
          <div>
            <span>
              <MessageText message={way.known_for} />
              {way.conflicts > 0 && (
                <small className="stop">{t("screen.route.conflicts", { count: way.conflicts })}</small>
              )}
            </span>
            {onTake && (
              <Button
                $kind="quiet"
                aria-label={t("screen.route.take_this_way", { way: messageText(way.name, unit) })}
                onPress={onTake}
              >
                {t("screen.route.take_it")}
              </Button>
            )}
          </div>
        </td>
      </tr>
    </tbody>
  );
}
