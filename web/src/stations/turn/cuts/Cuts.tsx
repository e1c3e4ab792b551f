import { useState } from "react";
import { api } from "../../../api/client";
import type { Cuts as Plan, Document, Route } from "../../../api/document";
import { useNewest } from "../../../api/useNewest";
import { useBlank, useRoute } from "../../../draft/contexts";
import { capital, messageText, t } from "../../../i18n/texts";
import { Button } from "../../../kit/Button";
import { Choice } from "../../../kit/Choice";
import { amountText } from "../../../kit/measure";
import { Fault, Quiet, Row } from "../../../kit/parts";
import { useSettled } from "../../../kit/useSettled";
import { useUnit } from "../../../kit/Units";
import { CutDrawing } from "../../../piece/CutDrawing";
import { CoreOut } from "./CoreOut";
import { Region } from "./Region";
import { TearOut } from "./TearOut";

const SETTLED_MS = 300;

/** Every cut of the way, in order: which tool, which way, how hard, how long, and the picture of it. */
export function Cuts() {
  const blank = useBlank();
  const document = useSettled<Document>(blank.document, SETTLED_MS);
  const { answer, problem } = useNewest(document.form ? document : undefined, api.cuts);
  const way = useRoute();
  if (!document.form) return null;
  return (
    <>
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {!answer && !problem && <Quiet role="status">{t("screen.turn.cut.planning")}</Quiet>}
      {answer && <Steps plan={answer} route={way?.route} looked={way?.step} />}
    </>
  );
}

/** Names of the steps, as the route has them. */
function namesOf(route: Route | undefined, unit: ReturnType<typeof useUnit>): (step: string) => string {
  const steps = route?.alternatives[0]?.steps ?? [];
  return (id) => {
    const step = steps.find((one) => one.id === id);
    return step ? messageText(step.name, unit) : capital(id.replaceAll("_", " "));
  };
}

type StepsProps = { plan: Plan; route: Route | undefined; looked: string | undefined };

/** looked: the step that the route is looked at, which is shown first. */
function Steps({ plan, route, looked }: StepsProps) {
  const unit = useUnit();
  const { document, assessment } = useBlank();
  const { form } = assessment.geometry;
  const nameOf = namesOf(route, unit);
  const steps = [...new Set(plan.regions.map(({ step }) => step))];
  const [chosen, choose] = useState<string>();
  const [at, go] = useState(0);
  const step = [chosen, looked].find((one) => one !== undefined && steps.includes(one)) ?? steps[0];
  const regions = plan.regions.filter((region) => region.step === step);
  const here = Math.min(at, regions.length - 1);
  const region = regions[here];
  return (
    <>
      {plan.refused.map((one) => (
        <Fault key={`${one.step}${one.side ?? ""}${one.z_mm?.[0] ?? ""}`} as="p">
          {t(one.z_mm ? "screen.turn.cut.refused_at" : "screen.turn.cut.refused", {
            step: nameOf(one.step),
            side: one.side ? t(`cuts.sides.${one.side}`).toLowerCase() : "",
            from: amountText(one.z_mm?.[0] ?? 0, "mm", unit),
            to: amountText(one.z_mm?.[1] ?? 0, "mm", unit),
            why: capital(messageText(one.why, unit)),
          })}
        </Fault>
      ))}
      {step && (
        <Choice
          label={t("screen.turn.section.cuts")}
          value={step}
          options={Object.fromEntries(steps.map((id) => [id, nameOf(id)]))}
          onChange={(next) => {
            choose(next);
            go(0);
          }}
        />
      )}
      {region && (
        <>
          <CutDrawing
            {...{ regions, here }}
            onLook={go}
            lengthMm={assessment.geometry.length_mm}
            {...(form && { form: { ...form, opensAtTail: document.form?.opens !== "head" } })}
          />
          <Row style={{ justifyContent: "space-between", alignItems: "center" }}>
            <Button isDisabled={here === 0} onPress={() => go(here - 1)}>
              {t("screen.turn.cut.before")}
            </Button>
            <span>{t("screen.turn.cut.of", { number: here + 1, count: regions.length })}</span>
            <Button isDisabled={here === regions.length - 1} onPress={() => go(here + 1)}>
              {t("screen.turn.cut.next")}
            </Button>
          </Row>
          <Region region={region} key={`${step}${here}`} />
        </>
      )}
      {plan.core_out && <CoreOut core={plan.core_out} />}
      <TearOut plan={plan} />
    </>
  );
}
