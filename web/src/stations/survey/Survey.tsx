import styled from "styled-components";
import type { Defect, DefectReport } from "../../api/document";
import { isPath } from "../../api/document";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { amountText, clockText } from "../../kit/measure";
import { AdviceList, Told, Worked } from "../../kit/Says";
import { Place } from "../../kit/Sought";
import { focusRing, ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { Photographs } from "../../photo/Photographs";
import { NAMES } from "../../piece/Defect";
import { freeId, today, type Tool } from "../../piece/edit";
import { middleOf } from "../../piece/geometry";
import { DefectFields, FOUND_BY } from "./DefectFields";
import { NextTest } from "./NextTest";
import { Tests } from "./Tests";
import { Ways } from "./Repairs";
import { Worth } from "./Worth";
import { Quiet, Row } from "../../kit/parts";
import type { AtStation } from "../../draft/atStation";
import { Button as AriaButton } from "react-aria-components";

const TOOLS: Record<Tool, string> = {
  crack: "Crack",
  void: "Void",
  soft_zone: "Soft zone",
  galleries: "Galleries",
  bark_inclusion: "Bark",
  loose_piece: "Loose piece",
  hard_inclusion: "Stone or knot",
  resin_body: "Resin",
  bubble_pocket: "Bubbles",
  delamination: "Opened glue line",
};
const drawnAlong = (tool: Tool) => tool === "crack" || tool === "bark_inclusion" || tool === "delamination";
export const VERDICTS: Record<DefectReport["verdict"], string> = {
  cut_away: "Cut away",
  leave: "Leave",
  fill: "Fill",
  cast: "Cast",
  hold: "Hold",
  soak: "Soak",
  dry_first: "Dry first",
  remove_now: "Take out now",
  stop: "Stop",
};

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

const Pointing = styled.div`
  border: 2px solid ${ink.moss};
  padding: 10px 12px;
  margin: 10px 0;
`;

/** What was found, and what it means. */
export function Survey(at: AtStation) {
  const { assessment, document } = at;
  return (
    <>
      <AdviceList lead advice={assessment.findings.survey} workings={assessment.workings} />
      {document.intake && <Came intake={document.intake} />}
      <Choice
        label="On the lathe it sits"
        value={at.sits}
        options={{ mounted: "As first mounted", reversed: "Turned end for end" }}
        onChange={at.setSits}
      />
      {at.sits === "reversed" && (
        <Quiet>Head, tail and hours are as it sits now; they are kept as it was first mounted.</Quiet>
      )}
      <Surveys at={at} />
      <Place of="survey">
        <ul aria-label="What was found" style={{ marginTop: 10 }}>
          {document.defects
            .filter(({ found_on = "" }) => at.seenBy === undefined || found_on <= at.seenBy)
            .map((defect) => (
              <Found
                key={defect.id}
                at={at}
                defect={defect}
                report={assessment.defects.find(({ id }) => id === defect.id)}
              />
            ))}
        </ul>
      </Place>
      {document.defects.length === 0 && (
        <Quiet>Nothing found yet. Go round it with pencil, feeler, awl and meter, and point at what you find.</Quiet>
      )}
      <ByTest at={at} />
      <AddFound at={at} />
      <Tests at={at} />
      <NextTest at={at} />
      <Photographs at={at} />
      <Worth at={at} />
    </>
  );
}

/** What tests make of it beside the survey: judged like the rest, changed only by more tests. */
function ByTest({ at }: { at: AtStation }) {
  const shown = at.assessment.defects.filter(({ by_test }) => by_test);
  const bodies = at.assessment.geometry.by_test as unknown as Defect[];
  if (shown.length === 0) return null;
  const putDown = () =>
    at.draft.change({
      ...at.document,
      defects: bodies.reduce(
        (defects: Defect[], defect) => [...defects, { ...defect, id: freeId(defects), found_on: today() }],
        at.document.defects,
      ),
    });
  return (
    <>
      <ul aria-label="What tests show">
        {bodies.map((defect) => (
          <Found key={defect.id} at={at} defect={defect} report={shown.find(({ id }) => id === defect.id)} fixed />
        ))}
      </ul>
      {/* About another axis they are not where the survey would have them. */}
      {at.assessment.geometry.on_centres === null && (
        <Row>
          <Button onPress={putDown}>Put down what tests show, to be mended</Button>
        </Row>
      )}
    </>
  );
}

const day = (found_on: string) => new Date(found_on).toLocaleDateString("en-GB", { day: "numeric", month: "short" });

/** The surveys one after another, where there was more than one: what was known by which day. */
function Surveys({ at }: { at: AtStation }) {
  const days = [...new Set(at.document.defects.map(({ found_on = "" }) => found_on))].sort();
  if (days.length < 2) return null;
  const options = Object.fromEntries(
    days.map((found_on, index) => [
      found_on || "first",
      index === 0 ? `First survey${found_on && `, ${day(found_on)}`}` : `to ${day(found_on)}`,
    ]),
  );
  const last = days.at(-1) ?? "";
  const shown = at.seenBy === undefined ? last : at.seenBy;
  return (
    <Choice
      label="As it was known"
      value={shown || "first"}
      options={options}
      onChange={(chosen) => at.setSeenBy(chosen === last ? undefined : chosen === "first" ? "" : chosen)}
    />
  );
}

const BARK = { on: "bark on", part: "bark in part", off: "bark off" } as const;

/** Where it came from, as far as anybody wrote it down. */
function Came({ intake }: { intake: NonNullable<AtStation["document"]["intake"]> }) {
  const { origin, cost, got_on, bark } = intake;
  const said = [
    origin && `From ${origin}`,
    got_on && `got ${new Date(got_on).toLocaleDateString("en-GB", { day: "numeric", month: "long", year: "numeric" })}`,
    cost !== undefined && (cost === 0 ? "cost nothing" : `cost ${amountText(cost, "money", "mm")}`),
    bark && BARK[bark],
  ];
  return <Quiet>{said.filter(Boolean).join(" · ")}</Quiet>;
}

function AddFound({ at }: { at: AtStation }) {
  if (at.tool) {
    const tool = at.tool;
    return (
      <Pointing role="status">
        <p>
          <strong>{TOOLS[tool]}:</strong>{" "}
          {drawnAlong(tool)
            ? "draw along it on the skin or the end, along its tip in the section, or point at its middle."
            : "point at its middle, on the skin, the end or the section."}
        </p>
        <Row style={{ marginTop: 8 }}>
          <Button onPress={() => at.placeHere(tool)}>Put it at the hand</Button>
          <Button $kind="quiet" onPress={() => at.take(undefined)}>
            Never mind
          </Button>
        </Row>
      </Pointing>
    );
  }
  return (
    <Row style={{ marginTop: 16 }}>
      <span style={{ flex: "1 0 100%", fontWeight: 650 }}>Found something?</span>
      {(Object.keys(TOOLS) as Tool[]).map((tool) => (
        <Button key={tool} onPress={() => at.take(tool)}>
          {TOOLS[tool]}
        </Button>
      ))}
    </Row>
  );
}

/** "25 mm deep, 52 mm of run" and the like, from what was surveyed. */
function extent(defect: Defect, unit: ReturnType<typeof useUnit>): string {
  const mm = (value: number) => amountText(value, "mm", unit);
  if (isPath(defect)) {
    const [least, most] = defect.depth_range_mm ?? [];
    const doubt = least !== undefined && most !== undefined ? ` (${mm(least).replace(/ mm$/, "")} to ${mm(most)})` : "";
    return `${mm(defect.depth_mm)} deep${doubt}${defect.found_by ? `, ${FOUND_BY[defect.found_by]}` : ""}, ${defect.type === "bark_inclusion" ? "thickness" : "mouth"} ${mm(defect.width_mm)}`;
  }
  return (
    defect.size_mm.map((size) => amountText(size, "mm", unit).replace(/ mm$/, "")).join(" × ") +
    (unit === "mm" ? " mm" : "")
  );
}

const graded = (defect: Defect) =>
  defect.type === "soft_zone"
    ? `${{ firm: "Firm", soft: "Soft", spongy: "Spongy" }[defect.grade]} zone`
    : NAMES[defect.type];

function Found({
  at,
  defect,
  report,
  fixed = false,
}: {
  at: AtStation;
  defect: Defect;
  report: DefectReport | undefined;
  fixed?: boolean;
}) {
  const unit = useUnit();
  const chosen = at.chosen === defect.id;
  const { workings } = at.assessment;
  const place = at.assessment.defects.findIndex(({ id }) => id === defect.id);
  const middle = middleOf(defect, at.assessment.geometry);
  return (
    <Item $chosen={chosen}>
      <Pick aria-expanded={chosen} onPress={() => at.choose(chosen ? undefined : defect.id)}>
        <span className="letter">{defect.id}</span>
        <span>
          <strong>{graded(defect)}</strong> at {clockText(middle.clockDeg)}, {extent(defect, unit)}
          {defect.found_on ? `, found ${day(defect.found_on)}` : ""}
          {fixed && ", by your tests"}
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
                <strong>You chose: {VERDICTS[report.chosen as DefectReport["verdict"]].toLowerCase()}.</strong>
              </>
            )}{" "}
            <Told message={report.reason} />
          </Worked>
        </Verdict>
      )}
      {chosen && !fixed && (
        <div style={{ gridColumn: "1 / -1", padding: "0 14px 12px" }}>
          {report && <Ways at={at} defect={defect} report={report} />}
          <DefectFields at={at} defect={defect} />
        </div>
      )}
    </Item>
  );
}
