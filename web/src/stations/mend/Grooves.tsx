import { Button } from "../../kit/Button";
import { ClockField, LengthField } from "../../kit/MeasureField";
import { Fields, Quiet, Row } from "../../kit/parts";
import type { Groove } from "../../api/document";
import { changed, ring } from "../../draft/mendSteps";
import type { FieldsOf } from "./fieldsOf";
import { useBlank, useDrawing, useSelection } from "../../draft/contexts";
import { t } from "../../i18n/texts";

const MOST = 60;

/** Grooves as rows: a ring is from an hour to the same hour, all the way round. */
export function Grooves({ step, faults, place, onPut }: FieldsOf) {
  const blank = useBlank();
  const selection = useSelection();
  const drawing = useDrawing();
  const grooves = step.grooves ?? [];
  const put = (next: Groove[]) => onPut(changed(step, { grooves: next }));
  const middle = blank.assessment.geometry.length_mm / 2;
  return (
    <>
      {grooves.map((groove, index) => {
        const [from, to] = [groove.path[0], groove.path[groove.path.length - 1]];
        if (!from || !to) return null;
        const own = (change: Partial<Groove>) =>
          put(grooves.map((old, other) => (other === index ? { ...old, ...change } : old)));
        const here = `${place}/grooves/${index}`;
        const round = groove.path.length === 2 && Math.abs(to.clock_deg - from.clock_deg) === 360;
        return (
          <Fields key={index} role="group" aria-label={t("screen.mend.groove", { value: index + 1 })}>
            <LengthField
              label={t("screen.mend.wide")}
              value={groove.width_mm}
              onChange={(width_mm) => own({ width_mm })}
              fault={faults[`${here}/width_mm`]}
            />
            <LengthField
              label={t("screen.mend.deep")}
              value={groove.depth_mm}
              onChange={(depth_mm) => own({ depth_mm })}
              fault={faults[`${here}/depth_mm`]}
            />
            <LengthField
              label={round ? t("screen.mend.ring_at") : t("screen.mend.from_z")}
              value={from.z_mm}
              onChange={(z_mm) => own({ path: [{ ...from, z_mm }, round ? { ...to, z_mm } : to] })}
              fault={faults[`${here}/path/0/z_mm`]}
            />
            {!round && (
              <>
                <ClockField
                  label={t("screen.mend.from")}
                  value={from.clock_deg}
                  onChange={(clock_deg) => own({ path: [{ ...from, clock_deg }, to] })}
                />
                <LengthField
                  label={t("screen.mend.to_z")}
                  value={to.z_mm}
                  onChange={(z_mm) => own({ path: [from, { ...to, z_mm }] })}
                  fault={faults[`${here}/path/1/z_mm`]}
                />
                <ClockField
                  label={t("screen.mend.to_4")}
                  value={to.clock_deg}
                  onChange={(clock_deg) => own({ path: [from, { ...to, clock_deg }] })}
                />
              </>
            )}
            <Button
              $kind="quiet"
              style={{ alignSelf: "end" }}
              onPress={() => put(grooves.filter((_, other) => other !== index))}
            >
              {t("screen.mend.take_out")}
            </Button>
          </Fields>
        );
      })}
      <Row>
        <Button isDisabled={grooves.length >= MOST} onPress={() => put([...grooves, ring(middle)])}>
          {t("screen.mend.add_a_ring")}
        </Button>
        <Button
          isDisabled={grooves.length >= MOST}
          onPress={() =>
            put([
              ...grooves,
              {
                width_mm: 3,
                depth_mm: 4,
                path: [
                  { clock_deg: drawing.hand.clockDeg, z_mm: middle * 0.6 },
                  { clock_deg: drawing.hand.clockDeg, z_mm: middle * 1.4 },
                ],
              },
            ])
          }
        >
          {t("screen.mend.add_a_line_at_the_hand")}
        </Button>
      </Row>
      <Row>
        <Button
          aria-pressed={selection.grooving === step.id}
          isDisabled={grooves.length >= MOST}
          onPress={() => selection.setGrooving(selection.grooving === step.id ? undefined : step.id)}
        >
          {selection.grooving === step.id ? t("screen.mend.done_drawing") : t("screen.mend.draw_on_the_skin")}
        </Button>
      </Row>
      {selection.grooving === step.id && (
        <Quiet role="status">{t("screen.mend.draw_over_the_unrolled_skin_each")}</Quiet>
      )}
      <Quiet>{t("screen.mend.laid_on_the_outside_of_the")}</Quiet>
    </>
  );
}
