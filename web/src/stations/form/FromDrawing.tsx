import { useState } from "react";
import { FieldError, Label, TextArea, TextField } from "react-aria-components";
import styled from "styled-components";
import { api } from "../../api/client";
import type { Form } from "../../api/document";
import { Button } from "../../kit/Button";
import { NumberField } from "../../kit/MeasureField";
import { focusRing, ink } from "../../kit/theme";
import { useAct } from "../../kit/useAct";
import { Fields, Quiet, Row } from "../../kit/parts";
import type { Points } from "../../piece/points";
import { t } from "../../i18n/texts";

const Field = styled(TextField)`
  display: grid;
  gap: 2px;
  label {
    font-size: 14px;
    color: ${ink.quiet};
  }
  textarea {
    min-height: 90px;
    padding: 8px 10px;
    border: 1px solid ${ink.slate};
    background: ${ink.paper};
    color: ${ink.ink};
    font-size: 14px;
    resize: vertical;
    ${focusRing}
  }
  [slot="errorMessage"] {
    font-size: 14px;
    color: ${ink.rust};
  }
`;

type Props = { form: Form; put: (form: Form) => void };

/** A curve drawn elsewhere, taken in as the path it is. */
export function FromDrawing({ form, put }: Props) {
  const [open, setOpen] = useState(false);
  const [path, setPath] = useState("");
  const [unitMm, setUnit] = useState(1);
  const { busy, problem, act } = useAct();
  const take = (which: "outside" | "inside") => {
    const from = (which === "outside" ? form.outside : form.inside)?.[0]?.[0] ?? form.outside[0]?.[0] ?? 0;
    void act(
      () => api.profile(path, unitMm, from),
      ({ points }: { points: Points }) => put({ ...form, [which]: points, curve: "straight" }),
    );
  };
  if (!open)
    return (
      <Button $kind="quiet" style={{ padding: 0 }} onPress={() => setOpen(true)}>
        {t("screen.form.a_curve_from_a_drawing")}
      </Button>
    );
  return (
    <div style={{ margin: "10px 0" }}>
      <Field value={path} onChange={setPath} isInvalid={problem !== undefined} maxLength={200000}>
        <Label>{t("screen.form.the_drawing_svg_or_the_d")}</Label>
        <TextArea spellCheck={false} />
        {problem && <FieldError>{problem.errors?.[0]?.detail ?? problem.detail}</FieldError>}
      </Field>
      <Fields>
        <NumberField label={t("screen.form.a_unit_of_it_is_mm")} value={unitMm} onChange={setUnit} />
      </Fields>
      <Row>
        <Button isDisabled={busy || path.trim() === ""} onPress={() => take("outside")}>
          {t("screen.form.take_it_as_the_outside")}
        </Button>
        {!form.follows && (
          <Button isDisabled={busy || path.trim() === ""} onPress={() => take("inside")}>
            {t("screen.form.take_it_as_the_inside")}
          </Button>
        )}
        <Button $kind="quiet" onPress={() => setOpen(false)}>
          {t("screen.form.never_mind")}
        </Button>
      </Row>
      <Quiet>{t("screen.form.lines_and_be_zier_curves_are")}</Quiet>
    </div>
  );
}
