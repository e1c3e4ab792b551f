import { useMemo, useState } from "react";
import { api } from "../../api/client";
import { without, type Document, type Form, type Route } from "../../api/document";
import { useNewest } from "../../api/useNewest";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { LengthField } from "../../kit/MeasureField";
import { amountText } from "../../kit/measure";
import { Fault, Fields, Quiet, Ticket } from "../../kit/parts";
import { useSettled } from "../../kit/useSettled";
import { useUnit } from "../../kit/Units";
import { withSketch } from "../../piece/sketches";
import { doneOn } from "./dates";

const SETTLED_MS = 400;
const WALL = "wall";
/** Where nobody drew a wall that follows the outside. */
const USUAL_WALL_MM = 10;

/** The same form with another wall, as thick all the way and at the floor. */
const withWall = (document: Document, form: Form, wall_mm: number): Document => ({
  ...document,
  form: { ...without(form, "inside"), follows: { wall_mm, floor_mm: wall_mm } },
});

/** Another form or another wall: what it does to the day, the hands and the cost, before it is taken. */
export function WhatIf({ route }: { route: Route }) {
  const { document, draft } = useBlank();
  const unit = useUnit();
  const { form, sketches = [] } = document;
  const hollow = form !== undefined && (form.inside !== undefined || form.follows !== undefined);
  const options: Record<string, string> = {
    ...(hollow && { [WALL]: t("screen.route.another_wall") }),
    ...Object.fromEntries(sketches.map(({ name }, index) => [`form ${index}`, name])),
  };
  const [kind, setKind] = useState(Object.keys(options)[0]);
  const [wall, setWall] = useState(form?.follows?.wall_mm ?? USUAL_WALL_MM);
  const other = useMemo(() => {
    if (!form || kind === undefined) return undefined;
    return kind === WALL ? withWall(document, form, wall) : withSketch(document, Number(kind.split(" ")[1]));
  }, [document, form, kind, wall]);
  const settled = useSettled(other, SETTLED_MS);
  const question = useMemo(() => (settled ? { document: settled, ways: "taken" as const } : undefined), [settled]);
  const { answer, settled: fresh, problem } = useNewest(question, api.route);
  const [now, then] = [route.alternatives[0], answer?.alternatives[0]];
  if (kind === undefined || !now) return <Quiet>{t("screen.route.no_other_form_yet")}</Quiet>;
  const rows = then && [
    [t("screen.route.done"), doneOn(now), doneOn(then)],
    [t("screen.route.hands"), amountText(now.hands_h, "h", unit), amountText(then.hands_h, "h", unit)],
    [t("screen.route.cost"), amountText(now.cost, "money", unit), amountText(then.cost, "money", unit)],
    [t("screen.route.blocked_steps"), String(now.conflicts), String(then.conflicts)],
  ];
  return (
    <section aria-label={t("screen.route.section.what_if")}>
      <Choice label={t("screen.route.what_if_it_had")} value={kind} options={options} onChange={setKind} />
      {kind === WALL && (
        <Fields>
          <LengthField label={t("screen.route.wall")} value={wall} onChange={setWall} />
        </Fields>
      )}
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {!problem && rows && (
        <Ticket aria-label={t("screen.route.what_it_does")} style={{ opacity: fresh ? 1 : 0.6 }}>
          <thead>
            <tr>
              <td style={{ border: 0 }} />
              <th>{t("screen.route.as_it_is")}</th>
              <th>{kind === WALL ? amountText(wall, "mm", unit) : options[kind]}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(([name, before, after]) => (
              <tr key={name}>
                <th scope="row">{name}</th>
                <td>{before}</td>
                <td style={{ fontWeight: before === after ? 400 : 650 }}>{after}</td>
              </tr>
            ))}
          </tbody>
        </Ticket>
      )}
      {!problem && other && then && (
        <Button isDisabled={!fresh} onPress={() => draft.change(other)}>
          {t("screen.route.take_it")}
        </Button>
      )}
    </section>
  );
}
