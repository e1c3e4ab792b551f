import { useState } from "react";
import { api } from "../api/client";
import { without, type KeptLathe, type Lathe } from "../api/document";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { Choice } from "../kit/Choice";
import { AmountField, LengthField, NumberField, TextLine } from "../kit/MeasureField";
import { lengthsText, parseLength } from "../kit/measure";
import { Fault, Fields, Row } from "../kit/parts";
import { TaskProgress } from "../kit/TaskProgress";
import { useUnit } from "../kit/Units";
import { useAct } from "../kit/useAct";
import { useTask } from "../kit/useTask";
import { FIRST_BELT, STANDS } from "./standing";
const MOST_BELTS = 8;
const MOST_JAWS = 20;
type FormProps = {
  start: Pick<KeptLathe, "name" | "lathe">;
  kept?: KeptLathe;
  onTake: (lathes: KeptLathe[]) => void;
};

/** What a lathe is and can; new, or one that is there. */
export function LatheForm({ start, kept, onTake }: FormProps) {
  const [name, setName] = useState(start.name);
  const [lathe, setLathe] = useState(start.lathe);
  const { busy, problem: refused, act } = useAct();
  const saving = useTask();
  const problem = refused ?? saving.problem;
  const save = () =>
    kept
      ? saving.run(
          () => api.changeLathe(kept.id, name, lathe),
          () => void api.lathes().then(onTake),
        )
      : act(() => api.addLathe(name, lathe), onTake);
  const faults = Object.fromEntries((problem?.errors ?? []).map(({ pointer, detail }) => [pointer, detail]));
  const change = (part: Partial<Lathe>) => setLathe({ ...lathe, ...part });
  const belt = (index: number, part: Partial<Lathe["belts"][number]>) =>
    change({ belts: lathe.belts.map((own, at) => (at === index ? { ...own, ...part } : own)) });
  return (
    <div
      role="group"
      aria-label={kept ? t("screen.shop.changed", { name: kept.name }) : t("screen.shop.another_lathe")}
      style={{ display: "grid", gap: 12, maxWidth: 620, margin: "8px 0 16px" }}
    >
      <TextLine label={t("screen.shop.called")} value={name} most={120} onChange={setName} />
      {faults["/name"] && <Fault role="alert">{faults["/name"]}</Fault>}
      <Fields>
        <LengthField
          label={t("screen.shop.swing")}
          value={lathe.swing_mm}
          onChange={(swing_mm) => change({ swing_mm })}
          fault={faults["/lathe/swing_mm"]}
        />
        <LengthField
          label={t("screen.shop.between_centres")}
          value={lathe.between_centres_mm}
          onChange={(between_centres_mm) => change({ between_centres_mm })}
          fault={faults["/lathe/between_centres_mm"]}
        />
        <AmountField
          of="kg"
          label={t("screen.shop.lathe_and_stand")}
          value={lathe.mass_kg}
          onChange={(mass_kg) => change({ mass_kg })}
          fault={faults["/lathe/mass_kg"]}
        />
        <AmountField
          of="kg"
          label={t("screen.shop.ballast")}
          value={lathe.ballast_kg ?? 0}
          onChange={(ballast_kg) => change({ ballast_kg })}
          fault={faults["/lathe/ballast_kg"]}
        />
        <NumberField
          label={t("screen.shop.motor")}
          value={lathe.power_w ?? 0}
          onChange={(power_w) => (power_w === 0 ? setLathe(without(lathe, "power_w") as Lathe) : change({ power_w }))}
          fault={faults["/lathe/power_w"]}
        />
      </Fields>
      <Choice
        label={t("screen.shop.it_stands")}
        value={lathe.stand}
        options={STANDS}
        onChange={(stand) => change({ stand })}
      />
      {lathe.belts.map((own, index) => (
        <Row key={index}>
          <div style={{ width: 170 }}>
            <NumberField
              label={t("screen.shop.belt_from_rpm", { value: index + 1 })}
              value={own.min_rpm}
              onChange={(min_rpm) => belt(index, { min_rpm })}
              fault={faults[`/lathe/belts/${index}/min_rpm`]}
            />
          </div>
          <div style={{ width: 170 }}>
            <NumberField
              label={t("screen.shop.belt_to_rpm", { value: index + 1 })}
              value={own.max_rpm}
              onChange={(max_rpm) => belt(index, { max_rpm })}
              fault={faults[`/lathe/belts/${index}/max_rpm`]}
            />
          </div>
          {lathe.belts.length > 1 && (
            <Button
              $kind="quiet"
              aria-label={t("screen.shop.take_belt_out", { value: index + 1 })}
              onPress={() => change({ belts: lathe.belts.filter((_, at) => at !== index) })}
            >
              {t("screen.shop.take_out")}
            </Button>
          )}
        </Row>
      ))}
      {lathe.belts.length < MOST_BELTS && (
        <Button
          style={{ justifySelf: "start" }}
          onPress={() => change({ belts: [...lathe.belts, lathe.belts.at(-1) ?? FIRST_BELT] })}
        >
          {t("screen.shop.another_belt")}
        </Button>
      )}
      <Jaws lathe={lathe} onChange={setLathe} />
      {problem &&
        !["/name", "/lathe"].some((place) => problem.errors?.some(({ pointer }) => pointer.startsWith(place))) && (
          <Fault role="alert">{problem.detail}</Fault>
        )}
      <Row>
        <Button $kind="go" isDisabled={busy || saving.busy || name === ""} onPress={() => void save()}>
          {t("screen.shop.save")}
        </Button>
        {kept && (
          <Button $kind="quiet" isDisabled={busy} onPress={() => void act(() => api.removeLathe(kept.id), onTake)}>
            {t("screen.shop.take_it_out_of_the_shop")}
          </Button>
        )}
      </Row>
      <TaskProgress task={saving.task} label={t("screen.shop.saving", { name })} onCancel={saving.cancel} />
    </div>
  );
}

/** The circles its jaw sets close to; without any, the usual sets are calculated with. */
function Jaws({ lathe, onChange }: { lathe: Lathe; onChange: (lathe: Lathe) => void }) {
  const unit = useUnit();
  const [wrong, setWrong] = useState(false);
  const put = (text: string) => {
    const parts = text
      .split(/[;,]/)
      .map((part) => part.trim())
      .filter(Boolean);
    const circles = parts.map((part) => parseLength(part, unit));
    const bad = circles.length > MOST_JAWS || circles.some((mm) => mm === undefined || mm <= 0);
    setWrong(bad);
    if (!bad) onChange(parts.length > 0 ? { ...lathe, jaws_mm: circles as number[] } : without(lathe, "jaws_mm"));
  };
  return (
    <div>
      <TextLine
        label={t("screen.shop.circles_your_jaws_close_to_true", { unit })}
        value={lengthsText(lathe.jaws_mm ?? [], unit)}
        most={200}
        onChange={put}
      />
      {wrong && (
        <Fault role="alert">
          {t("screen.shop.lengths_with_commas_between_them_at", { m_o_s_t_j_a_w_s: MOST_JAWS })}
        </Fault>
      )}
    </div>
  );
}
