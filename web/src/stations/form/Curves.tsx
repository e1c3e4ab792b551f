import { without, type Form } from "../../api/document";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { LengthField } from "../../kit/MeasureField";
import { useUnit } from "../../kit/Units";
import { Fault, Fields, Heading, Quiet, Row, Ticket } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";
import { FromDrawing } from "./FromDrawing";
import { FromPicture } from "./FromPicture";
import { addBetween, hollowOf, takeOut, type Points } from "../../piece/points";
import { t } from "../../i18n/texts";

type Props = { form: Form; put: (form: Form) => void };

/** The curves by their points, and whether the inside goes its own way, follows the outside, or is not there. */
export function Curves({ form, put }: Props) {
  const blank = useBlank();
  const hollow = hollowOf(form);
  const bare = without(without(form, "inside"), "follows");
  const drawn = blank.assessment.geometry.form?.inside ?? [];
  const change = (to: typeof hollow) => {
    if (to === hollow) return;
    if (to === "solid") put(bare);
    else if (to === "follows")
      put({
        ...bare,
        follows: {
          wall_mm: Math.max(1, Math.round(blank.assessment.form?.least_wall_mm ?? 8)),
          floor_mm: Math.max(1, Math.round(blank.assessment.form?.floor_mm ?? 10)),
        },
      });
    else put({ ...bare, inside: thinned(drawn.length > 1 ? drawn : halfOf(form.outside)) });
  };
  const faults = blank.problem?.errors?.filter(({ pointer }) => pointer.startsWith("/document/form/follows")) ?? [];
  return (
    <>
      <Heading>{t("screen.form.the_hollow")}</Heading>
      <Choice
        label={t("screen.form.inside")}
        value={hollow}
        options={{
          follows: t("screen.form.follows_the_outside"),
          own: t("screen.form.goes_its_own_way"),
          solid: t("screen.form.solid"),
        }}
        onChange={change}
      />
      {form.follows && (
        <Fields>
          <LengthField
            label={t("screen.form.wall")}
            value={form.follows.wall_mm}
            onChange={(wall_mm) => put({ ...form, follows: { wall_mm, floor_mm: form.follows?.floor_mm ?? wall_mm } })}
            fault={faults.find(({ pointer }) => pointer.endsWith("wall_mm"))?.detail}
          />
          <LengthField
            label={t("screen.form.floor")}
            value={form.follows.floor_mm}
            onChange={(floor_mm) => put({ ...form, follows: { floor_mm, wall_mm: form.follows?.wall_mm ?? floor_mm } })}
            fault={faults.find(({ pointer }) => pointer.endsWith("floor_mm"))?.detail}
          />
        </Fields>
      )}
      {faults
        .filter(({ pointer }) => pointer === "/document/form/follows")
        .map(({ detail }) => (
          <Fault key={detail} role="alert">
            {detail}
          </Fault>
        ))}
      <FromDrawing form={form} put={put} />
      <FromPicture form={form} put={put} />
      <Curve
        title={t("screen.form.outside")}
        points={form.outside}
        name="outside"

        onChange={(outside) => put({ ...form, outside })}
      />
      {form.inside && (
        <Curve
          title={t("screen.form.inside")}
          points={form.inside}
          name="inside"

          onChange={(inside) => put({ ...form, inside })}
        />
      )}
      <Choice
        label={t("screen.form.points_are_joined")}
        value={form.curve}
        options={{ smooth: t("screen.form.smoothly"), straight: t("screen.form.straight") }}
        onChange={(curve) => put({ ...form, curve })}
      />
      <Row style={{ marginTop: 14 }}>
        <Button onPress={() => blank.draft.change(without(blank.document, "form"))}>
          {t("screen.form.take_the_form_away")}
        </Button>
      </Row>
      <Quiet>{t("screen.form.points_run_from_the_head_to")}</Quiet>
    </>
  );
}

/** Few enough points to take hold of. */
const thinned = (points: Points) => {
  const each = Math.max(1, Math.ceil((points.length - 1) / 9));
  return points
    .filter((_, index) => index % each === 0 || index === points.length - 1)
    .map((point) => point.map((mm) => Math.round(mm * 100) / 100));
};
const halfOf = (outside: Points): Points => outside.map(([z = 0, r = 0]) => [z, r / 2]);

function Curve({
  title,
  points,
  name,
  onChange,
}: {
  title: string;
  points: Points;
  name: string;
  onChange: (points: Points) => void;
}) {
  const blank = useBlank();
  const unit = useUnit();
  const faults = blank.problem?.errors?.filter(({ pointer }) => pointer.startsWith(`/document/form/${name}`)) ?? [];
  const set = (index: number, axis: 0 | 1, value: number) =>
    onChange(
      points.map((point, other) => (other === index ? point.map((old, part) => (part === axis ? value : old)) : point)),
    );
  const ownFault = (index: number) =>
    faults.find(({ pointer }) => pointer.startsWith(`/document/form/${name}/${index}`))?.detail;
  return (
    <>
      <Heading>{title}</Heading>
      {faults
        .filter(({ pointer }) => pointer === `/document/form/${name}`)
        .map(({ detail }) => (
          <Fault key={detail} role="alert">
            {detail}
          </Fault>
        ))}
      <Ticket>
        <thead>
          <tr>
            <td />
            <th>{t("screen.form.off_the_head", { unit })}</th>
            <th>{t("screen.form.radius", { unit })}</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {points.map((point, index) => (
            <tr key={index}>
              <th scope="row">{index + 1}</th>
              {([0, 1] as const).map((axis) => (
                <td key={axis}>
                  <LengthField
                    bare
                    label={t("screen.form.point", {
                      title,
                      value: index + 1,
                      value_2: axis === 0 ? t("screen.form.off_the_head_2") : t("screen.form.radius_2"),
                    })}
                    value={point[axis] ?? 0}
                    onChange={(value) => set(index, axis, value)}
                    {...(axis === 0 && { fault: ownFault(index) })}
                  />
                </td>
              ))}
              <td>
                {index > 0 && (
                  <Button
                    $kind="quiet"
                    style={{ padding: "0 6px" }}
                    aria-label={t("screen.form.a_point_before_point", {
                      to_lower_case: title.toLowerCase(),
                      value: index + 1,
                    })}
                    onPress={() => onChange(addBetween(points, index))}
                  >
                    {t("screen.form.add")}
                  </Button>
                )}
                {points.length > 2 && (
                  <Button
                    $kind="quiet"
                    style={{ padding: "0 6px" }}
                    aria-label={t("screen.form.take_out_point", {
                      to_lower_case: title.toLowerCase(),
                      value: index + 1,
                    })}
                    onPress={() => onChange(takeOut(points, index))}
                  >
                    {t("screen.form.out")}
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </Ticket>
    </>
  );
}
