import type { MendStep } from "../../../api/document";
import { changed } from "../../../draft/mendSteps";
import { t } from "../../../i18n/texts";
import { Button } from "../../../kit/Button";
import { Choice } from "../../../kit/Choice";
import { NumberField, TextLine } from "../../../kit/MeasureField";
import { Fields, Quiet, Row } from "../../../kit/parts";
import { useNames } from "../../../kit/useNames";
import type { FieldsOf } from "../fieldsOf";

type Colour = NonNullable<MendStep["colours"]>[number];

/** The colours of a pour, each with its share and its pigment. */
export function Colours({ step, faults, place, onPut }: FieldsOf) {
  const pigments = useNames("pigments");
  const colours = step.colours ?? [];
  const put = (next: Colour[]) => onPut(changed(step, { colours: next.length > 0 ? next : undefined }));
  return (
    <>
      {colours.map((colour, index) => {
        const own = (change: Partial<Colour>) =>
          put(colours.map((old, other) => (other === index ? { ...old, ...change } : old)));
        return (
          <Fields key={index} role="group" aria-label={t("screen.mend.colour", { value: index + 1 })}>
            <TextLine
              label={t("screen.mend.colour_2")}
              value={colour.name}
              most={60}
              onChange={(name) => name && own({ name })}
            />
            <NumberField
              label={t("screen.mend.share")}
              value={colour.share * 100}
              onChange={(share) => own({ share: share / 100 })}
              fault={faults[`${place}/colours/${index}/share`]}
            />
            <NumberField
              label={t("screen.mend.pigment")}
              value={colour.pigment_pct ?? 0}
              onChange={(pigment_pct) => own({ pigment_pct })}
              fault={faults[`${place}/colours/${index}/pigment_pct`]}
            />
            <Button
              $kind="quiet"
              style={{ alignSelf: "end" }}
              onPress={() => put(colours.filter((_, other) => other !== index))}
            >
              {t("screen.mend.take_out")}
            </Button>
            {(colour.pigment_pct ?? 0) > 0 && Object.keys(pigments).length > 0 && (
              <div style={{ gridColumn: "1 / -1" }}>
                <Choice
                  label={t("screen.mend.coloured_with")}
                  value={colour.with ?? "paste"}
                  options={pigments}
                  onChange={(key) => own({ with: key })}
                />
              </div>
            )}
          </Fields>
        );
      })}
      <Row>
        <Button
          isDisabled={colours.length >= 12}
          onPress={() => put([...colours, { name: t("screen.mend.clear"), share: colours.length === 0 ? 1 : 0 }])}
        >
          {t("screen.mend.add_a_colour")}
        </Button>
      </Row>
      {colours.length > 1 && (
        <Quiet>
          {t("screen.mend.shares_come_to", {
            round: Math.round(colours.reduce((sum, { share }) => sum + share, 0) * 100),
          })}
        </Quiet>
      )}
    </>
  );
}
