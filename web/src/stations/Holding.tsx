import { useState } from "react";
import styled from "styled-components";
import { api } from "../api/client";
import { without, type Document, type Mounts } from "../api/document";
import { useNewest } from "../bench/useNewest";
import { Button } from "../kit/Button";
import { TextLine } from "../kit/MeasureField";
import { amountText, lengthText, parseLength } from "../kit/measure";
import { Findings, Sentence, Worked } from "../kit/Says";
import { ink } from "../kit/theme";
import { useSettled } from "../kit/useSettled";
import { useUnit } from "../kit/Units";
import { Fault, Heading, Quiet } from "./parts";
import type { AtStation } from "./types";

const SETTLED_MS = 300;
const VERDICTS = { holds: "Holds", tailstock: "With the tailstock", slower: "Only slower", no: "No" } as const;
const MOST_JAWS = 20;

const Steps = styled.ol`
  > li { border-top: 1px solid ${ink.rule}; padding: 10px 0; }
  h4 { font-size: 16px; font-weight: 650; }
`;

const Ways = styled.ul`
  margin-top: 4px;
  li { display: grid; grid-template-columns: 150px 1fr; gap: 2px 12px; padding: 5px 0; }
  .verdict { font-size: 14px; color: ${ink.quiet}; }
  [data-verdict="holds"] .verdict { color: ${ink.moss}; font-weight: 650; }
  [data-verdict="no"] .verdict { color: ${ink.rust}; font-weight: 650; }
  .says { font-size: 15px; line-height: 1.35; }
  @media (max-width: 600px) { li { grid-template-columns: 1fr; } }
`;

/** How the piece is held from the first cut to the last, and what it must clear. */
export function Holding({ at }: { at: AtStation }) {
  const document = useSettled<Document>(at.document, SETTLED_MS);
  const { answer, problem } = useNewest(document.form ? document : undefined, api.mounts);
  if (!document.form) return null;
  return (
    <>
      <Heading>How it is held</Heading>
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {!answer && !problem && <Quiet role="status">Judging the mounts …</Quiet>}
      {answer && <Plan at={at} plan={answer} />}
    </>
  );
}

function Plan({ at, plan }: { at: AtStation; plan: Mounts }) {
  const unit = useUnit();
  const [chosen, choose] = useState<boolean>();
  // Where nothing holds it, why is the first thing to know.
  const open = chosen ?? plan.says.tone === "stop";
  return (
    <>
      <Findings lead findings={[plan.says]} workings={{}} />
      <Button aria-expanded={open} onPress={() => choose(!open)}>{open ? "Fold the steps" : "Step by step"}</Button>
      {open && <StepByStep at={at} plan={plan} unit={unit} />}
    </>
  );
}

function StepByStep({ at, plan, unit }: { at: AtStation; plan: Mounts; unit: ReturnType<typeof useUnit> }) {
  return (
    <>
      <Steps aria-label="Mounts, step by step" style={{ marginTop: 12 }}>{plan.steps.map((step, index) => <Step key={step.key} step={step} index={index} plan={plan} />)}</Steps>
      <Quiet>{plan.clearances.map(({ name, value_mm, ok, says }) => `${name}: ${ok ? "" : "too little by "}${amountText(Math.abs(value_mm), "mm", unit)}; ${says}.`).join(" ")}</Quiet>
      {at.document.lathe && <Jaws at={at} plan={plan} />}
    </>
  );
}

function Step({ step, index, plan }: { step: Mounts["steps"][number]; index: number; plan: Mounts }) {
  const unit = useUnit();
  const [open, setOpen] = useState(step.proposed === null);
  const shown = open ? step.mounts : step.mounts.slice(0, 1);
  return (
    <li>
      <h4>{step.name}, {step.by}</h4>
      <Worked working={plan.workings[`/steps/${index}/need_nm`]}>
        At {amountText(step.rpm, "rpm", unit)} the seat must bear <strong>{amountText(step.need_nm, "N m", unit)}</strong>, {amountText(step.need_with_tailstock_nm, "N m", unit)} with the tailstock.
        {step.limit_rpm < step.rpm && <> Held so, stay below <strong>{amountText(step.limit_rpm, "rpm", unit)}</strong>.</>}
      </Worked>
      <Ways>
        {shown.map(({ key, name, verdict, hold_nm, says, mark, wants }) => (
          <li key={key} data-verdict={verdict}>
            <div><strong>{name[0]?.toUpperCase()}{name.slice(1)}</strong><div className="verdict">{VERDICTS[verdict]}{hold_nm !== null && `: ${amountText(hold_nm, "N m", unit)}`}</div></div>
            <div className="says"><Sentence text={says.text} values={says.values} />{verdict !== "no" && <> Wants {wants}. Leaves {mark}.</>}</div>
          </li>
        ))}
      </Ways>
      {step.proposed !== null && <Button $kind="quiet" style={{ padding: 0, minHeight: 36 }} aria-expanded={open} onPress={() => setOpen(!open)}>{open ? "Fold the other ways" : `Other ways to hold it: ${step.mounts.length - 1}`}</Button>}
    </li>
  );
}

/** The circles the lathe's own jaws close to; without any, the usual sets are reckoned with. */
function Jaws({ at, plan }: { at: AtStation; plan: Mounts }) {
  const unit = useUnit();
  const [wrong, setWrong] = useState(false);
  const { document, draft } = at;
  const lathe = document.lathe;
  if (!lathe) return null;
  const put = (text: string) => {
    const parts = text.split(/[;,]/).map((part) => part.trim()).filter(Boolean);
    const circles = parts.map((part) => parseLength(part, unit));
    const bad = circles.length > MOST_JAWS || circles.some((mm) => mm === undefined || mm <= 0);
    setWrong(bad);
    if (bad) return;
    draft.change({ ...document, lathe: parts.length > 0 ? { ...lathe, jaws_mm: circles as number[] } : without(lathe, "jaws_mm") } as Document);
  };
  return (
    <div style={{ marginTop: 12 }}>
      <TextLine label={`Circles your jaws close to true, ${unit}, with commas`} value={(lathe.jaws_mm ?? []).map((mm) => lengthText(mm, unit)).join(", ")} most={200} onChange={put} />
      {wrong && <Fault role="alert">Lengths with commas between them, {MOST_JAWS} at most: 38, 50, 75.</Fault>}
      {!plan.jaws_are_own && <Quiet>None written down: reckoned with the usual {plan.jaws_mm.map((mm) => lengthText(mm, unit)).join(", ")} {unit}.</Quiet>}
    </div>
  );
}
