import { without, type Form } from "../api/document";
import { Button } from "../kit/Button";
import { Choice } from "../kit/Choice";
import { LengthField } from "../kit/MeasureField";
import { Findings, Worked } from "../kit/Says";
import { amountText } from "../kit/measure";
import { useUnit } from "../kit/Units";
import { Fault, Heading, Quiet, Row, Ticket } from "./parts";
import type { AtStation } from "./types";

/** A plain disc inside the blank, to start from. */
const plainForm = (reachMm: number, lengthMm: number): Form => {
  const radius = Math.floor(reachMm * 0.9);
  return { kind: "disc", opens: "tail", curve: "straight", outside: [[Math.ceil(lengthMm * 0.05), radius], [Math.floor(lengthMm * 0.95), radius]] };
};

const USES = { unsaid: "Unsaid", display: "To look at", handled: "To handle", food: "Food", wet: "Wet use" } as const;

/** What it becomes, and what of the trouble that leaves. */
export function FormStation(at: AtStation) {
  const { assessment, document, draft } = at;
  const unit = useUnit();
  const put = (form: Form | undefined) => {
    const changed = { ...document };
    delete changed.form;
    draft.change(form ? { ...changed, form } : changed);
  };
  const form = document.form;
  const least = Math.min(...(assessment.geometry.surface.radii_mm.flat()));
  return (
    <>
      <Findings findings={assessment.findings.form} workings={assessment.workings} />
      {!form && <Button $kind="go" onPress={() => put(plainForm(least, assessment.geometry.length_mm))}>Start from a plain disc</Button>}
      {form && (
        <>
          <Choice label="What it is for" value={form.use ?? "unsaid"} options={USES} onChange={(use) => put(use === "unsaid" ? without(form, "use") : { ...form, use })} />
          <Heading>What it does to the trouble</Heading>
          <Ticket>
            <tbody>
              {assessment.defects.map((defect, index) => (
                <tr key={defect.id}>
                  <th scope="row">{defect.id}</th>
                  <td><Worked working={assessment.workings[`/defects/${index}/removed_share`]}>{amountText(defect.removed_share, "share", unit)} turned away</Worked></td>
                  <td>{defect.breaks_through ? `goes through the ${defect.where.includes("floor") ? "floor" : "wall"}` : defect.where.includes("tenon") ? "under the tenon" : defect.reaches_surface ? "shows" : defect.removed_share > 0.999 ? "gone" : "closed inside"}</td>
                </tr>
              ))}
            </tbody>
          </Ticket>
          <Curve title="Outside" points={form.outside} name="outside" at={at} onChange={(outside) => put({ ...form, outside })} />
          {form.inside && <Curve title="Inside" points={form.inside} name="inside" at={at} onChange={(inside) => put({ ...form, inside })} />}
          <Row style={{ marginTop: 14 }}>
            <Button onPress={() => put(undefined)}>Take the form away</Button>
          </Row>
          <Quiet>Points run from the head to the tail. Undo brings anything back.</Quiet>
        </>
      )}
    </>
  );
}

type Points = Form["outside"];

function Curve({ title, points, name, at, onChange }: { title: string; points: Points; name: string; at: AtStation; onChange: (points: Points) => void }) {
  const unit = useUnit();
  const faults = at.problem?.errors?.filter(({ pointer }) => pointer.startsWith(`/document/form/${name}`)) ?? [];
  const set = (index: number, axis: 0 | 1, value: number) => onChange(points.map((point, other) => (other === index ? point.map((old, part) => (part === axis ? value : old)) : point)));
  const ownFault = (index: number) => faults.find(({ pointer }) => pointer.startsWith(`/document/form/${name}/${index}`))?.detail;
  return (
    <>
      <Heading>{title}</Heading>
      {faults.filter(({ pointer }) => pointer === `/document/form/${name}`).map(({ detail }) => <Fault key={detail} role="alert">{detail}</Fault>)}
      <Ticket>
        <thead><tr><th /><th>off the head, {unit}</th><th>radius, {unit}</th></tr></thead>
        <tbody>
          {points.map((point, index) => (
            <tr key={index}>
              <th scope="row">{index + 1}</th>
              {([0, 1] as const).map((axis) => (
                <td key={axis}>
                  <LengthField bare label={`${title} point ${index + 1}, ${axis === 0 ? "off the head" : "radius"}`} value={point[axis] ?? 0} onChange={(value) => set(index, axis, value)}
                    {...(axis === 0 && { fault: ownFault(index) })} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Ticket>
    </>
  );
}
