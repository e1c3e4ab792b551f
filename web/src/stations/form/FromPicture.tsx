import { useEffect, useMemo, useState } from "react";
import { FileTrigger } from "react-aria-components";
import { api } from "../../api/client";
import type { Form } from "../../api/document";
import { useNewest } from "../../api/useNewest";
import { Button } from "../../kit/Button";
import { amountText } from "../../kit/measure";
import { useStored } from "../../kit/useStored";
import { useStoredFile } from "../../kit/useStoredFile";
import { useUnit } from "../../kit/Units";
import { PictureKept } from "../../photo/PictureKept";
import { NOTHING, OF_A_PROFILE, profileQuestion } from "../../photo/trace";
import { TraceSheet } from "../../photo/TraceSheet";
import { Fault, Quiet, Row } from "../../kit/parts";
import { t } from "../../i18n/texts";

type Props = { form: Form; put: (form: Form) => void };

/** A curve pointed out on a photograph of a sketch, or of a piece seen from the side. */
export function FromPicture({ form, put }: Props) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <Button $kind="quiet" style={{ padding: 0 }} onPress={() => setOpen(true)}>
        {t("screen.form.a_curve_from_a_photograph")}
      </Button>
    );
  return (
    <div style={{ display: "grid", gap: 10, margin: "10px 0" }}>
      <Traced form={form} put={put} />
      <Row>
        <Button $kind="quiet" style={{ padding: 0 }} onPress={() => setOpen(false)}>
          {t("screen.form.fold_it")}
        </Button>
      </Row>
    </div>
  );
}

function Traced({ form, put }: Props) {
  const unit = useUnit();
  const { file, lost, fleeting, choose } = useStoredFile("profile-picture");
  const [tracing, setTracing] = useStored("profile-tracing", NOTHING);
  const src = useMemo(() => file && URL.createObjectURL(file), [file]);
  useEffect(
    () => () => {
      if (src) URL.revokeObjectURL(src);
    },
    [src],
  );
  const asked = useMemo(() => profileQuestion(tracing, form.outside[0]?.[0] ?? 0), [tracing, form.outside]);
  const { answer, settled, problem } = useNewest(asked, api.tracedProfile);
  const points = settled && !problem ? answer?.points : undefined;
  const take = (which: "outside" | "inside") => points && put({ ...form, [which]: points, curve: "smooth" });
  return (
    <>
      <Row>
        <FileTrigger
          acceptedFileTypes={["image/jpeg", "image/png"]}
          onSelect={(list) => {
            const chosen = list?.[0];
            if (chosen && !choose(chosen)) setTracing(NOTHING);
          }}
        >
          <Button>
            {file ? t("screen.form.another_photograph") : t("screen.form.choose_a_photograph_of_it_from")}
          </Button>
        </FileTrigger>
      </Row>
      <PictureKept {...{ lost, fleeting }} />
      {src && <TraceSheet src={src} parts={OF_A_PROFILE} tracing={tracing} onChange={setTracing} />}
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {points && (
        <>
          <p role="status">
            {t("screen.form.long_at_its_widest", {
              amount_text: amountText((points.at(-1)?.[0] ?? 0) - (points[0]?.[0] ?? 0), "mm", unit),
              amount_text_2: amountText(2 * Math.max(...points.map(([, r = 0]) => r)), "mm", unit),
            })}
          </p>
          <Row>
            <Button onPress={() => take("outside")}>{t("screen.form.take_it_as_the_outside")}</Button>
            {!form.follows && <Button onPress={() => take("inside")}>{t("screen.form.take_it_as_the_inside")}</Button>}
          </Row>
        </>
      )}
      {!asked && src && <Quiet>{t("screen.form.it_becomes_a_curve_once_there")}</Quiet>}
    </>
  );
}
