import styled from "styled-components";
import type { Stage, StageName } from "../../api/document";
import { amountText, clockText, planeText } from "../../kit/measure";
import { t } from "../../i18n/texts";
import { AdviceList, Worked } from "../../kit/Advice";
import { ink } from "../../kit/theme";
import { OddsLine } from "../../kit/OddsLine";
import { Sections } from "../../kit/Sections";
import { useUnit } from "../../kit/Units";
import { useKept } from "../../kit/useKept";
import { STAGES } from "../../kit/stages";
import { Holding } from "./Holding";
import { Measured } from "./Measured";
import { OnLathe } from "./OnLathe";
import { Quiet } from "../../kit/parts";
import { Cuts } from "./cuts/Cuts";
import { Strip } from "./Strip";
import { useBlank, type Blank } from "../../draft/contexts";

const Card = styled.section<{ $stop: boolean }>`
  border-top: 2px solid ${({ $stop }) => ($stop ? ink.rust : ink.ink)};
  padding: 10px 0 14px;
  h3 {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    font-size: 18px;
  }
  h3 span {
    font-size: 26px;
    font-weight: 700;
  }
  .why {
    color: ${ink.quiet};
  }
  .doubt {
    border-left: 5px solid ${ink.ochre};
    padding-left: 10px;
    margin: 6px 0;
  }
`;

const Rungs = styled.ol`
  display: flex;
  flex-wrap: wrap;
  margin: 8px 0 6px;
  li {
    border: 1px solid ${ink.slate};
    padding: 4px 10px;
    margin-right: -1px;
    font-weight: 650;
  }
  li:last-child {
    background: ${ink.moss};
    color: ${ink.onMoss};
    border-color: ${ink.moss};
  }
`;

const SECTIONS = ["speed", "workholding", "cuts", "measured"] as const;

/** How fast at each stage and why not faster; what holds it; which cuts take it there. */
export function Turn() {
  const blank = useBlank();
  const { stages, workings, advice } = blank.assessment;
  const [open, , setOpen] = useKept<(typeof SECTIONS)[number]>("section of turn", SECTIONS);
  const names = (Object.keys(STAGES) as StageName[]).filter((name) => stages[name]);
  const speed = (
    <>
      {names.map((name) => {
        const stage = stages[name];
        return stage && <StageCard key={name} name={name} stage={stage} workings={workings} />;
      })}
    </>
  );
  return (
    <>
      <AdviceList advice={advice.turn.slice(names.length)} workings={workings} />
      <OddsLine id={blank.id} />
      <OnLathe />
      <Sections
        open={open}
        onOpen={setOpen}
        sections={[
          { key: "speed", title: t("screen.turn.section.speed"), body: speed },
          { key: "workholding", title: t("screen.turn.section.workholding"), body: <Holding /> },
          { key: "cuts", title: t("screen.turn.section.cuts"), body: <Cutting /> },
          { key: "measured", title: t("screen.turn.section.measured"), body: <Measured /> },
        ]}
      />
    </>
  );
}

function Cutting() {
  return (
    <>
      <Cuts />
      <Strip />
    </>
  );
}

function StageCard({
  name,
  stage,
  workings,
}: {
  name: StageName;
  stage: Stage;
  workings: Blank["assessment"]["workings"];
}) {
  const unit = useUnit();
  const shown = (value: number | null, of: string) => amountText(value, of, unit);
  const growsFirst =
    stage.crack_runs_rpm !== null && stage.burst_rpm !== null && stage.crack_runs_rpm < stage.burst_rpm;
  const working = (key: string) => workings[`/stages/${name}/${key}`];
  return (
    <Card $stop={stage.unsafe} aria-label={STAGES[name]}>
      <h3>
        {STAGES[name]}
        <span>{stage.unsafe ? t("screen.turn.unsafe_as_planned") : `≤ ${shown(stage.limit_rpm, "rpm")}`}</span>
      </h3>
      <div className="why">
        <Worked working={working("limit_rpm")}>
          {t("screen.turn.limited_by", {
            t: t(`caps.${stage.governed_by}.name`),
            t_2: t(`caps.${stage.governed_by}.lifts`),
          })}
        </Worked>
      </div>
      {stage.worst && stage.worst.limit_rpm < stage.limit_rpm * 0.98 && (
        <div className="doubt">
          {t("screen.turn.if_every_crack_is_as_deep")}{" "}
          <strong>
            {stage.worst.unsafe ? t("screen.turn.unsafe_as_planned") : `≤ ${shown(stage.worst.limit_rpm, "rpm")}`}
          </strong>
          .
        </div>
      )}
      {stage.speed_steps_rpm.length > 0 && (
        <>
          <Rungs aria-label={t("screen.turn.speeds_to_climb_by")}>
            {stage.speed_steps_rpm.map((rung) => (
              <li key={rung}>{shown(rung, "rpm").replace(" rpm", "")}</li>
            ))}
          </Rungs>
          <Quiet as="div">
            <Worked working={working("speed_steps_rpm/0")}>
              {t("screen.turn.stop_and_listen_at_each_feel", {
                value: stage.belt ? `${t("screen.turn.belt", { belt: stage.belt })} ` : "",
              })}
            </Worked>
          </Quiet>
        </>
      )}
      <div>
        <Worked working={working("mass_g")}>
          {t("screen.turn.weighs")} <strong>{shown(stage.mass_g, "g")}</strong>
          {t("screen.turn.swings")} <strong>{shown(stage.swing_mm, "mm")}</strong>.
        </Worked>
      </div>
      {stage.crack_runs_rpm !== null && (
        <div>
          <Worked working={working("crack_runs_rpm")}>
            {t("screen.turn.would_grow_at_about", { join: stage.crack_runs_at.join(", ") })}{" "}
            <strong>{shown(stage.crack_runs_rpm, "rpm")}</strong>.
          </Worked>
        </div>
      )}
      <div>
        <Worked working={working("burst_rpm")}>
          {stage.burst_rpm === null ? (
            t("screen.turn.nothing_pulls_it_apart")
          ) : (
            <>
              {t("screen.turn.along", {
                value: growsFirst ? t("screen.turn.without_the_stress_at_that_tip") : t("screen.turn.splits"),
              })}{" "}
              <strong>{planeText(stage.weak_plane_clock_deg)}</strong> {t("screen.turn.at_about")}{" "}
              <strong>{shown(stage.burst_rpm, "rpm")}</strong>.
            </>
          )}
        </Worked>
      </div>
      {stage.recentre && (
        <div>
          <Worked working={working("recentre/mm")}>
            {t("screen.turn.heavy_at_move_the_centres", { clock_deg: clockText(stage.recentre.clock_deg) })}{" "}
            <strong>{shown(stage.recentre.mm, "mm")}</strong> {t("screen.turn.that_way")}
          </Worked>
        </div>
      )}
      {stage.counterweight && (
        <div>
          <Worked working={working("counterweight/mass_g")}>
            {stage.recentre ? t("screen.turn.or_a_counterweight") : t("screen.turn.counterweight")}:{" "}
            <strong>{shown(stage.counterweight.mass_g, "g")}</strong>{" "}
            {t("screen.turn.at_out", {
              clock_deg: clockText(stage.counterweight.clock_deg),
              radius_mm: shown(stage.counterweight.radius_mm, "mm"),
            })}
          </Worked>
        </div>
      )}
    </Card>
  );
}
