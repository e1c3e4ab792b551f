import { Link } from "react-router";
import styled from "styled-components";
import type { Shop } from "../api/document";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { ink } from "../kit/theme";
import { useKept } from "../kit/useKept";

const Strip = styled.section`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 26px;
  padding: 6px 22px;
  background: ${ink.mossPale};
  border-bottom: 2px solid ${ink.ink};
  h2 {
    font-size: 16px;
  }
  ol {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 26px;
    flex: 1;
  }
  li {
    min-height: 44px;
    display: flex;
    align-items: center;
  }
  li[data-state="next"] {
    font-weight: 700;
  }
  a {
    color: inherit;
    min-height: 44px;
    display: flex;
    align-items: center;
  }
  a:focus-visible {
    outline: 3px solid ${ink.ochre};
  }
`;

/** A shop is begun once it has a lathe, and a blank that has been surveyed and saved. */
export function firstSteps(shop: Shop) {
  const [first] = shop.rack;
  return [
    { key: "lathe", done: Object.keys(shop.lathes).length > 0, to: "/shop" },
    { key: "blank", done: first !== undefined, to: "/new" },
    { key: "survey", done: (first?.version ?? 0) > 1, to: first && `/blanks/${first.id}/survey` },
  ] as const;
}

/** Three steps that lead through an empty shop; gone once they are done, or for good when they are left. */
export function FirstSteps({ shop }: { shop: Shop }) {
  const [shown, leave] = useKept("first steps", ["shown", "left"]);
  const steps = firstSteps(shop);
  const next = steps.findIndex(({ done }) => !done);
  if (shown === "left" || next < 0 || shop.demo || shop.rack.length > 1) return null;
  return (
    <Strip aria-label={t("screen.shop.first_steps.title")}>
      <h2>{t("screen.shop.first_steps.title")}</h2>
      <ol>
        {steps.map(({ key, done, to }, index) => {
          const state = done ? "done" : index === next ? "next" : "later";
          const text = `${done ? "✓" : `${index + 1}.`} ${t(`screen.shop.first_steps.${key}`)}`;
          return (
            <li key={key} data-state={state}>
              {state === "next" && to ? <Link to={to}>{text}</Link> : text}
            </li>
          );
        })}
      </ol>
      <Button $kind="quiet" onPress={leave}>
        {t("screen.shop.first_steps.leave")}
      </Button>
    </Strip>
  );
}
