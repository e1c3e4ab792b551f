import { without, type Form } from "../../api/document";
import { Choice } from "../../kit/Choice";
import { AdviceList, Worked } from "../../kit/Says";
import { Place } from "../../kit/Sought";
import { amountText } from "../../kit/measure";
import { useUnit } from "../../kit/Units";
import { Heading, Ticket } from "../../kit/parts";
import type { AtStation } from "../../draft/atStation";
import { BestPlaces } from "./BestPlaces";
import { Curves } from "./Curves";
import { FromMeasures } from "./FromMeasures";
import { InTheRound } from "./InTheRound";
import { Laying } from "./Laying";
import { Patterns } from "./Patterns";
import { SetOuts } from "./SetOuts";
import { Sketches } from "./Sketches";

const USES = { unsaid: "Unsaid", display: "To look at", handled: "To handle", food: "Food", wet: "Wet use" } as const;

/** What it becomes, where that lies in the blank, and what of the trouble it leaves. */
export function FormStation(at: AtStation) {
  const { assessment, document, draft } = at;
  const put = (form: Form) => draft.change({ ...document, form });
  const form = document.form;
  return (
    <>
      <AdviceList advice={assessment.findings.form} workings={assessment.workings} />
      <InTheRound at={at} />
      <Place of="draw_form">
        <FromMeasures at={at} />
      </Place>
      {!form && <Patterns at={at} />}
      {form && (
        <>
          <Trouble at={at} />
          <Laying at={at} form={form} />
          <BestPlaces at={at} />
          <Sketches at={at} form={form} />
          <Patterns at={at} />
          <Heading>Its use</Heading>
          <Choice
            label="What it is for"
            value={form.use ?? "unsaid"}
            options={USES}
            onChange={(use) => put(use === "unsaid" ? without(form, "use") : { ...form, use })}
          />
          <SetOuts at={at} />
          <Curves at={at} form={form} put={put} />
        </>
      )}
    </>
  );
}

const SKINS = { outside: "outside", inside: "inside", rim: "at the rim", foot: "at the foot" } as const;

/** What the form turns away of each finding, and where the rest is seen. */
function Trouble({ at }: { at: AtStation }) {
  const unit = useUnit();
  const { defects, workings } = at.assessment;
  if (defects.length === 0) return null;
  return (
    <>
      <Heading>What it does to the trouble</Heading>
      <Ticket>
        <tbody>
          {defects.map((defect, index) => (
            <tr key={defect.id}>
              <th scope="row">{defect.id}</th>
              <td>
                <Worked working={workings[`/defects/${index}/removed_share`]}>
                  {amountText(defect.removed_share, "share", unit)} turned away
                </Worked>
              </td>
              <td>
                {[
                  defect.breaks_through && `goes through the ${defect.where.includes("floor") ? "floor" : "wall"}`,
                  defect.where.includes("tenon") && "under the tenon",
                  defect.shows.length > 0 && `shows ${defect.shows.map((skin) => SKINS[skin]).join(", ")}`,
                ]
                  .filter(Boolean)
                  .join(" · ") || (defect.removed_share > 0.999 ? "gone" : "closed inside")}
              </td>
            </tr>
          ))}
        </tbody>
      </Ticket>
    </>
  );
}
