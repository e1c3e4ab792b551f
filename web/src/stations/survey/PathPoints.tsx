import type { PathDefect } from "../../api/document";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { ClockField, LengthField } from "../../kit/MeasureField";
import { Ticket } from "../../kit/parts";
import { useUnit } from "../../kit/Units";
import { dropPoint } from "../../piece/edit";
import type { FieldsOf } from "./fieldsOf";

/** The points of a path, each with its hour and how far off the head or the axis it is. varies: and with its own depth. */
export function PathPoints({ defect, put, fault, varies }: FieldsOf<PathDefect> & { varies: boolean }) {
  const setPoint = (index: number, change: object) =>
    put({ ...defect, path: defect.path.map((point, other) => (other === index ? { ...point, ...change } : point)) });
  const last = defect.path.length - 1;
  const unit = useUnit();
  const side = defect.enters === "side";
  const named = (index: number) =>
    index === 0
      ? t("screen.survey.from")
      : index === last
        ? t("screen.survey.to")
        : t("screen.survey.point", { value: index + 1 });
  return (
    <Ticket style={{ marginBottom: 12 }}>
      <thead>
        <tr>
          <td />
          <th>{t("screen.survey.oclock")}</th>
          <th>{side ? t("screen.survey.off_the_head", { unit }) : t("screen.survey.off_the_axis", { unit })}</th>
          {varies && <th>{t("screen.survey.deep", { unit })}</th>}
          {last > 1 && <td />}
        </tr>
      </thead>
      <tbody>
        {defect.path.map((point, index) => (
          <tr key={index}>
            <th scope="row">{named(index)}</th>
            <td>
              <ClockField
                bare
                label={named(index)}
                value={point.clock_deg}
                onChange={(clock_deg) => setPoint(index, { clock_deg })}
                fault={fault(`path/${index}/clock_deg`)}
              />
            </td>
            <td>
              {side ? (
                <LengthField
                  bare
                  label={t("screen.survey.off_the_head_2", { named: named(index) })}
                  value={point.z_mm}
                  onChange={(z_mm) => setPoint(index, { z_mm })}
                  fault={fault(`path/${index}/z_mm`)}
                />
              ) : (
                <LengthField
                  bare
                  label={t("screen.survey.off_the_axis_2", { named: named(index) })}
                  value={point.r_mm ?? 0}
                  onChange={(r_mm) => setPoint(index, { r_mm })}
                  fault={fault(`path/${index}/r_mm`)}
                />
              )}
            </td>
            {varies && (
              <td>
                <LengthField
                  bare
                  label={t("screen.survey.deep_2", { named: named(index) })}
                  value={point.depth_mm ?? defect.depth_mm}
                  onChange={(depth_mm) => setPoint(index, { depth_mm })}
                  fault={fault(`path/${index}/depth_mm`)}
                />
              </td>
            )}
            {last > 1 && (
              <td>
                {index > 0 && index < last && (
                  <Button
                    $kind="quiet"
                    aria-label={t("screen.survey.drop_point", { value: index + 1 })}
                    onPress={() => put(dropPoint(defect, index))}
                  >
                    {t("screen.survey.drop")}
                  </Button>
                )}
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </Ticket>
  );
}
