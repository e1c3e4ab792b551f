import { useState } from "react";
import styled from "styled-components";
import { api } from "../../api/client";
import type { CutRegion, Cuts as Plan, Document, Route } from "../../api/document";
import { useNewest } from "../../api/useNewest";
import { useBlank, useRoute } from "../../draft/contexts";
import { capital, messageText, t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { amountText } from "../../kit/measure";
import { Fault, Heading, Quiet, Row } from "../../kit/parts";
import { ink } from "../../kit/theme";
import { useSettled } from "../../kit/useSettled";
import { useUnit } from "../../kit/Units";
import { CutDrawing } from "../../piece/CutDrawing";

const SETTLED_MS = 300;

const Figures = styled.dl`
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px 14px;
  margin: 10px 0;
  dt {
    font-size: 14px;
    color: ${ink.quiet};
  }
  dd {
    font-size: 20px;
    font-weight: 700;
    margin: 0;
  }
  dd small {
    display: block;
    font-size: 14px;
    font-weight: 400;
    color: ${ink.quiet};
  }
`;

const Tool = styled.h3`
  font-size: 24px;
  font-weight: 750;
  line-height: 1.2;
  span {
    display: block;
    font-size: 16px;
    font-weight: 400;
  }
`;

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

/** The second blank there is in the hollow, before it becomes shavings. */
function CoreOut({ core }: { core: NonNullable<Plan["core_out"]> }) {
  const unit = useUnit();
  const shown = (value: number, of: string) => amountText(value, of, unit);
  const torque = { torque: shown(core.torque_nm, "N m"), belt: shown(core.belt_torque_nm ?? 0, "N m") };
  return (
    <section aria-label={t("screen.turn.core.heading")}>
      <Heading>{t("screen.turn.core.heading")}</Heading>
      <p>
        {t("screen.turn.core.size", {
          diameter: shown(core.diameter_mm, "mm"),
          height: shown(core.height_mm, "mm"),
          mass: shown(core.mass_g, "g"),
          knife: shown(core.knife_mm, "mm"),
        })}{" "}
        {core.holds.length > 0 && t("screen.turn.core.holds", { ids: core.holds.join(", ") })}
      </p>
      <Quiet>
        {core.why_not
          ? t(`screen.turn.core.why_not.${core.why_not}`, torque)
          : t(core.belt_torque_nm === null ? "screen.turn.core.takes" : "screen.turn.core.takes_of", torque)}
      </Quiet>
    </section>
  );
}

function Region({ region }: { region: CutRegion }) {
  const unit = useUnit();
  const blank = useBlank();
  const shown = (value: number, of: string) => amountText(value, of, unit);
  const [how, showHow] = useState(false);
  const [others, showOthers] = useState(false);
  const [least = 0, most = 0] = region.minutes;
  const notes = [
    region.look_at.length > 0 && t("screen.turn.cut.look_at", { ids: region.look_at.join(", ") }),
    region.leave_mm !== null &&
      region.wall_step_mm !== null &&
      t("screen.turn.cut.leave", { leave: shown(region.leave_mm, "mm"), step: shown(region.wall_step_mm, "mm") }),
    region.finish_tool &&
      region.change_mm !== null &&
      t("screen.turn.cut.finish", {
        tool: t(`tables.tools.${region.finish_tool}.name`),
        left: shown(region.change_mm, "mm"),
      }),
    region.leave_mm === null &&
      region.wall_step_mm !== null &&
      t("screen.turn.cut.wall_step", { step: shown(region.wall_step_mm, "mm") }),
    region.air_share > 0.02 && t("screen.turn.cut.air", { air: shown(region.air_share, "share") }),
    region.belt !== null && region.belt_torque_nm !== null
      ? t("screen.turn.cut.belt", {
          belt: region.belt,
          torque: shown(region.belt_torque_nm, "N m"),
          needed: shown(region.torque_nm, "N m"),
        })
      : t("screen.turn.cut.no_belt", { needed: shown(region.torque_nm, "N m") }),
    region.belt !== null && blank.document.lathe?.power_w === undefined && t("screen.turn.cut.unsaid_power"),
  ].filter((note) => note !== false);
  return (
    <section aria-label={t("screen.turn.cut.heading")}>
      <Tool>
        {capital(t(`tables.tools.${region.tool}.name`))}
        <span>
          {t(`cuts.sides.${region.side}`)}, {t(`cuts.kinds.${region.kind}`)}: {t(`cuts.directions.${region.direction}`)}
        </span>
      </Tool>
      <Figures>
        <div>
          <dt>{t("screen.turn.cut.speed")}</dt>
          <dd>{shown(region.rpm, "rpm")}</dd>
        </div>
        <div>
          <dt>{t("screen.turn.cut.force")}</dt>
          <dd>
            {shown(region.force_n, "N")}
            {region.allowed_n !== null && (
              <small>{t("screen.turn.cut.of_allowed", { allowed: shown(region.allowed_n, "N") })}</small>
            )}
          </dd>
        </div>
        <div>
          <dt>{t(region.down_mm === null ? "screen.turn.cut.depth" : "screen.turn.cut.down")}</dt>
          <dd>{shown(region.down_mm ?? region.depth_mm, "mm")}</dd>
        </div>
        <div>
          <dt>{t("screen.turn.cut.overhang")}</dt>
          <dd>{shown(region.overhang_mm, "mm")}</dd>
        </div>
        <div>
          <dt>{t("screen.turn.cut.time")}</dt>
          <dd>{minutesText(least, most)}</dd>
        </div>
        <div>
          <dt>{t("screen.turn.cut.sharpen")}</dt>
          <dd>{shown(region.sharpen_every_min, "min")}</dd>
        </div>
      </Figures>
      <p>{notes.join(" ")}</p>
      <p>
        {region.second &&
          t(region.second === region.finish_tool ? "screen.turn.cut.second_alone" : "screen.turn.cut.second", {
            tool: t(`tables.tools.${region.second}.name`),
          })}
      </p>
      <Row>
        <Button $kind="quiet" aria-expanded={how} onPress={() => showHow(!how)}>
          {t("screen.turn.cut.how")}
        </Button>
        <Button $kind="quiet" aria-expanded={others} onPress={() => showOthers(!others)}>
          {t("screen.turn.cut.not_these")}
        </Button>
      </Row>
      {how && <p>{t(`cuts.how.${region.side}.${region.how}`)}</p>}
      {others && (
        <ul>
          {region.out.map(({ tool, why }) => (
            <li key={tool}>
              <strong>{capital(t(`tables.tools.${tool}.name`))}</strong>: {t(`cuts.why.${why}`)}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** "9 to 20 min", whole minutes, and one number where they are the same. */
function minutesText(least: number, most: number): string {
  const [from, to] = [Math.max(1, Math.round(least)), Math.max(1, Math.ceil(most))];
  return from === to ? `${to} min` : t("screen.turn.cut.minutes", { from, to });
}

function TearOut({ plan }: { plan: Plan }) {
  const unit = useUnit();
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button $kind="quiet" aria-expanded={open} onPress={() => setOpen(!open)}>
        {t("screen.turn.cut.torn")}
      </Button>
      {open && (
        <ol>
          {plan.tear_out.map(({ key, min_per_dm2, wall_mm }) => (
            <li key={key}>
              {t("screen.turn.cut.torn_row", {
                what: t(`cuts.tear_out.${key}`),
                minutes: min_per_dm2,
                wall: amountText(wall_mm, "mm", unit),
              })}
            </li>
          ))}
        </ol>
      )}
    </>
  );
}
