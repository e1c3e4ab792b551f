import { Radio, RadioGroup, Label } from "react-aria-components";
import styled from "styled-components";
import { without, type Defect, type DefectReport } from "../../api/document";
import { amountText } from "../../kit/measure";
import { capital, t } from "../../i18n/texts";
import { MessageText } from "../../kit/Advice";
import { focusRing, ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { Quiet } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";

const Way = styled(Radio)`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0 14px;
  padding: 8px 10px;
  border: 1px solid ${ink.slate};
  margin-bottom: -1px;
  cursor: pointer;
  ${focusRing}
  .what {
    font-weight: 650;
  }
  .risk {
    flex: 1 0 100%;
    font-size: 15px;
    color: ${ink.quiet};
  }
  &[data-selected] {
    background: ${ink.paper};
    border: 2px solid ${ink.moss};
    padding: 7px 9px;
  }
`;

type Key = DefectReport["ways"][number]["key"];

/** The ways there are to deal with it, what each takes and risks, and which one is chosen. No choice lifts a limit. */
export function RepairChoice({ defect, report }: { defect: Defect; report: DefectReport }) {
  const blank = useBlank();
  const unit = useUnit();
  if (report.ways.length === 0) return null;
  const choose = (key: string) =>
    blank.put((key === "advised" ? without(defect, "chosen") : { ...defect, chosen: key as Key }) as Defect, false);
  return (
    <>
      <RadioGroup value={report.chosen ?? "advised"} onChange={choose} style={{ margin: "10px 0" }}>
        <Label style={{ fontSize: 14, color: ink.quiet }}>{t("screen.survey.ways_to_deal_with_it")}</Label>
        {!report.ways.some(({ advised }) => advised) && (
          <Way value="advised">
            <span className="what">{t("screen.survey.no_choice_made")}</span>
          </Way>
        )}
        {report.ways.map(({ key, cost, hands_min, wait_h, risk, advised }) => (
          <Way key={key} value={advised && report.chosen === null ? "advised" : key}>
            <span className="what">
              {capital(t(`tables.ways.${key}.name`))}
              {advised && ` ${t("screen.survey.advised")}`}
            </span>
            <span>
              {[
                cost > 0 ? amountText(cost, "money", unit) : t("screen.survey.no_cost"),
                t("screen.survey.min_work", { hands_min: Math.round(hands_min) }),
                wait_h === null
                  ? t("screen.survey.never_in_this_air")
                  : wait_h > 0
                    ? t("screen.survey.wait", { wait_h: amountText(wait_h, "h", unit) })
                    : t("screen.survey.no_wait"),
              ].join(" · ")}
            </span>
            <span className="risk">
              <MessageText message={risk} />
            </span>
          </Way>
        ))}
      </RadioGroup>
      <Quiet>{t("screen.survey.prices_and_times_are_rules_of")}</Quiet>
    </>
  );
}
