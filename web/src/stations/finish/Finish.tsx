import styled from "styled-components";
import { useBlank } from "../../draft/contexts";
import { amountText } from "../../kit/measure";
import { AdviceList, Worked } from "../../kit/Advice";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { Heading, Quiet } from "../../kit/parts";
import { Plan } from "./Plan";
import { t } from "../../i18n/texts";

const Papers = styled.ol`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 8px 0;
  li {
    min-width: 58px;
    text-align: center;
    padding: 10px 8px;
    border: 1px solid ${ink.slate};
    font-weight: 700;
  }
`;

/** Papers and coats by part of the skin, and how much of it there is. */
export function Finish() {
  const { assessment } = useBlank();
  const unit = useUnit();
  const { form, workings, advice } = assessment;
  return (
    <>
      <AdviceList advice={advice.finish.slice(1)} workings={workings} />
      <Plan />
      {!form && <OneList />}
      <Quiet>{t("screen.finish.look_across_a_lamp_before_each")}</Quiet>
      {form && (
        <>
          <Heading>{t("screen.finish.skin_to_finish")}</Heading>
          <div>
            <Worked working={workings["/form/skin_area_mm2/outside"]}>
              {t("screen.finish.outside")} <strong>{amountText(form.skin_area_mm2.outside, "mm2", unit)}</strong>
            </Worked>
          </div>
          {form.skin_area_mm2.inside > 0 && (
            <div>
              <Worked working={workings["/form/skin_area_mm2/inside"]}>
                {t("screen.finish.inside")} <strong>{amountText(form.skin_area_mm2.inside, "mm2", unit)}</strong>
              </Worked>
            </div>
          )}
        </>
      )}
    </>
  );
}

/** Before there is a form: the papers from the marks to expect, as one list. */
function OneList() {
  const { assessment } = useBlank();
  const unit = useUnit();
  const { finish, workings } = assessment;
  return (
    <>
      <Heading>{t("screen.finish.papers_for_in_this_order", { finish: finish.finish })}</Heading>
      <Papers>
        {finish.grits.map((grit) => (
          <li key={grit}>{t("screen.finish.p", { grit })}</li>
        ))}
      </Papers>
      <div>
        <Worked working={workings["/finish/deepest_mark_mm"]}>
          {t("screen.finish.starts_from_marks_of")} <strong>{amountText(finish.deepest_mark_mm, "mm", unit)}</strong>.
        </Worked>
      </div>
    </>
  );
}
