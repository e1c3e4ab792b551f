import styled from "styled-components";
import type { RehearsalState } from "../api/document";
import { t } from "../i18n/texts";
import { amountText } from "../kit/measure";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";

const List = styled.ul`
  min-height: 92px;
  font-size: 18px;
  li {
    padding: 3px 0 3px 12px;
    border-left: 5px solid ${ink.rule};
    margin-bottom: 4px;
  }
  li[data-level="faint"] {
    border-left-color: ${ink.ochre};
    border-left-style: dashed;
  }
  li[data-level="clear"] {
    border-left-color: ${ink.rust};
    font-weight: 650;
  }
`;

/** What is seen, heard and felt just now, the most urgent first. */
export function Noticed({ state }: { state: RehearsalState }) {
  const unit = useUnit();
  const { senses, events, speed } = state;
  const last = events.at(-1);
  const signs = [...senses.signs].sort((one, other) => Number(other.level === "clear") - Number(one.level === "clear"));
  const plain = [
    senses.comes_off && t(`screen.rehearsal.comes_off.${senses.comes_off}`),
    senses.torn && t("screen.rehearsal.torn"),
    senses.knocks_per_s > 0.5 &&
      t("screen.rehearsal.knocks", {
        knocks: Math.round(senses.knocks_per_s),
        air: Math.round(100 * senses.air_share),
      }),
    speed.rpm > 0 &&
      senses.shake_share > 0.2 &&
      t("screen.rehearsal.shake", { share: Math.round(100 * senses.shake_share) }),
  ].filter(Boolean);
  return (
    <List aria-label={t("screen.rehearsal.noticed")} aria-live="polite">
      {signs.map(({ key, level }) => (
        <li key={key} data-level={level}>
          {t(`screen.rehearsal.sign.${key}`)}
        </li>
      ))}
      {last && <li data-level="clear">{t(`screen.rehearsal.happened.${last.key}`)}</li>}
      {plain.map((text) => (
        <li key={String(text)}>{text}</li>
      ))}
      {signs.length + plain.length === 0 && !last && (
        <li>{speed.rpm > 0 ? t("screen.rehearsal.runs_quietly") : t("screen.rehearsal.stands_still")}</li>
      )}
      <li style={{ borderColor: "transparent", color: ink.quiet, fontSize: 15 }}>
        {t("screen.rehearsal.so_far", {
          time: amountText(Math.round(state.minutes), "min", unit),
          days: amountText(state.days, "days", unit),
          cost: amountText(state.cost, "money", unit),
        })}
      </li>
    </List>
  );
}
