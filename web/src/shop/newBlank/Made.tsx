import type { Intake, Problem } from "../../api/document";
import { t } from "../../i18n/texts";
import { AdviceList, Worked } from "../../kit/Advice";
import { amountText } from "../../kit/measure";
import { Fault, Heading, Quiet } from "../../kit/parts";
import { useUnit } from "../../kit/Units";

type Props = {
  answer: Intake | undefined;
  problem: Problem | undefined;
  /** Has it been said what it is? */ named: boolean;
};

/** What the lump comes to so far. */
export function Made({ answer, problem, named }: Props) {
  const unit = useUnit();
  return (
    <>
      <Heading>{t("screen.shop.what_that_makes")}</Heading>
      {problem && <Fault role="alert">{problem.errors?.[0] ? `${problem.errors[0].detail}` : problem.detail}</Fault>}
      {answer && (
        <>
          <p>
            <Worked working={answer.workings["/volume_mm3"]}>
              {t("screen.shop.volume")} <strong>{amountText(answer.volume_mm3, "mm3", unit)}</strong>
            </Worked>
          </p>
          {answer.density_kg_m3 !== null && (
            <p>
              <Worked working={answer.workings["/density_kg_m3"]}>
                {t("screen.shop.density")} <strong>{amountText(answer.density_kg_m3, "kg/m3", unit)}</strong>
              </Worked>
            </p>
          )}
          {named && <AdviceList advice={answer.says} workings={{}} />}
        </>
      )}
      <Quiet>{t("screen.shop.on_the_rack_it_starts_at")}</Quiet>
    </>
  );
}
