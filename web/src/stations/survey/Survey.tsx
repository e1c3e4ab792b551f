import { useEffect } from "react";
import styled from "styled-components";
import type { Defect, DefectReport } from "../../api/document";
import { isPath, without } from "../../api/document";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { amountText, clockText } from "../../kit/measure";
import { AdviceList, MessageText, Worked } from "../../kit/Advice";
import { Sections } from "../../kit/Sections";
import { Place } from "../../kit/SoughtPlace";
import { focusRing, ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { useKept } from "../../kit/useKept";
import { Photographs } from "../../photo/Photographs";
import { NAMES } from "../../piece/Defect";
import { freeId, today, type Tool } from "../../piece/edit";
import { middleOf } from "../../piece/geometry";
import { DefectFields, FOUND_BY } from "./DefectFields";
import { NextTest } from "./NextTest";
import { Tests } from "./Tests";
import { RepairChoice } from "./Repairs";
import { Worth } from "./Worth";
import { Quiet, Row } from "../../kit/parts";
import { useBlank, useSelection, useDrawing, type Blank } from "../../draft/contexts";
import { Button as AriaButton } from "react-aria-components";
import { Looked, WentAllRound } from "./Looked";
import { t, words } from "../../i18n/texts";

const TOOLS: Record<Tool, string> = {
  crack: t("screen.survey.crack"),
  void: t("screen.survey.void"),
  soft_zone: t("screen.survey.soft_zone"),
  galleries: t("screen.survey.galleries"),
  bark_inclusion: t("screen.survey.bark"),
  loose_piece: t("screen.survey.loose_piece"),
  hard_inclusion: t("screen.survey.stone_or_knot"),
  resin_body: t("screen.survey.resin"),
  bubble_pocket: t("screen.survey.bubbles"),
  delamination: t("screen.survey.opened_glue_line"),
};
const drawnAlong = (tool: Tool) => tool === "crack" || tool === "bark_inclusion" || tool === "delamination";
export const VERDICTS: Record<DefectReport["verdict"], string> = {
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

const SECTIONS = ["defects", "tests", "photographs", "value"] as const;

/** What was found, and what it means. */
export function Survey() {
  const blank = useBlank();
  const selection = useSelection();
  const { assessment, document } = blank;
  const [open, , setOpen] = useKept<(typeof SECTIONS)[number]>("section of survey", SECTIONS);
  // What is chosen or placed on a drawing is seen in its list.
  useEffect(() => {
    if (selection.chosen || selection.tool) setOpen("defects");
  }, [selection.chosen, selection.tool, setOpen]);
  return (
    <>
      <AdviceList lead advice={assessment.advice.survey} workings={assessment.workings} />
      {assessment.coverage.needed && <WentAllRound />}
      {document.intake && <Came intake={document.intake} />}
      <Choice
        label={t("screen.survey.on_the_lathe_it_sits")}
        value={blank.sits}
        options={{ mounted: t("screen.survey.as_first_mounted"), reversed: t("screen.survey.turned_end_for_end") }}
        onChange={blank.setSits}
      />
      {blank.sits === "reversed" && <Quiet>{t("screen.survey.head_tail_and_hours_are_as")}</Quiet>}
      <Sections
        open={open}
        onOpen={setOpen}
        sections={[
          { key: "defects", title: t("screen.survey.section.defects"), body: <Defects />, seeks: ["survey"] },
          {
            key: "tests",
            title: t("screen.survey.section.tests"),
            body: (
              <>
                <Tests />
                <NextTest />
                <Looked />
                <Pith />
              </>
            ),
          },
          { key: "photographs", title: t("screen.survey.section.photographs"), body: <Photographs /> },
          { key: "value", title: t("screen.survey.section.value"), body: <Worth /> },
        ]}
      />
    </>
  );
}

/** How far cracks open as the wood dries follows it. */
function Pith() {
  const { document, draft } = useBlank();
  const { material } = document;
  if (material.kind !== "wood" && material.kind !== "hybrid") return null;
  return (
    <div style={{ marginTop: 14 }}>
      <Choice
        label={t("screen.survey.pith_is")}
        value={material.pith ?? "unknown"}
        options={words("screen.survey.pith", ["in", "out", "unknown"])}
        onChange={(pith) =>
          draft.change({
            ...document,
            material: pith === "unknown" ? without(material, "pith") : { ...material, pith },
          })
        }
      />
    </div>
  );
}

/** What was found, what tests show beside it, and how more is put down. */
function Defects() {
  const selection = useSelection();
  const { assessment, document } = useBlank();
  return (
    <>
      <Surveys />
      <Place of="survey">
        <ul aria-label={t("screen.survey.what_was_found")} style={{ marginTop: 10 }}>
          {document.defects
            .filter(({ found_on = "" }) => selection.seenBy === undefined || found_on <= selection.seenBy)
            .map((defect) => (
              <Found
                key={defect.id}

                defect={defect}
                report={assessment.defects.find(({ id }) => id === defect.id)}
              />
            ))}
        </ul>
      </Place>
      {document.defects.length === 0 && <Quiet>{t("screen.survey.nothing_found_yet_go_round_it")}</Quiet>}
      <ByTest />
      <AddFound />
    </>
  );
}

/** What tests make of it beside the survey: judged like the rest, changed only by more tests. */
function ByTest() {
  const blank = useBlank();
  const shown = blank.assessment.defects.filter(({ by_test }) => by_test);
  const bodies = blank.assessment.geometry.by_test;
  if (shown.length === 0) return null;
  const putDown = () =>
    blank.draft.change({
      ...blank.document,
      defects: bodies.reduce(
        (defects: Defect[], defect) => [...defects, { ...defect, id: freeId(defects), found_on: today() }],
        blank.document.defects,
      ),
    });
  return (
    <>
      <ul aria-label={t("screen.survey.what_tests_show")}>
        {bodies.map((defect) => (
          <Found key={defect.id} defect={defect} report={shown.find(({ id }) => id === defect.id)} fixed />
        ))}
      </ul>
      {/* About another axis they are not where the survey would have them. */}
      {blank.assessment.geometry.on_centres === null && (
        <Row>
          <Button onPress={putDown}>{t("screen.survey.put_down_what_tests_show_to")}</Button>
        </Row>
      )}
    </>
  );
}

const day = (found_on: string) => new Date(found_on).toLocaleDateString("en-GB", { day: "numeric", month: "short" });

/** The surveys one after another, where there was more than one: what was known by which day. */
function Surveys() {
  const blank = useBlank();
  const selection = useSelection();
  const days = [...new Set(blank.document.defects.map(({ found_on = "" }) => found_on))].sort();
  if (days.length < 2) return null;
  const options = Object.fromEntries(
    days.map((found_on, index) => [
      found_on || "first",
      index === 0
        ? t("screen.survey.first_survey", { value: found_on && `, ${day(found_on)}` })
        : t("screen.survey.to_2", { day: day(found_on) }),
    ]),
  );
  const last = days.at(-1) ?? "";
  const shown = selection.seenBy === undefined ? last : selection.seenBy;
  return (
    <Choice
      label={t("screen.survey.as_it_was_known")}
      value={shown || "first"}
      options={options}
      onChange={(chosen) => selection.setSeenBy(chosen === last ? undefined : chosen === "first" ? "" : chosen)}
    />
  );
}

const BARK = {
  on: t("screen.survey.bark_on"),
  part: t("screen.survey.bark_in_part"),
  off: t("screen.survey.bark_off"),
} as const;

/** Where it came from, as far as anybody wrote it down. */
function Came({ intake }: { intake: NonNullable<Blank["document"]["intake"]> }) {
  const { origin, cost, got_on, bark } = intake;
  const said = [
    origin && t("screen.survey.from_2", { origin }),
    got_on &&
      t("screen.survey.got", {
        to_locale_date_string: new Date(got_on).toLocaleDateString("en-GB", {
          day: "numeric",
          month: "long",
          year: "numeric",
        }),
      }),
    cost !== undefined &&
      (cost === 0
        ? t("screen.survey.cost_nothing")
        : t("screen.survey.cost", { cost: amountText(cost, "money", "mm") })),
    bark && BARK[bark],
  ];
  return <Quiet>{said.filter(Boolean).join(" · ")}</Quiet>;
}

function AddFound() {
  const selection = useSelection();
  const drawing = useDrawing();
  if (selection.tool) {
    const tool = selection.tool;
    return (
      <Pointing role="status">
        <p>
          <strong>{TOOLS[tool]}:</strong>{" "}
          {drawnAlong(tool)
            ? t("screen.survey.draw_along_it_on_the_skin")
            : t("screen.survey.point_at_its_middle_on_the")}
        </p>
        <Row style={{ marginTop: 8 }}>
          <Button onPress={() => drawing.placeHere(tool)}>{t("screen.survey.put_it_at_the_hand")}</Button>
          <Button $kind="quiet" onPress={() => selection.take(undefined)}>
            {t("screen.survey.never_mind")}
          </Button>
        </Row>
      </Pointing>
    );
  }
  return (
    <Row style={{ marginTop: 16 }}>
      <span style={{ flex: "1 0 100%", fontWeight: 650 }}>{t("screen.survey.found_something")}</span>
      {(Object.keys(TOOLS) as Tool[]).map((tool) => (
        <Button key={tool} onPress={() => selection.take(tool)}>
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

function Found({
  defect,
  report,
  fixed = false,
}: {
  defect: Defect;
  report: DefectReport | undefined;
  fixed?: boolean;
}) {
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
