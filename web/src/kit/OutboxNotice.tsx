import styled from "styled-components";
import { outbox, type Returned } from "../api/outbox";
import { Button } from "./Button";
import { ink } from "./theme";
import { useAway, useOutbox } from "./useOutbox";
import { t } from "../i18n/texts";

const Strip = styled.section`
  padding: 6px 22px;
  border-bottom: 2px solid ${ink.rust};
  background: ${ink.paper};
  display: grid;
  gap: 4px;
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
    align-items: center;
  }
`;

const what = (one: Returned) => t(`screen.kit.outbox.${one.do}`);

/** What was done here and waits for the server, and what the server would not have; nothing while all is well. */
export function OutboxNotice() {
  const { waiting, returned } = useOutbox();
  const isAway = useAway();
  if (waiting.length + returned.length === 0 && !isAway) return null;
  return (
    <Strip aria-label={t("screen.kit.outbox.heading")}>
      {(waiting.length > 0 || isAway) && (
        <p role="status">
          {waiting.length > 0
            ? t("screen.kit.outbox.waits", { count: waiting.length })
            : t("screen.kit.outbox.server_away")}
        </p>
      )}
      {returned.length > 0 && (
        <ul>
          {returned.map((one) => (
            <li key={one.key} role="alert">
              <span>
                <strong>{what(one)}</strong>{" "}
                {t("screen.kit.outbox.not_taken", { at: new Date(one.atMs).toLocaleString("en-GB") })}{" "}
                {one.problem.errors?.[0]?.detail ?? one.problem.detail}
              </span>
              <Button $kind="quiet" onPress={() => outbox.drop(one.key)}>
                {t("screen.kit.outbox.seen")}
              </Button>
            </li>
          ))}
        </ul>
      )}
    </Strip>
  );
}
