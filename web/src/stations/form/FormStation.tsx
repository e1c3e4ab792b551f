import { without, type Form } from "../../api/document";
import { Choice } from "../../kit/Choice";
import { AdviceList, Worked } from "../../kit/Advice";
import { Sections, type Section } from "../../kit/Sections";
import { Place } from "../../kit/SoughtPlace";
import { amountText } from "../../kit/measure";
import { useUnit } from "../../kit/Units";
import { useKept } from "../../kit/useKept";
import { Heading, Ticket } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";
import { BestPlaces } from "./BestPlaces";
import { Curves } from "./Curves";
import { FromMeasures } from "./FromMeasures";
import { Laying } from "./Laying";
import { Patterns } from "./Patterns";
import { SetOuts } from "./SetOuts";
import { Sketches } from "./Sketches";
import { t, words } from "../../i18n/texts";

const USES = {
  unsaid: t("screen.form.unsaid"),
  display: t("screen.form.to_look_at"),
  handled: t("screen.form.to_handle"),
  food: t("screen.form.food"),
  wet: t("screen.form.wet_use"),
} as const;

const SECTIONS = ["shape", "placement", "compare", "setting_out"] as const;
type Name = (typeof SECTIONS)[number];

/** What it becomes, where that lies in the blank, and which defects it leaves. */
export function FormStation() {
  const { assessment, document } = useBlank();
  const [open, , setOpen] = useKept<Name>("section of form", SECTIONS);
  const form = document.form;
  const shape: Section<Name> = {
    key: "shape",
    title: t("screen.form.section.shape"),
    body: <Shape />,
    seeks: ["draw_form"],
  };
  const placed: Section<Name>[] = form
    ? [
        {
          key: "placement",
          title: t("screen.form.section.placement"),
          body: (
            <>
              <Laying form={form} />
              <BestPlaces />
              <Trouble />
            </>
          ),
        },
        { key: "compare", title: t("screen.form.section.compare"), body: <Sketches form={form} /> },
        { key: "setting_out", title: t("screen.form.section.setting_out"), body: <SetOuts /> },
      ]
    : [];
  return (
    <>
      <AdviceList advice={assessment.advice.form} workings={assessment.workings} />
      <Sections open={open} onOpen={setOpen} sections={[shape, ...placed]} />
    </>
  );
}

/** Its measures, its curves and what it is for. */
function Shape() {
  const { document, draft } = useBlank();
  const form = document.form;
  const put = (changed: Form) => draft.change({ ...document, form: changed });
  return (
    <>
      <Place of="draw_form">
        <FromMeasures />
      </Place>
      {form && (
        <>
          <Heading>{t("screen.form.its_use")}</Heading>
          <Choice
            label={t("screen.form.what_it_is_for")}
            value={form.use ?? "unsaid"}
            options={USES}
            onChange={(use) => put(use === "unsaid" ? without(form, "use") : { ...form, use })}
          />
        </>
      )}
      {form && <Curves form={form} put={put} />}
      <Patterns />
    </>
  );
}

const SKINS = words("screen.form.skins", ["outside", "inside", "rim", "foot"]);

/** What the form turns away of each defect, and where the rest is seen. */
function Trouble() {
  const blank = useBlank();
  const unit = useUnit();
  const { defects, workings } = blank.assessment;
  if (defects.length === 0) return null;
  return (
    <>
      <Heading>{t("screen.form.what_it_does_to_the_trouble")}</Heading>
      <Ticket>
        <tbody>
          {defects.map((defect, index) => (
            <tr key={defect.id}>
              <th scope="row">{defect.id}</th>
              <td>
                <Worked working={workings[`/defects/${index}/removed_share`]}>
                  {t("screen.form.turned_away", { removed_share: amountText(defect.removed_share, "share", unit) })}
                </Worked>
              </td>
              <td>
                {[
                  defect.breaks_through &&
                    t("screen.form.goes_through_the", {
                      value: defect.where.includes("floor") ? t("screen.form.floor_2") : t("screen.form.wall_2"),
                    }),
                  defect.where.includes("tenon") && t("screen.form.under_the_tenon"),
                  defect.shows.length > 0 &&
                    t("screen.form.shows", { join: defect.shows.map((skin) => SKINS[skin]).join(", ") }),
                ]
                  .filter(Boolean)
                  .join(" · ") ||
                  (defect.removed_share > 0.999 ? t("screen.form.gone") : t("screen.form.closed_inside"))}
              </td>
            </tr>
          ))}
        </tbody>
      </Ticket>
    </>
  );
}
