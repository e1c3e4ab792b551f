import { useMemo, useState } from "react";
import styled from "styled-components";
import { api } from "../../api/client";
import { without, type Document, type SetOuts as Numbers, type SetOutsQuestion } from "../../api/document";
import { useNewest } from "../../api/useNewest";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { LengthField, NumberField } from "../../kit/MeasureField";
import { amountText, lengthText } from "../../kit/measure";
import { Worked } from "../../kit/Advice";
import { useSettled } from "../../kit/useSettled";
import { useUnit } from "../../kit/Units";
import { Carry, Fault, Fields, Quiet, Row, Ticket } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";
import { messageText, t } from "../../i18n/texts";

const SETTLED_MS = 300;
const THREADS = { m4: "M4", m5: "M5", m6: "M6", m8: "M8", m10: "M10" } as const;
type Wanted = SetOutsQuestion["wanted"];
type HoleWanted = NonNullable<Wanted["hole"]>;
const TAKES = {
  nothing: t("screen.form.hole_takes_nothing"),
  thread: t("screen.form.hole_takes_thread"),
  insert: t("screen.form.hole_takes_insert"),
} as const;
const FACES = { foot: t("screen.form.hole_from_foot"), mouth: t("screen.form.hole_from_mouth") } as const;

/** The numbers to mark on the wood, and what to print and cut out for it. */
export function SetOuts() {
  const blank = useBlank();
  const [open, setOpen] = useState(false);
  return (
    <>
      <Row>
        <Button aria-expanded={open} onPress={() => setOpen(!open)}>
          {open ? t("screen.form.fold_the_numbers") : t("screen.form.numbers_to_mark")}
        </Button>
        <Carry href={`/api/blanks/${blank.id}/export?as=template`} download>
          {t("screen.form.template_to_print_1_1")}
        </Carry>
        <Carry href={`/api/blanks/${blank.id}/export?as=template_svg`} download>
          {t("screen.form.as_a_drawing")}
        </Carry>
        <Carry href={`/api/blanks/${blank.id}/export?as=stl`} download>
          {t("screen.form.as_a_mesh")}
        </Carry>
      </Row>
      {blank.draft.dirty && <Quiet>{t("screen.form.what_is_printed_is_the_form")}</Quiet>}
      {open && <Marked />}
    </>
  );
}

function Marked() {
  const blank = useBlank();
  const unit = useUnit();
  const document = useSettled<Document>(blank.document, SETTLED_MS);
  const [wanted, setWanted] = useState<Wanted>({
    every_mm: unit === "in" ? 12.7 : 10,
    feet: 3,
    bit_mm: 25,
    engaged_mm: 12,
    hole: { takes: "nothing", from: "foot", deep_mm: 12 },
  });
  const hole = wanted.hole ?? { takes: "nothing", from: "foot", deep_mm: 12 };
  const setHole = (change: Partial<HoleWanted>) => setWanted({ ...wanted, hole: { ...hole, ...change } });
  const question = useMemo(() => ({ document, wanted }), [document, wanted]);
  const { answer, problem } = useNewest(question, api.setOuts);
  const faultOf = (key: string) =>
    problem?.errors?.find(({ pointer }) => pointer === `/wanted/${key}` || pointer === `/${key}`)?.detail;
  return (
    <>
      <Fields>
        <LengthField
          label={t("screen.form.a_station_every")}
          value={wanted.every_mm ?? 10}
          onChange={(every_mm) => setWanted({ ...wanted, every_mm })}
          fault={faultOf("every_mm")}
        />
        <LengthField
          label={hole.takes === "insert" ? t("screen.form.insert_across") : t("screen.form.bit_across")}
          value={wanted.bit_mm ?? 25}
          onChange={(bit_mm) => setWanted({ ...wanted, bit_mm })}
          fault={faultOf("bit_mm")}
        />
        {hole.takes === "thread" ? (
          <LengthField
            label={t("screen.form.thread_deep")}
            value={wanted.engaged_mm ?? 12}
            onChange={(engaged_mm) => setWanted({ ...wanted, engaged_mm })}
            fault={faultOf("engaged_mm")}
          />
        ) : (
          <LengthField
            label={t("screen.form.hole_deep")}
            value={hole.deep_mm}
            onChange={(deep_mm) => setHole({ deep_mm })}
            fault={faultOf("hole/deep_mm")}
          />
        )}
        <NumberField
          label={t("screen.form.feet")}
          value={wanted.feet ?? 3}
          onChange={(feet) => setWanted({ ...wanted, feet })}
          fault={faultOf("feet")}
        />
      </Fields>
      <Stacked>
        <Choice
          label={t("screen.form.hole_takes")}
          value={hole.takes}
          options={TAKES}
          onChange={(takes) =>
            setWanted({
              ...without(wanted, "thread"),
              hole: { ...hole, takes },
              ...(takes === "thread" ? { thread: "m8" } : {}),
            })
          }
        />
        {wanted.thread && (
          <Choice
            label={t("screen.form.thread_to_tap")}
            value={wanted.thread as keyof typeof THREADS}
            options={THREADS}
            onChange={(thread) => setWanted({ ...wanted, thread })}
          />
        )}
        <Choice
          label={t("screen.form.hole_from")}
          value={hole.from}
          options={FACES}
          onChange={(from) => setHole({ from })}
        />
      </Stacked>
      {problem && !problem.errors?.some(({ pointer }) => /every_mm|bit_mm|feet|deep_mm|engaged_mm/.test(pointer)) && (
        <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>
      )}
      {answer && <Table numbers={answer} />}
    </>
  );
}

function Table({ numbers }: { numbers: Numbers }) {
  const unit = useUnit();
  const mm = (value: number) => amountText(value, "mm", unit);
  const { stations, depths, sphere, feet, ring, lid, insert, drill, hole, workings } = numbers;
  const hollow = stations.some(({ inside_mm }) => inside_mm !== null);
  const rows: [string, string, string][] = [
    ...(depths
      ? ([
          [
            t("screen.form.hollow_to"),
            t("screen.form.from_the_rim_leaving_of_floor", { mm: mm(depths.hollow_mm), mm_2: mm(depths.floor_mm) }),
            "",
          ],
          [
            t("screen.form.mark_on_a_bit"),
            t("screen.form.from_its_cutting_edge_3_mm", { mm: mm(depths.bit_mark_mm) }),
            "depths/bit_mark_mm",
          ],
        ] satisfies [string, string, string][])
      : []),
    ...(sphere
      ? ([
          [
            t("screen.form.flats_of_the_eight_sided_stage"),
            t("screen.form.from_off_either_end_long", {
              mm: mm(sphere.facet_start_mm),
              mm_2: mm(sphere.facet_length_mm),
            }),
            "sphere/facet_start_mm",
          ],
          [t("screen.form.neck_left_to_hold_it"), mm(sphere.neck_mm), ""],
        ] satisfies [string, string, string][])
      : []),
    ...(feet
      ? ([
          [
            t("screen.form.feet_2", { count: feet.count }),
            t("screen.form.from_foot_to_foot_on_a", { mm: mm(feet.chord_mm), mm_2: mm(2 * feet.radius_mm) }),
            "feet/chord_mm",
          ],
        ] satisfies [string, string, string][])
      : []),
    ...(ring
      ? ([
          [
            t("screen.form.ring"),
            t("screen.form.bore_size_by_the_length_round", {
              mm: mm(ring.bore_mm),
              to_fixed: ring.iso_size.toFixed(0),
              to_fixed_2: ring.core_mm.toFixed(2),
            }),
            "ring/core_mm",
          ],
        ] satisfies [string, string, string][])
      : []),
    ...(lid
      ? ([
          [
            t("screen.form.lid"),
            t("screen.form.the_mouth_moves_mm_with_the", {
              join: lid.fits.map(({ name, spigot_mm }) => `${name} ${spigot_mm.toFixed(2)} mm`).join(" · "),
              to_fixed: lid.moves_mm.toFixed(1),
            }),
            "lid/moves_mm",
          ],
        ] satisfies [string, string, string][])
      : []),
    ...(insert
      ? ([
          [
            t("screen.form.thread", { thread: insert.thread }),
            t("screen.form.drill_mm_deep_by_hand_or", {
              to_fixed: insert.drill_mm.toFixed(2),
              mm: mm(insert.depth_mm),
            }),
            "insert/drill_mm",
          ],
        ] satisfies [string, string, string][])
      : []),
    [
      t("screen.form.a_bit", { mm: mm(drill.bit_mm) }),
      t("screen.form.to_never_over_its_own_rating", {
        from_rpm: amountText(drill.from_rpm, "rpm", unit),
        to_rpm: amountText(drill.to_rpm, "rpm", unit),
        mm: mm(drill.clear_mm),
        value: drill.pilot ? t("screen.form.a_pilot_hole_first") : "",
      }),
      "drill/from_rpm",
    ],
    ...(hole
      ? ([
          [
            t("screen.form.hole"),
            t(hole.left_mm > 0 ? "screen.form.hole_says" : "screen.form.hole_through", {
              across: mm(hole.across_mm),
              deep: mm(hole.deep_mm),
              wall: mm(hole.wall_mm),
              left: mm(hole.left_mm),
            }),
            "",
          ],
        ] satisfies [string, string, string][])
      : []),
  ];
  return (
    <>
      <Ticket aria-label={t("screen.form.numbers_to_mark")}>
        <tbody>
          {rows.map(([name, says, key]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              <td>
                <Worked working={workings[`/${key}`]}>{says}</Worked>
              </td>
            </tr>
          ))}
        </tbody>
      </Ticket>
      {hole && <HoleLines hole={hole} />}
      <Ticket aria-label={t("screen.form.stations")} style={{ marginTop: 12 }}>
        <thead>
          <tr>
            <th className="number">{t("screen.form.from_the_foot", { unit })}</th>
            <th className="number">{t("screen.form.across", { unit })}</th>
            {hollow && <th className="number">{t("screen.form.inside_2", { unit })}</th>}
          </tr>
        </thead>
        <tbody>
          {stations.map(({ from_foot_mm, diameter_mm, inside_mm }) => (
            <tr key={from_foot_mm}>
              <td className="number">{lengthText(from_foot_mm, unit)}</td>
              <td className="number">
                <strong>{lengthText(diameter_mm, unit)}</strong>
              </td>
              {hollow && (
                <td className="number">
                  {inside_mm === null ? t("screen.form.solid_2") : lengthText(inside_mm, unit)}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </Ticket>
    </>
  );
}

const Stacked = styled.div`
  display: grid;
  gap: 10px;
  margin-bottom: 12px;
`;

const Listed = styled.ol`
  list-style: decimal;
  margin: 12px 0;
  padding-left: 1.6em;

  li {
    margin: 4px 0;
  }
`;

/** What is wrong with the hole first, then how to drill it and what goes into it, one line after another. */
function HoleLines({ hole }: { hole: NonNullable<Numbers["hole"]> }) {
  const unit = useUnit();
  return (
    <>
      {hole.says.map((one) => (
        <Fault key={one.key} role="alert">
          {messageText(one, unit)}
        </Fault>
      ))}
      <Listed aria-label={t("screen.form.working_of_the_hole")}>
        {hole.lines.map(({ key, message, target, minutes }) => (
          <li key={key}>
            {messageText(message, unit)} {target && <strong>{amountText(target.value, target.unit, unit)}</strong>}
            {minutes && (
              <strong>{`${amountText(minutes[0] ?? 0, "min", unit)} – ${amountText(minutes[1] ?? 0, "min", unit)}`}</strong>
            )}
          </li>
        ))}
      </Listed>
    </>
  );
}
