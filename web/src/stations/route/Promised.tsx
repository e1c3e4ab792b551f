import { without } from "../../api/document";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { Fields, Quiet } from "../../kit/parts";
import { TextLine } from "../../kit/MeasureField";

/** Who waits for it, and until when. The board puts what is due first. */
export function Promised() {
  const { document, draft, problem } = useBlank();
  const { due_on = "", words = "" } = document.commission ?? {};
  const fault = (name: string) =>
    problem?.errors?.find(({ pointer }) => pointer === `/document/commission/${name}`)?.detail;
  const put = (day: string, said: string) =>
    draft.change(
      day
        ? { ...document, commission: { due_on: day, ...(said && { words: said }) } }
        : without(document, "commission"),
    );
  return (
    <section aria-label={t("screen.route.section.promised")}>
      <Fields>
        <TextLine
          label={t("screen.route.due_on")}
          type="date"
          most={10}
          value={due_on}
          onChange={(day) => put(day, words)}
          fault={fault("due_on")}
        />
      </Fields>
      {due_on && (
        <TextLine
          label={t("screen.route.for_whom")}
          most={200}
          value={words}
          onChange={(said) => put(due_on, said)}
          fault={fault("words")}
        />
      )}
      <Quiet>{t("screen.route.what_is_due_comes_first")}</Quiet>
    </section>
  );
}
