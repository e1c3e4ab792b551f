import type { BodyDefect } from "../../api/document";
import { t } from "../../i18n/texts";
import { Choice } from "../../kit/Choice";
import { ClockField, LengthField, NumberField } from "../../kit/MeasureField";
import { Fields } from "../../kit/parts";
import type { FieldsOf } from "./fieldsOf";

/** A pocket, zone or piece: where its middle is, how large it is, and what its kind asks for. */
export function BodyFields({ defect, put, fault }: FieldsOf<BodyDefect>) {
  const setCentre = (change: object) => put({ ...defect, centre: { ...defect.centre, ...change } });
  const setSize = (axis: number, size: number) =>
    put({ ...defect, size_mm: defect.size_mm.map((old, other) => (other === axis ? size : old)) });
  return (
    <>
      <Fields>
        <ClockField
          label={t("screen.survey.middle")}
          value={defect.centre.clock_deg}
          onChange={(clock_deg) => setCentre({ clock_deg })}
          fault={fault("centre/clock_deg")}
        />
        <LengthField
          label={t("screen.survey.off_the_axis_3")}
          value={defect.centre.r_mm}
          onChange={(r_mm) => setCentre({ r_mm })}
          fault={fault("centre/r_mm")}
        />
        <LengthField
          label={t("screen.survey.off_the_head_3")}
          value={defect.centre.z_mm}
          onChange={(z_mm) => setCentre({ z_mm })}
          fault={fault("centre/z_mm")}
        />
        {[t("screen.survey.in_and_out"), t("screen.survey.round"), t("screen.survey.along")].map((name, axis) => (
          <LengthField
            key={name}
            label={name}
            value={defect.size_mm[axis] ?? 0}
            onChange={(size) => setSize(axis, size)}
            fault={fault(`size_mm/${axis}`)}
          />
        ))}
        {defect.type === "galleries" && (
          <>
            <LengthField
              label={t("screen.survey.hole_across")}
              value={defect.hole_diameter_mm}
              onChange={(hole_diameter_mm) => put({ ...defect, hole_diameter_mm })}
              fault={fault("hole_diameter_mm")}
            />
            <NumberField
              label={t("screen.survey.holes_to_the_cm2")}
              value={defect.holes_per_cm2}
              onChange={(holes_per_cm2) => put({ ...defect, holes_per_cm2 })}
              fault={fault("holes_per_cm2")}
            />
          </>
        )}
        {defect.type === "bubble_pocket" && (
          <>
            <LengthField
              label={t("screen.survey.bubble_across")}
              value={defect.bubble_diameter_mm}
              onChange={(bubble_diameter_mm) => put({ ...defect, bubble_diameter_mm })}
              fault={fault("bubble_diameter_mm")}
            />
            <NumberField
              label={t("screen.survey.bubbles_to_the_cm3")}
              value={defect.bubbles_per_cm3}
              onChange={(bubbles_per_cm3) => put({ ...defect, bubbles_per_cm3 })}
              fault={fault("bubbles_per_cm3")}
            />
          </>
        )}
        {defect.type === "loose_piece" && (
          <NumberField
            label={t("screen.survey.of_its_back_held")}
            value={Math.round(defect.bonded_share * 1000) / 10}
            onChange={(percent) => put({ ...defect, bonded_share: percent / 100 })}
            fault={fault("bonded_share")}
          />
        )}
        {defect.type === "resin_body" && (
          <NumberField
            label={t("screen.survey.density_kg_m3")}
            value={defect.density_kg_m3}
            onChange={(density_kg_m3) => put({ ...defect, density_kg_m3 })}
            fault={fault("density_kg_m3")}
          />
        )}
      </Fields>
      <div style={{ marginBottom: 12 }}>
        {defect.type === "soft_zone" && (
          <Choice
            label={t("screen.survey.how_far_gone")}
            value={defect.grade}
            options={{
              firm: t("screen.survey.firm"),
              soft: t("screen.survey.soft"),
              spongy: t("screen.survey.spongy"),
            }}
            onChange={(grade) => put({ ...defect, grade })}
          />
        )}
        {defect.type === "hard_inclusion" && (
          <Choice
            label={t("screen.survey.what_it_is")}
            value={defect.of}
            options={{
              stone: t("screen.survey.stone"),
              metal: t("screen.survey.metal"),
              knot: t("screen.survey.knot"),
            }}
            onChange={(of) => put({ ...defect, of })}
          />
        )}
        {defect.type === "void" && (
          <Choice
            label={t("screen.survey.what_is_in_it")}
            value={defect.contents}
            options={{
              air: t("screen.survey.air"),
              dirt: t("screen.survey.dirt"),
              bark: t("screen.survey.bark"),
              stone: t("screen.survey.stone"),
            }}
            onChange={(contents) => put({ ...defect, contents })}
          />
        )}
      </div>
    </>
  );
}
