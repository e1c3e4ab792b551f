import { Fragment, useId, useState } from "react";
import { Button } from "react-aria-components";
import styled from "styled-components";
import type { Advice, Message, Working } from "../api/document";
import { known, runs, sentence, t } from "../i18n/texts";
import { amountText, type LengthUnit } from "./measure";
import { Unseen } from "./parts";
import { focusRing, ink, toneInk } from "./theme";
import { useUnit } from "./Units";

const SURE = {
  measured: t("screen.kit.measured"),
  derived: t("screen.kit.derived"),
  rule_of_thumb: t("screen.kit.rule_of_thumb"),
} as const;
const SURE_MARK = { measured: "●", derived: "◐", rule_of_thumb: "○" } as const;

const Unfold = styled(Button)`
  border: 0;
  background: none;
  padding: 0 4px;
  margin-left: 4px;
  font-size: 14px;
  line-height: 1.2;
  font-weight: 400;
  cursor: pointer;
  color: ${ink.quiet};
  white-space: nowrap;
  text-decoration: underline dotted;
  text-underline-offset: 4px;
  position: relative;
  &::after {
    content: "";
    position: absolute;
    inset: -12px -4px;
  }
  ${focusRing}
`;

const Sheet = styled.div`
  margin: 8px 0 2px;
  padding: 10px 14px;
  background: ${ink.ground};
  border-left: 3px solid ${ink.rule};
  font-size: 15px;
  font-weight: 400;
  line-height: 1.35;
  dl {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 0 14px;
    margin: 6px 0;
  }
  dd {
    margin: 0;
  }
  dt,
  .source {
    color: ${ink.quiet};
  }
`;

/** What goes into a working: named in the catalogue (at_depth with its mm after a colon), or a cap on the speed by its key. */
function inputName(name: string, unit: LengthUnit): string {
  const [key, mm] = name.split(":");
  if (!known(`workings.inputs.${key}`)) return t(`caps.${key}.name`);
  return t(`workings.inputs.${key}`, mm ? { mm: amountText(Number(mm), "mm", unit) } : {});
}

/** The core's own source by its key; one that a table gives stands as it is. */
const sourceText = (source: string) => (known(`workings.sources.${source}`) ? t(`workings.sources.${source}`) : source);

function WorkingSheet({ working, id }: { working: Working; id: string }) {
  const unit = useUnit();
  return (
    <Sheet id={id}>
      <strong>{amountText(working.value, working.unit, unit)}</strong> = {t(`workings.formulas.${working.formula}`)}
      {working.inputs.length > 0 && (
        <dl>
          {working.inputs.map((input) => (
            <Fragment key={input.name}>
              <dt>{inputName(input.name, unit)}</dt>
              <dd>{amountText(input.value, input.unit, unit)}</dd>
            </Fragment>
          ))}
        </dl>
      )}
      <div className="source">
        {SURE_MARK[working.certainty]} {SURE[working.certainty]} · {sourceText(working.source)}
      </div>
    </Sheet>
  );
}

/** Words or a number with the working behind it, folded. */
export function Worked({ children, working }: { children: React.ReactNode; working: Working | undefined }) {
  const [open, setOpen] = useState(false);
  const id = useId();
  if (!working) return <>{children}</>;
  return (
    <>
      {children}
      <Unfold aria-expanded={open} aria-controls={id} onPress={() => setOpen(!open)}>
        {SURE_MARK[working.certainty]} {open ? t("screen.kit.fold") : SURE[working.certainty]}
      </Unfold>
      {open && <WorkingSheet working={working} id={id} />}
    </>
  );
}

/** A number and its unit stay on one line; a list of them need not. */
const SHORT = 16;
const Amount = styled.strong<{ $short: boolean }>`
  white-space: ${({ $short }) => ($short ? "nowrap" : "normal")};
`;

/** A message of the core, its amounts in bold. */
export function MessageText({ message, asSentence = false }: { message: Message; asSentence?: boolean }) {
  const unit = useUnit();
  return (
    <>
      {(asSentence ? sentence : runs)(message, unit).map(({ text, strong }, index) =>
        strong ? (
          <Amount key={index} $short={text.length < SHORT}>
            {text}
          </Amount>
        ) : (
          <Fragment key={index}>{text}</Fragment>
        ),
      )}
    </>
  );
}

const Line = styled.li<{ $tone: Advice["tone"]; $lead: boolean }>`
  padding: ${({ $lead }) => ($lead ? "2px 0 2px 14px" : "9px 0 9px 14px")};
  margin-bottom: ${({ $lead }) => ($lead ? "10px" : "0")};
  border-left: 5px solid ${({ $tone }) => ($tone === "plain" ? "transparent" : toneInk[$tone])};
  font-size: ${({ $lead }) => ($lead ? "20px" : "16px")};
  font-weight: ${({ $lead }) => ($lead ? 650 : 400)};
  line-height: 1.3;
  & + & {
    border-top: ${({ $lead }) => ($lead ? "0" : `1px solid ${ink.rule}`)};
  }
`;

const More = styled(Unfold)`
  min-height: 44px;
  margin-left: 14px;
`;

/** As many are shown before "More". */
const SHOWN_FIRST = 3;

const RANK = { stop: 0, care: 1, go: 2, plain: 3 };

/** In the order given but for its tones; a headline stays where it is. */
function mostDangerousFirst(advice: Advice[], lead: boolean): Advice[] {
  const rest = (lead ? advice.slice(1) : [...advice]).sort((one, other) => RANK[one.tone] - RANK[other.tone]);
  return lead ? [...advice.slice(0, 1), ...rest] : rest;
}

/** Advice, the most dangerous first; the first of it the headline where `lead` is set. */
export function AdviceList({
  advice,
  workings,
  lead = false,
}: {
  advice: Advice[];
  workings: Record<string, Working>;
  lead?: boolean;
}) {
  const [all, setAll] = useState(false);
  const sorted = mostDangerousFirst(advice, lead);
  const shown = all ? sorted : sorted.slice(0, SHOWN_FIRST);
  if (advice.length === 0) return null;
  return (
    <>
      <ul aria-label={t("screen.kit.advice")}>
        {shown.map((one, index) => (
          <Line key={index} $tone={one.tone} $lead={lead && index === 0}>
            <Unseen>{one.tone === "plain" ? "" : t(`tones.${one.tone}`)}</Unseen>
            <Worked working={one.figure ? workings[one.figure] : undefined}>
              <MessageText message={one} asSentence />
            </Worked>
          </Line>
        ))}
      </ul>
      {advice.length > SHOWN_FIRST && (
        <More aria-expanded={all} onPress={() => setAll(!all)}>
          {all ? t("screen.less") : t("screen.more", { count: advice.length - SHOWN_FIRST })}
        </More>
      )}
    </>
  );
}
