import { useMemo, useState } from "react";
import { api } from "../../api/client";
import { without, type Document, type SetOuts as Numbers, type SetOutsQuestion } from "../../api/document";
import { useNewest } from "../../api/useNewest";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { LengthField, NumberField } from "../../kit/MeasureField";
import { amountText, lengthText } from "../../kit/measure";
import { Worked } from "../../kit/Says";
import { useSettled } from "../../kit/useSettled";
import { useUnit } from "../../kit/Units";
import { Carry, Fault, Fields, Heading, Quiet, Row, Ticket } from "../../kit/parts";
import type { AtStation } from "../../draft/atStation";

const SETTLED_MS = 300;
const THREADS = { none: "None", m4: "M4", m5: "M5", m6: "M6", m8: "M8", m10: "M10" } as const;
type Wanted = SetOutsQuestion["wanted"];

/** The numbers to mark on the wood, and what to print and cut out for it. */
export function SetOuts({ at }: { at: AtStation }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Heading>Setting out</Heading>
      <Row>
        <Button aria-expanded={open} onPress={() => setOpen(!open)}>
          {open ? "Fold the numbers" : "Numbers to mark"}
        </Button>
        <Carry href={`/api/blanks/${at.id}/export?as=template`} download>
          Template to print, 1 : 1
        </Carry>
        <Carry href={`/api/blanks/${at.id}/export?as=template_svg`} download>
          as a drawing
        </Carry>
        <Carry href={`/api/blanks/${at.id}/export?as=stl`} download>
          as a mesh
        </Carry>
      </Row>
      {at.draft.dirty && <Quiet>What is printed is the form as it was last saved.</Quiet>}
      {open && <Marked at={at} />}
    </>
  );
}

function Marked({ at }: { at: AtStation }) {
  const unit = useUnit();
  const document = useSettled<Document>(at.document, SETTLED_MS);
  const [wanted, setWanted] = useState<Wanted>({
    every_mm: unit === "in" ? 12.7 : 10,
    feet: 3,
    bit_mm: 25,
    engaged_mm: 12,
  });
  const question = useMemo(() => ({ document, wanted }), [document, wanted]);
  const { answer, problem } = useNewest(question, api.setOuts);
  const faultOf = (key: string) =>
    problem?.errors?.find(({ pointer }) => pointer === `/wanted/${key}` || pointer === `/${key}`)?.detail;
  return (
    <>
      <Fields>
        <LengthField
          label="A station every"
          value={wanted.every_mm ?? 10}
          onChange={(every_mm) => setWanted({ ...wanted, every_mm })}
          fault={faultOf("every_mm")}
        />
        <LengthField
          label="Bit across"
          value={wanted.bit_mm ?? 25}
          onChange={(bit_mm) => setWanted({ ...wanted, bit_mm })}
          fault={faultOf("bit_mm")}
        />
        <NumberField
          label="Feet"
          value={wanted.feet ?? 3}
          onChange={(feet) => setWanted({ ...wanted, feet })}
          fault={faultOf("feet")}
        />
      </Fields>
      <Choice
        label="Thread to tap"
        value={(wanted.thread ?? "none") as keyof typeof THREADS}
        options={THREADS}
        onChange={(thread) => setWanted(thread === "none" ? without(wanted, "thread") : { ...wanted, thread })}
      />
      {problem && !problem.errors?.some(({ pointer }) => /every_mm|bit_mm|feet/.test(pointer)) && (
        <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>
      )}
      {answer && <Table numbers={answer} />}
    </>
  );
}

function Table({ numbers }: { numbers: Numbers }) {
  const unit = useUnit();
  const mm = (value: number) => amountText(value, "mm", unit);
  const { stations, depths, sphere, feet, ring, lid, insert, drill, workings } = numbers;
  const hollow = stations.some(({ inside_mm }) => inside_mm !== null);
  const rows: [string, string, string][] = [
    ...(depths
      ? ([
          ["Hollow to", `${mm(depths.hollow_mm)} from the rim, leaving ${mm(depths.floor_mm)} of floor`, ""],
          [
            "Mark on a bit",
            `${mm(depths.bit_mark_mm)} from its cutting edge; 3 mm of point then come to the floor`,
            "depths/bit_mark_mm",
          ],
        ] satisfies [string, string, string][])
      : []),
    ...(sphere
      ? ([
          [
            "Flats of the eight-sided stage",
            `from ${mm(sphere.facet_start_mm)} off either end, ${mm(sphere.facet_length_mm)} long`,
            "sphere/facet_start_mm",
          ],
          ["Neck left to hold it", mm(sphere.neck_mm), ""],
        ] satisfies [string, string, string][])
      : []),
    ...(feet
      ? ([
          [
            `${feet.count} feet`,
            `${mm(feet.chord_mm)} from foot to foot on a circle of ${mm(2 * feet.radius_mm)}`,
            "feet/chord_mm",
          ],
        ] satisfies [string, string, string][])
      : []),
    ...(ring
      ? ([
          [
            "Ring",
            `bore ${mm(ring.bore_mm)}, size ${ring.iso_size.toFixed(0)} by the length round it; a core of ${ring.core_mm.toFixed(2)} mm`,
            "ring/core_mm",
          ],
        ] satisfies [string, string, string][])
      : []),
    ...(lid
      ? ([
          [
            "Lid",
            `${lid.fits.map(({ name, spigot_mm }) => `${name} ${spigot_mm.toFixed(2)} mm`).join(" · ")}; the mouth moves ${lid.moves_mm.toFixed(1)} mm with the seasons`,
            "lid/moves_mm",
          ],
        ] satisfies [string, string, string][])
      : []),
    ...(insert
      ? ([
          [
            `${insert.thread} thread`,
            `drill ${insert.drill_mm.toFixed(2)} mm, ${mm(insert.depth_mm)} deep; by hand or at the slowest, a free tailstock behind the tap`,
            "insert/drill_mm",
          ],
        ] satisfies [string, string, string][])
      : []),
    [
      `A ${mm(drill.bit_mm)} bit`,
      `${amountText(drill.from_rpm, "rpm", unit)} to ${amountText(drill.to_rpm, "rpm", unit)}, never over its own rating; clear it every ${mm(drill.clear_mm)}${drill.pilot ? "; a pilot hole first" : ""}`,
      "drill/from_rpm",
    ],
  ];
  return (
    <>
      <Ticket aria-label="Numbers to mark">
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
      <Ticket aria-label="Stations" style={{ marginTop: 12 }}>
        <thead>
          <tr>
            <th className="number">from the foot, {unit}</th>
            <th className="number">across, {unit}</th>
            {hollow && <th className="number">inside, {unit}</th>}
          </tr>
        </thead>
        <tbody>
          {stations.map(({ from_foot_mm, diameter_mm, inside_mm }) => (
            <tr key={from_foot_mm}>
              <td className="number">{lengthText(from_foot_mm, unit)}</td>
              <td className="number">
                <strong>{lengthText(diameter_mm, unit)}</strong>
              </td>
              {hollow && <td className="number">{inside_mm === null ? "solid" : lengthText(inside_mm, unit)}</td>}
            </tr>
          ))}
        </tbody>
      </Ticket>
    </>
  );
}
