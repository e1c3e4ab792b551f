import { Button as AriaButton } from "react-aria-components";
import styled from "styled-components";
import type { Defect, DefectReport } from "../../api/document";
import { isPath } from "../../api/document";
import { useBlank, useSelection } from "../../draft/contexts";
import { t, words } from "../../i18n/texts";
import { MessageText, Worked } from "../../kit/Advice";
import { amountText, clockText } from "../../kit/measure";
import { focusRing, ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { NAMES } from "../../piece/Defect";
import { middleOf } from "../../piece/geometry";
import { day } from "./day";
import { DefectFields } from "./DefectFields";
import { RepairChoice } from "./Repairs";

const VERDICTS: Record<DefectReport["verdict"], string> = {
  cut_away: t("screen.survey.cut_away"),
  leave: t("screen.survey.leave"),
  fill: t("screen.survey.fill"),
  cast: t("screen.survey.cast"),
  hold: t("screen.survey.hold"),
  soak: t("screen.survey.soak"),
  dry_first: t("screen.survey.dry_first"),
  remove_now: t("screen.survey.take_out_now"),
  stop: t("screen.survey.stop"),
};

const FOUND_BY = words("screen.survey.found_by", ["seen", "feeler", "guessed"]);

const Item = styled.li<{ $chosen: boolean }>`
  border-top: 1px solid ${ink.rule};
  display: grid;
  grid-template-columns: 40px 1fr;
  background: ${({ $chosen }) => ($chosen ? ink.ground : "transparent")};
`;

const Pick = styled(AriaButton)`
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: subgrid;
  text-align: left;
  border: 0;
  background: none;
  padding: 9px 0 2px 14px;
  cursor: pointer;
  ${focusRing}
  .letter {
    font-weight: 700;
    color: ${ink.rust};
  }
`;

const Verdict = styled.div`
  grid-column: 2;
  padding: 0 10px 9px 0;
  font-size: 15px;
  color: ${ink.quiet};
  strong {
    color: ${ink.ink};
  }
`;

/** "25 mm deep, 52 mm of run" and the like, from what was surveyed. */
function extent(defect: Defect, unit: ReturnType<typeof useUnit>): string {
  const mm = (value: number) => amountText(value, "mm", unit);
  if (isPath(defect)) {
    const [least, most] = defect.depth_range_mm ?? [];
    const doubt =
      least !== undefined && most !== undefined
        ? ` ${t("screen.survey.to_3", { replace: mm(least).replace(/ mm$/, ""), mm: mm(most) })}`
        : "";
    return t("screen.survey.deep_5", {
      mm: mm(defect.depth_mm),
      doubt,
      value: defect.found_by ? `, ${FOUND_BY[defect.found_by]}` : "",
      value_2: defect.type === "bark_inclusion" ? t("screen.survey.thickness_2") : t("screen.survey.mouth_2"),
      mm_2: mm(defect.width_mm),
    });
  }
  return (
    defect.size_mm.map((size) => amountText(size, "mm", unit).replace(/ mm$/, "")).join(" × ") +
    (unit === "mm" ? " mm" : "")
  );
}

const graded = (defect: Defect) =>
  defect.type === "soft_zone"
    ? t("screen.survey.zone", {
        value: { firm: t("screen.survey.firm"), soft: t("screen.survey.soft"), spongy: t("screen.survey.spongy") }[
          defect.grade
        ],
      })
    : NAMES[defect.type];

type Props = {
  defect: Defect;
  report: DefectReport | undefined;
  /** Shown by tests, and changed by nothing else. */ fixed?: boolean;
};

/** One defect of the list: where it is, how large, what is to be done about it; chosen, all that is known of it. */
export function Found({ defect, report, fixed = false }: Props) {
  const blank = useBlank();
  const selection = useSelection();
  const unit = useUnit();
  const chosen = selection.chosen === defect.id;
  const { workings } = blank.assessment;
  const place = blank.assessment.defects.findIndex(({ id }) => id === defect.id);
  const middle = middleOf(defect, blank.assessment.geometry);
  return (
    <Item $chosen={chosen}>
      <Pick aria-expanded={chosen} onPress={() => selection.choose(chosen ? undefined : defect.id)}>
        <span className="letter">{defect.id}</span>
        <span>
          <strong>{graded(defect)}</strong>{" "}
          {t("screen.survey.at_2", {
            clock_deg: clockText(middle.clockDeg),
            extent: extent(defect, unit),
            value: defect.found_on ? t("screen.survey.found", { day: day(defect.found_on) }) : "",
          })}
          {fixed && t("screen.survey.by_your_tests")}
          {"group" in defect && defect.group ? ` · ${defect.group}` : ""}
        </span>
      </Pick>
      {report && (
        <Verdict>
          <Worked
            working={workings[`/defects/${place}/fill_volume_mm3`] ?? workings[`/defects/${place}/removed_share`]}
          >
            <strong>{VERDICTS[report.verdict]}.</strong>
            {report.chosen && report.chosen !== report.verdict && (
              <>
                {" "}
                <strong>
                  {t("screen.survey.you_chose", {
                    to_lower_case: VERDICTS[report.chosen as DefectReport["verdict"]].toLowerCase(),
                  })}
                </strong>
              </>
            )}{" "}
            <MessageText message={report.reason} />
          </Worked>
        </Verdict>
      )}
      {chosen && !fixed && (
        <div style={{ gridColumn: "1 / -1", padding: "0 14px 12px" }}>
          {report && <RepairChoice defect={defect} report={report} />}
          <DefectFields defect={defect} />
        </div>
      )}
    </Item>
  );
}
