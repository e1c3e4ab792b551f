import { useBlank, useRoute } from "../../draft/contexts";
import { MessageText } from "../../kit/Advice";
import { OddsLine } from "../../kit/OddsLine";
import { Fault, Quiet } from "../../kit/parts";
import { Sections, type Section } from "../../kit/Sections";
import { ink } from "../../kit/theme";
import { useKept } from "../../kit/useKept";
import { t } from "../../i18n/texts";
import { DryingPlot } from "./DryingPlot";
import { Odds } from "./odds/Odds";
import { Promised } from "./Promised";
import { Rehearse } from "./Rehearse";
import { Steps } from "./Steps";
import { WhatIf } from "./WhatIf";
import { Ways } from "./Ways";
import { WithWayOdds } from "./wayOdds";

const SECTIONS = ["ways", "steps", "odds", "rehearse", "drying", "what_if", "promised"] as const;
type Name = (typeof SECTIONS)[number];

/** The whole way of the piece: the ways there are beside one another, the steps of the one taken, how it dries. */
export function RouteStation() {
  const { id, document } = useBlank();
  const { route, problem } = useRoute();
  const [open, , setOpen] = useKept<Name>("section of route", SECTIONS);
  if (!document.form)
    return (
      <>
        <Quiet>{t("screen.route.draw_its_form_first")}</Quiet>
        <Promised />
      </>
    );
  const [taken] = route?.alternatives ?? [];
  const fault = problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>;
  if (!route || !taken) return fault ?? <Quiet role="status">{t("screen.route.laying_it_out")}</Quiet>;
  const sections: Section<Name>[] = [
    { key: "ways", title: t("screen.route.section.ways"), body: <Ways route={route} /> },
    { key: "steps", title: t("screen.route.section.steps"), body: <Steps steps={taken.steps} route={route} /> },
  ];
  sections.push({ key: "odds", title: t("screen.route.section.odds"), body: <Odds route={route} /> });
  sections.push({ key: "rehearse", title: t("screen.route.section.rehearse"), body: <Rehearse /> });
  if (taken.steps.some(({ regimes }) => regimes.length > 0))
    sections.push({ key: "drying", title: t("screen.route.section.drying"), body: <DryingPlot steps={taken.steps} /> });
  sections.push({ key: "what_if", title: t("screen.route.section.what_if"), body: <WhatIf route={route} /> });
  sections.push({ key: "promised", title: t("screen.route.section.promised"), body: <Promised /> });
  return (
    <>
      {/* The route before it stays, and with it what is being typed. */}
      {fault}
      <p style={{ color: ink.moss, fontWeight: 650 }}>
        <MessageText message={route.reason} asSentence />
      </p>
      <OddsLine id={id} />
      <WithWayOdds>
        <Sections open={open} onOpen={setOpen} sections={sections} />
      </WithWayOdds>
    </>
  );
}
