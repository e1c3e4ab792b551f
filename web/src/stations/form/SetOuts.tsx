import { useMemo, useState } from "react";
import styled from "styled-components";
import { api } from "../../api/client";
import { without, type Document, type SetOutsQuestion } from "../../api/document";
import { useNewest } from "../../api/useNewest";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { LengthField, NumberField } from "../../kit/MeasureField";
import { Carry, Fault, Fields, Quiet, Row } from "../../kit/parts";
import { useSettled } from "../../kit/useSettled";
import { useUnit } from "../../kit/Units";
import { SetOutTable } from "./SetOutTable";

const SETTLED_MS = 300;
const THREADS = { m4: "M4", m5: "M5", m6: "M6", m8: "M8", m10: "M10" } as const;
type Wanted = SetOutsQuestion["wanted"];
type HoleWanted = NonNullable<Wanted["hole"]>;
const TAKES = {
  nothing: t("screen.form.hole_takes_nothing"),
  thread: t("screen.form.hole_takes_thread"),
  insert: t("screen.form.hole_takes_insert"),
} as const;
const FACES = { foot: t("screen.form.hole_from_foot"), mouth: t("screen.form.hole_from_mouth") } as const;

const Stacked = styled.div`
  display: grid;
  gap: 10px;
  margin-bottom: 12px;
`;

/** The numbers to mark on the wood, and what to print and cut out for it. */
export function SetOuts() {
  const blank = useBlank();
  const [open, setOpen] = useState(false);
  return (
    <>
      <Row>
        <Button aria-expanded={open} onPress={() => setOpen(!open)}>
          {open ? t("screen.form.fold_the_numbers") : t("screen.form.numbers_to_mark")}
        </Button>
        <Carry href={`/api/blanks/${blank.id}/export?as=template`} download>
          {t("screen.form.template_to_print_1_1")}
        </Carry>
        <Carry href={`/api/blanks/${blank.id}/export?as=template_svg`} download>
          {t("screen.form.as_a_drawing")}
        </Carry>
        <Carry href={`/api/blanks/${blank.id}/export?as=stl`} download>
          {t("screen.form.as_a_mesh")}
        </Carry>
      </Row>
      {blank.draft.dirty && <Quiet>{t("screen.form.what_is_printed_is_the_form")}</Quiet>}
      {open && <Marked />}
    </>
  );
}

function Marked() {
  const blank = useBlank();
  const unit = useUnit();
  const document = useSettled<Document>(blank.document, SETTLED_MS);
  const [wanted, setWanted] = useState<Wanted>({
    every_mm: unit === "in" ? 12.7 : 10,
    feet: 3,
    bit_mm: 25,
    engaged_mm: 12,
    hole: { takes: "nothing", from: "foot", deep_mm: 12 },
  });
  const hole = wanted.hole ?? { takes: "nothing", from: "foot", deep_mm: 12 };
  const setHole = (change: Partial<HoleWanted>) => setWanted({ ...wanted, hole: { ...hole, ...change } });
  const question = useMemo(() => ({ document, wanted }), [document, wanted]);
  const { answer, problem } = useNewest(question, api.setOuts);
  const faultOf = (key: string) =>
    problem?.errors?.find(({ pointer }) => pointer === `/wanted/${key}` || pointer === `/${key}`)?.detail;
  return (
    <>
      <Fields>
        <LengthField
          label={t("screen.form.a_station_every")}
          value={wanted.every_mm ?? 10}
          onChange={(every_mm) => setWanted({ ...wanted, every_mm })}
          fault={faultOf("every_mm")}
        />
        <LengthField
          label={hole.takes === "insert" ? t("screen.form.insert_across") : t("screen.form.bit_across")}
          value={wanted.bit_mm ?? 25}
          onChange={(bit_mm) => setWanted({ ...wanted, bit_mm })}
          fault={faultOf("bit_mm")}
        />
        {hole.takes === "thread" ? (
          <LengthField
            label={t("screen.form.thread_deep")}
            value={wanted.engaged_mm ?? 12}
            onChange={(engaged_mm) => setWanted({ ...wanted, engaged_mm })}
            fault={faultOf("engaged_mm")}
          />
        ) : (
          <LengthField
            label={t("screen.form.hole_deep")}
            value={hole.deep_mm}
            onChange={(deep_mm) => setHole({ deep_mm })}
            fault={faultOf("hole/deep_mm")}
          />
        )}
        <NumberField
          label={t("screen.form.feet")}
          value={wanted.feet ?? 3}
          onChange={(feet) => setWanted({ ...wanted, feet })}
          fault={faultOf("feet")}
        />
      </Fields>
      <Stacked>
        <Choice
          label={t("screen.form.hole_takes")}
          value={hole.takes}
          options={TAKES}
          onChange={(takes) =>
            setWanted({
              ...without(wanted, "thread"),
              hole: { ...hole, takes },
              ...(takes === "thread" ? { thread: "m8" } : {}),
            })
          }
        />
        {wanted.thread && (
          <Choice
            label={t("screen.form.thread_to_tap")}
            value={wanted.thread as keyof typeof THREADS}
            options={THREADS}
            onChange={(thread) => setWanted({ ...wanted, thread })}
          />
        )}
        <Choice
          label={t("screen.form.hole_from")}
          value={hole.from}
          options={FACES}
          onChange={(from) => setHole({ from })}
        />
      </Stacked>
      {problem && !problem.errors?.some(({ pointer }) => /every_mm|bit_mm|feet|deep_mm|engaged_mm/.test(pointer)) && (
        <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>
      )}
      {answer && <SetOutTable numbers={answer} />}
    </>
  );
}
