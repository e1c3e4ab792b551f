import { withLaid, without, type Centres, type Document, type Form, type Move } from "../../api/document";
import { api } from "../../api/client";
import { Button } from "../../kit/Button";
import { LengthField, NumberField, OffsetField } from "../../kit/MeasureField";
import { useAct } from "../../kit/useAct";
import { useInTurn } from "../../kit/useInTurn";
import { Fault, Fields, Heading, Quiet, Row } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";

const ON_AXIS: Centres = { head_mm: [0, 0], tail_mm: [0, 0] };
/** What each offset of a centre is called: towards 3 o’clock, then towards 12. */
const OFFSETS = {
  head_mm: ["screen.form.centre.head_3", "screen.form.centre.head_12"],
  tail_mm: ["screen.form.centre.tail_3", "screen.form.centre.tail_12"],
} as const;

const startMm = ({ outside }: Form) => outside[0]?.[0] ?? 0;
const endMm = ({ outside }: Form) => outside.at(-1)?.[0] ?? 0;

/** Where the form lies: along the axis, which way round, how large; and where the axis itself runs, by the two marks for the centres. */
export function Laying({ form }: { form: Form }) {
  const blank = useBlank();
  const { document, draft, assessment } = blank;
  const { problem, act, busy } = useAct();
  const inTurn = useInTurn(document);
  const moveBy = (by: (form: Form) => Move) =>
    inTurn(async (now) => {
      let left = now;
      await act(
        () => api.moveForm(now, by(now.form ?? form)),
        (laid) => {
          left = withLaid(now, laid);
          draft.change(left);
        },
      );
      return left;
    });
  const move = (by: Move) => moveBy(() => by);
  const lengthMm = assessment.geometry.length_mm;
  const centres = document.centres ?? ON_AXIS;
  const setCentre = (face: keyof Centres, axis: 0 | 1, mm: number) => {
    const changed = { ...centres, [face]: centres[face].map((old, own) => (own === axis ? mm : old)) };
    const onAxis = [...changed.head_mm, ...changed.tail_mm].every((off) => off === 0);
    draft.change((onAxis ? without(document, "centres") : { ...document, centres: changed }) as Document);
  };
  const fault = blank.problem?.errors?.find(({ pointer }) => pointer === "/document/centres")?.detail;
  return (
    <>
      <Heading>{t("screen.form.where_it_lies")}</Heading>
      <Row>
        <Button isDisabled={busy} onPress={() => move({ slide_mm: -1 })}>
          {t("screen.form.to_the_head")}
        </Button>
        <Button isDisabled={busy} onPress={() => move({ slide_mm: 1 })}>
          {t("screen.form.to_the_tail")}
        </Button>
        <Button isDisabled={busy} onPress={() => move({ flipped: true })}>
          {t("screen.form.end_for_end")}
        </Button>
      </Row>
      <Fields>
        <LengthField
          label={t("screen.form.off_the_head_3")}
          value={startMm(form)}
          onChange={(mm) => moveBy((now) => ({ slide_mm: mm - startMm(now) }))}
        />
        <LengthField
          label={t("screen.form.off_the_tail")}
          value={Math.max(0, lengthMm - endMm(form))}
          onChange={(mm) => moveBy((now) => ({ slide_mm: lengthMm - endMm(now) - mm }))}
        />
        <NumberField
          label={t("screen.form.as_large")}
          value={100}
          onChange={(percent) => move({ scale: percent / 100 })}
        />
      </Fields>
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      <Quiet>{t("screen.form.the_centres_from_the_axis_the")}</Quiet>
      <Fields>
        {(["head_mm", "tail_mm"] as const).flatMap((face) =>
          ([0, 1] as const).map((axis) => (
            <OffsetField
              key={`${face}${axis}`}
              label={t(OFFSETS[face][axis])}
              value={centres[face][axis] ?? 0}
              onChange={(mm) => setCentre(face, axis, mm)}
            />
          )),
        )}
      </Fields>
      {fault && <Fault role="alert">{fault}</Fault>}
      {document.centres && (
        <Button onPress={() => draft.change(without(document, "centres") as Document)}>
          {t("screen.form.back_to_the_surveys_axis")}
        </Button>
      )}
    </>
  );
}
