import { useNavigate } from "react-router";
import styled from "styled-components";
import { Button } from "../kit/Button";
import type { LengthUnit } from "../kit/measure";
import { Unseen } from "../kit/parts";
import { ink } from "../kit/theme";
import { t } from "../i18n/texts";

export const LIGHTS = [t("screen.shop.as_set"), "day", "night"] as const;
export type Light = (typeof LIGHTS)[number];

const Place = styled.div`
  display: grid;
  grid-template: 1fr 1fr / auto auto auto auto;
  border-left: 1px solid ${ink.rule};
  button {
    min-height: 43px;
    padding: 0 8px;
    font-size: 15px;
    font-weight: 400;
    text-align: left;
  }
  button:not(:nth-child(4)):not(:last-child) {
    border-right: 1px solid ${ink.rule};
  }
  button:nth-child(-n + 4) {
    border-bottom: 1px solid ${ink.rule};
  }
  button {
    position: relative;
  }
  .on {
    font-weight: 700;
  }
  .off {
    color: ${ink.quiet};
  }
`;

type Props = { unit: LengthUnit; onUnit: () => void; light: Light; onLight: () => void; onKeys: () => void };

/** Beside the rack: what is not about one blank. */
export function Corner({ unit, onUnit, light, onLight, onKeys }: Props) {
  const go = useNavigate();
  return (
    <Place>
      <Button $kind="quiet" onPress={() => void go("/board")}>
        {t("screen.shop.board")}
      </Button>
      <Button $kind="quiet" onPress={() => void go("/stores")}>
        {t("screen.shop.stores")}
      </Button>
      <Button $kind="quiet" onPress={() => void go("/ledger")}>
        {t("screen.shop.ledger")}
      </Button>
      <Button $kind="quiet" onPress={() => void go("/shop")}>
        {t("screen.shop.shop")}
      </Button>
      <Button $kind="quiet" onPress={() => void go("/practice")}>
        {t("screen.practice.title")}
      </Button>
      <Button $kind="quiet" onPress={onUnit}>
        <span className={unit === "mm" ? "on" : "off"}>{t("screen.shop.mm")}</span>
        {t("screen.shop.ensp_ensp")}
        <span className={unit === "in" ? "on" : "off"}>{t("screen.shop.in")}</span>
        <Unseen>
          {t("screen.shop.lengths_in_change", {
            value: unit === "mm" ? t("screen.shop.millimetres") : t("screen.shop.inches"),
          })}
        </Unseen>
      </Button>
      <Button $kind="quiet" onPress={onKeys}>
        {t("screen.shop.keys_ensp")}
      </Button>
      <Button $kind="quiet" onPress={onLight}>
        {{ "as set": t("screen.shop.day_night"), day: t("screen.shop.day"), night: t("screen.shop.night") }[light]}
        <Unseen>{t("screen.shop.light_change", { light })}</Unseen>
      </Button>
    </Place>
  );
}
