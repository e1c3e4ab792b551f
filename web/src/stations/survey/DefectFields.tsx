import type { Defect } from "../../api/document";
import { isPath, without } from "../../api/document";
import { useBlank, useSelection } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { TextLine } from "../../kit/MeasureField";
import { Row } from "../../kit/parts";
import { overEdge } from "../../piece/edit";
import { BodyFields } from "./BodyFields";
import { PathFields } from "./PathFields";

/** Everything of one defect that can be typed. Faults of the core stand at their field. */
export function DefectFields({ defect }: { defect: Defect }) {
  const blank = useBlank();
  const selection = useSelection();
  const index = blank.document.defects.findIndex(({ id }) => id === defect.id);
  const put = (changed: Defect) => blank.put(changed, false);
  const over = isPath(defect) ? overEdge(defect, blank.document.defects, blank.assessment.geometry) : undefined;
  const fault = (path: string) =>
    blank.problem?.errors?.find(({ pointer }) => pointer.startsWith(`/document/defects/${index}/${path}`))?.detail;
  return (
    <>
      {isPath(defect) ? <PathFields {...{ defect, put, fault }} /> : <BodyFields {...{ defect, put, fault }} />}
      <div style={{ maxWidth: 260, marginBottom: 12 }}>
        <TextLine
          label={t("screen.survey.belongs_with")}
          value={defect.group ?? ""}
          most={40}
          onChange={(group) => {
            put((group ? { ...defect, group } : without(defect, "group")) as Defect);
          }}
        />
      </div>
      <Row>
        <Button onPress={() => blank.copy(defect)}>{t("screen.survey.copy")}</Button>
        {over && (
          <Button
            onPress={() =>
              blank.draft.change({
                ...blank.document,
                defects: [...blank.document.defects.map((own) => (own.id === defect.id ? over[0] : own)), over[1]],
              })
            }
          >
            {t("screen.survey.on_over_the_edge")}
          </Button>
        )}
        <Button onPress={() => blank.remove(defect.id)}>{t("screen.survey.delete", { id: defect.id })}</Button>
        <Button $kind="quiet" onPress={() => selection.choose(undefined)}>
          {t("screen.survey.done")}
        </Button>
      </Row>
    </>
  );
}
