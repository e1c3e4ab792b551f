import type { Crack, PathDefect } from "../../api/document";
import { t } from "../../i18n/texts";
import { Choice } from "../../kit/Choice";
import { LengthField } from "../../kit/MeasureField";
import { Fields } from "../../kit/parts";
import { DepthFound } from "./DepthFound";
import type { FieldsOf } from "./fieldsOf";
import { PathPoints } from "./PathPoints";

const MENDS: Record<NonNullable<Crack["mend"]>, string> = {
  none: t("screen.survey.open"),
  thin_ca: t("screen.survey.thin_ca"),
  packed_dust: t("screen.survey.ca_on_dust"),
  thick_ca: t("screen.survey.thick_ca"),
  epoxy: t("screen.survey.epoxy"),
  resin: t("screen.survey.resin"),
};

/** A crack or bark: depth, mouth, the way it runs, and what it was mended with. */
export function PathFields({ defect, put, fault }: FieldsOf<PathDefect>) {
  const varies = defect.path.some(({ depth_mm }) => depth_mm !== undefined);
  const setVaries = (on: boolean) =>
    put({
      ...defect,
      path: defect.path.map(({ depth_mm, ...point }) =>
        on ? { ...point, depth_mm: depth_mm ?? defect.depth_mm } : point,
      ),
    });
  return (
    <>
      <Fields>
        <LengthField
          label={t("screen.survey.depth")}
          value={defect.depth_mm}
          onChange={(depth_mm) => put({ ...defect, depth_mm })}
          fault={fault("depth_mm")}
        />
        <LengthField
          label={defect.type === "bark_inclusion" ? t("screen.survey.thickness") : t("screen.survey.mouth")}
          value={defect.width_mm}
          onChange={(width_mm) => put({ ...defect, width_mm })}
          fault={fault("width_mm")}
        />
      </Fields>
      <PathPoints {...{ defect, put, fault, varies }} />
      <div style={{ marginBottom: 12 }}>
        <Choice
          label={t("screen.survey.how_deep_along_it")}
          value={varies ? "varies" : "even"}
          options={{ even: t("screen.survey.the_same_all_along"), varies: t("screen.survey.differs_by_the_point") }}
          onChange={(way) => setVaries(way === "varies")}
        />
      </div>
      <DepthFound {...{ defect, put, fault }} />
      {defect.type !== "bark_inclusion" && (
        <div style={{ display: "grid", gap: 10, marginBottom: 12 }}>
          <Choice
            label={t("screen.survey.mended_with")}
            value={defect.mend ?? "none"}
            options={MENDS}
            onChange={(mend) => put({ ...defect, mend })}
          />
          <Choice
            label={t("screen.survey.goes")}
            value={defect.through ? "through" : "in"}
            options={{ in: t("screen.survey.in"), through: t("screen.survey.right_through") }}
            onChange={(way) => put({ ...defect, through: way === "through" })}
          />
        </div>
      )}
    </>
  );
}
