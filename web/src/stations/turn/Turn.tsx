import styled from "styled-components";
import type { Stage, StageName } from "../../api/document";
import { amountText, clockText, planeText } from "../../kit/measure";
import { t } from "../../i18n/texts";
import { AdviceList, Worked } from "../../kit/Says";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { STAGES } from "../../kit/stages";
import { Holding } from "./Holding";
import { OnLathe } from "./OnLathe";
import { Heading, Quiet } from "../../kit/parts";
import { Strip } from "./Strip";
import type { AtStation } from "../../draft/atStation";

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

/** How fast at each stage, what holds it down, and the speeds to climb by. */
export function Turn(at: AtStation) {
  const { stages, workings, findings } = at.assessment;
  const names = (Object.keys(STAGES) as StageName[]).filter((name) => stages[name]);
  return (
    <>
      <AdviceList advice={findings.turn.slice(names.length)} workings={workings} />
      <Holding at={at} />
      <Strip at={at} />
      <Heading>How fast</Heading>
      <OnLathe at={at} />
      {names.map((name) => {
        const stage = stages[name];
        return stage && <StageCard key={name} name={name} stage={stage} workings={workings} />;
      })}
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
  workings: AtStation["assessment"]["workings"];
}) {
  const unit = useUnit();
  const shown = (value: number | null, of: string) => amountText(value, of, unit);
  const growsFirst =
    stage.crack_runs_rpm !== null && stage.burst_rpm !== null && stage.crack_runs_rpm < stage.burst_rpm;
  const working = (key: string) => workings[`/stages/${name}/${key}`];
  return (
    <Card $stop={stage.not_like_this} aria-label={STAGES[name]}>
      <h3>
        {STAGES[name]}
        <span>{stage.not_like_this ? "unsafe as planned" : `≤ ${shown(stage.limit_rpm, "rpm")}`}</span>
      </h3>
      <div className="why">
        <Worked working={working("limit_rpm")}>
          Limited by {t(`caps.${stage.governed_by}.name`)}. {t(`caps.${stage.governed_by}.lifts`)}
        </Worked>
      </div>
      {stage.worst && stage.worst.limit_rpm < stage.limit_rpm * 0.98 && (
        <div className="doubt">
          If every crack is as deep as it may be:{" "}
          <strong>
            {stage.worst.not_like_this ? "unsafe as planned" : `≤ ${shown(stage.worst.limit_rpm, "rpm")}`}
          </strong>
          .
        </div>
      )}
      {stage.ladder_rpm.length > 0 && (
        <>
          <Rungs aria-label="Speeds to climb by">
            {stage.ladder_rpm.map((rung) => (
              <li key={rung}>{shown(rung, "rpm").replace(" rpm", "")}</li>
            ))}
          </Rungs>
          <Quiet as="div">
            <Worked working={working("ladder_rpm/0")}>
              {stage.belt ? `Belt ${stage.belt}. ` : ""}Stop and listen at each; feel the headstock; only then go on.
            </Worked>
          </Quiet>
        </>
      )}
      <div>
        <Worked working={working("mass_g")}>
          Weighs <strong>{shown(stage.mass_g, "g")}</strong>, swings <strong>{shown(stage.swing_mm, "mm")}</strong>.
        </Worked>
      </div>
      {stage.crack_runs_rpm !== null && (
        <div>
          <Worked working={working("crack_runs_rpm")}>
            {stage.crack_runs_at.join(", ")} would grow at about <strong>{shown(stage.crack_runs_rpm, "rpm")}</strong>.
          </Worked>
        </div>
      )}
      <div>
        <Worked working={working("burst_rpm")}>
          {stage.burst_rpm === null ? (
            "Nothing pulls it apart."
          ) : (
            <>
              {growsFirst ? "Without the stress at that tip it would split" : "Splits"} along{" "}
              <strong>{planeText(stage.weak_plane_clock_deg)}</strong> at about{" "}
              <strong>{shown(stage.burst_rpm, "rpm")}</strong>.
            </>
          )}
        </Worked>
      </div>
      {stage.recentre && (
        <div>
          <Worked working={working("recentre/mm")}>
            Heavy at {clockText(stage.recentre.clock_deg)}: move the centres{" "}
            <strong>{shown(stage.recentre.mm, "mm")}</strong> that way.
          </Worked>
        </div>
      )}
      {stage.counterweight && (
        <div>
          <Worked working={working("counterweight/mass_g")}>
            {stage.recentre ? "Or a counterweight" : "Counterweight"}:{" "}
            <strong>{shown(stage.counterweight.mass_g, "g")}</strong> at {clockText(stage.counterweight.clock_deg)},{" "}
            {shown(stage.counterweight.radius_mm, "mm")} out.
          </Worked>
        </div>
      )}
    </Card>
  );
}
