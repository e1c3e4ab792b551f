import type { MendStep } from "../../api/document";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { LengthField, NumberField, OffsetField } from "../../kit/MeasureField";
import { Fields, Quiet, Row } from "../../kit/parts";
import { changed, putPlaced } from "../../draft/mendSteps";
import type { FieldsOf } from "./fieldsOf";
import { t } from "../../i18n/texts";

const STANDS = {
  stands: t("screen.mend.stands_on_its_head_end"),
  lies: t("screen.mend.lies_along_the_mould"),
} as const;

/** Where the wood lies in the mould: by numbers here, by hand in the drawing. */
export function Placed({ step, faults, place, onPut }: Omit<FieldsOf, "at">) {
  const placed = step.placed ?? {};
  const put = (change: Partial<NonNullable<MendStep["placed"]>>) => onPut(putPlaced(step, change));
  return (
    <>
      <Choice
        label={t("screen.mend.the_wood_2")}
        value={placed.lies ? "lies" : "stands"}
        options={STANDS}
        onChange={(how) => put({ lies: how === "lies" })}
      />
      <Fields>
        <OffsetField
          label={t("screen.mend.off_the_middle_along")}
          value={placed.x_mm ?? 0}
          onChange={(x_mm) => put({ x_mm })}
          fault={faults[`${place}/placed/x_mm`]}
        />
        <OffsetField
          label={t("screen.mend.off_the_middle_across")}
          value={placed.y_mm ?? 0}
          onChange={(y_mm) => put({ y_mm })}
          fault={faults[`${place}/placed/y_mm`]}
        />
        <LengthField
          label={t("screen.mend.off_the_floor")}
          value={placed.up_mm ?? 0}
          onChange={(up_mm) => put({ up_mm })}
          fault={faults[`${place}/placed/up_mm`]}
        />
        <NumberField
          label={t("screen.mend.turned")}
          value={placed.turned_deg ?? 0}
          onChange={(turned_deg) => put({ turned_deg })}
          fault={faults[`${place}/placed/turned_deg`]}
        />
      </Fields>
      <Row>
        <Button
          $kind="quiet"
          style={{ paddingLeft: 0 }}
          isDisabled={!step.placed}
          onPress={() => onPut(changed(step, { placed: placed.lies ? { lies: true } : undefined }))}
        >
          {t("screen.mend.back_to_the_middle")}
        </Button>
      </Row>
      <Quiet>{t("screen.mend.or_move_it_by_hand_in")}</Quiet>
    </>
  );
}
