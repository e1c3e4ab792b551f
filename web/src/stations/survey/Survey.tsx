import { useEffect } from "react";
import { without } from "../../api/document";
import { useBlank, useSelection, type Blank } from "../../draft/contexts";
import { t, words } from "../../i18n/texts";
import { AdviceList } from "../../kit/Advice";
import { Choice } from "../../kit/Choice";
import { amountText } from "../../kit/measure";
import { Quiet } from "../../kit/parts";
import { Sections } from "../../kit/Sections";
import { useKept } from "../../kit/useKept";
import { Photographs } from "../../photo/Photographs";
import { Defects } from "./Defects";
import { Looked, WentAllRound } from "./Looked";
import { NextTest } from "./NextTest";
import { Tests } from "./Tests";
import { Worth } from "./Worth";

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
