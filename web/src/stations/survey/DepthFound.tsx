import type { PathDefect } from "../../api/document";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { LengthField } from "../../kit/MeasureField";
import { Fields } from "../../kit/parts";
import type { FieldsOf } from "./fieldsOf";

/** Where nobody knows how deep it is, it may be so much more or less, as a share. */
const DOUBT = 0.35;

/** How the depth was found and, where it is in doubt, how much it may be. */
export function DepthFound({ defect, put, fault }: FieldsOf<PathDefect>) {
  const range = defect.depth_range_mm;
  const set = (depth_range_mm: number[] | undefined) => {
    const changed = { ...defect };
    delete changed.depth_range_mm;
    put(depth_range_mm ? { ...changed, depth_range_mm } : changed);
  };
  return (
    <div style={{ display: "grid", gap: 10, marginBottom: 12 }}>
      <Choice
        label={t("screen.survey.depth_found")}
        value={defect.found_by ?? "unsaid"}
        options={{
          unsaid: t("screen.survey.unsaid"),
          seen: t("screen.survey.seen"),
          feeler: t("screen.survey.by_feeler_2"),
          guessed: t("screen.survey.guessed"),
        }}
        onChange={(way) => {
          const changed = { ...defect };
          delete changed.found_by;
          put(way === "unsaid" ? changed : { ...changed, found_by: way });
        }}
      />
      {range ? (
        <Fields style={{ margin: 0 }}>
          <LengthField
            label={t("screen.survey.at_least")}
            value={range[0] ?? 0}
            onChange={(least) => set([least, range[1] ?? least])}
            fault={fault("depth_range_mm")}
          />
          <LengthField
            label={t("screen.survey.at_most")}
            value={range[1] ?? 0}
            onChange={(most) => set([range[0] ?? most, most])}
          />
          <Button onPress={() => set(undefined)}>{t("screen.survey.no_doubt_of_it")}</Button>
        </Fields>
      ) : (
        <div>
          <Button
            onPress={() =>
              set([
                Math.round(defect.depth_mm * (1 - DOUBT) * 10) / 10,
                Math.round(defect.depth_mm * (1 + DOUBT) * 10) / 10,
              ])
            }
          >
            {t("screen.survey.it_may_be_more_or_less")}
          </Button>
        </div>
      )}
    </div>
  );
}
