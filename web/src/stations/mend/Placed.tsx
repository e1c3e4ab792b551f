import type { MendStep } from "../../api/document";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { LengthField, NumberField, OffsetField } from "../../kit/MeasureField";
import { Fields, Quiet, Row } from "../../kit/parts";
import { changed, putPlaced } from "../../draft/mendSteps";
import type { FieldsOf } from "./StepFields";

const STANDS = { stands: "Stands on its head end", lies: "Lies along the mould" } as const;

/** Where the wood lies in the mould: by numbers here, by hand in the drawing. */
export function Placed({ step, faults, place, onPut }: Omit<FieldsOf, "at">) {
  const placed = step.placed ?? {};
  const put = (change: Partial<NonNullable<MendStep["placed"]>>) => onPut(putPlaced(step, change));
  return (
    <>
      <Choice
        label="The wood"
        value={placed.lies ? "lies" : "stands"}
        options={STANDS}
        onChange={(how) => put({ lies: how === "lies" })}
      />
      <Fields>
        <OffsetField
          label="Off the middle, along"
          value={placed.x_mm ?? 0}
          onChange={(x_mm) => put({ x_mm })}
          fault={faults[`${place}/placed/x_mm`]}
        />
        <OffsetField
          label="Off the middle, across"
          value={placed.y_mm ?? 0}
          onChange={(y_mm) => put({ y_mm })}
          fault={faults[`${place}/placed/y_mm`]}
        />
        <LengthField
          label="Off the floor"
          value={placed.up_mm ?? 0}
          onChange={(up_mm) => put({ up_mm })}
          fault={faults[`${place}/placed/up_mm`]}
        />
        <NumberField
          label="Turned, °"
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
          Back to the middle
        </Button>
      </Row>
      <Quiet>Or move it by hand in the drawing of the mould.</Quiet>
    </>
  );
}
