import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { api } from "../api/client";
import type { Document, Pour } from "../api/document";
import { Button } from "../kit/Button";
import { Choice } from "../kit/Choice";
import { LengthField } from "../kit/MeasureField";
import { amountText } from "../kit/measure";
import { Worked } from "../kit/Says";
import { useUnit } from "../kit/Units";
import { useNewest } from "../bench/useNewest";
import { Fault, Fields, Heading, Quiet, Ticket } from "./parts";
import type { AtStation } from "./types";

type Mould = Pour["mould"];
const MARGIN_MM = 10;
const SIZES = { box: [["width_mm", "Width"], ["length_mm", "Length"], ["depth_mm", "Depth of the pour"]], tube: [["diameter_mm", "Inside across"], ["depth_mm", "Depth of the pour"]] } as const;

/** A mould with a finger's breadth round the blank, standing on its head end. */
function roomy(kind: Mould["type"], { document, assessment }: AtStation): Mould {
  const { max_radius_mm, length_mm } = assessment.geometry;
  const round = (mm: number) => Math.ceil(mm) + 2 * MARGIN_MM;
  const depth_mm = Math.ceil(length_mm) + MARGIN_MM;
  if (kind === "tube") return { type: "tube", diameter_mm: round(2 * max_radius_mm), depth_mm };
  const [width, length] = document.shape.type === "block" ? [document.shape.width_mm, document.shape.height_mm] : [2 * max_radius_mm, 2 * max_radius_mm];
  return { type: "box", width_mm: round(width), length_mm: round(length), depth_mm };
}

/** One pour round the blank as it stands: how much to mix, and what it lifts. */
export function Casting({ at }: { at: AtStation }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Heading>Cast round it</Heading>
      {open ? <Poured at={at} /> : <Button onPress={() => setOpen(true)}>Reckon a pour</Button>}
    </>
  );
}

function Poured({ at }: { at: AtStation }) {
  const [mould, setMould] = useState<Mould>(() => roomy("box", at));
  const [resin, setResin] = useState("casting_epoxy");
  const table = useQuery({ queryKey: ["table", "resins"], queryFn: () => api.table("resins"), staleTime: Infinity });
  const names = Object.fromEntries((table.data?.rows ?? []).map((row) => [String(row["key"]), String(row["name"])]));
  const document: Document = at.document;
  const question = useMemo(() => ({ document, pour: { resin, mould } }), [document, resin, mould]);
  const { answer, problem } = useNewest(question, api.casting);
  const fault = (size: string) => problem?.errors?.find(({ pointer }) => pointer === `/pour/mould/${size}`)?.detail;
  return (
    <div style={{ display: "grid", gap: 10 }}>
      <Choice label="Mould" value={mould.type} options={{ box: "Box", tube: "Tube" }} onChange={(kind) => setMould(roomy(kind, at))} />
      <Fields>
        {SIZES[mould.type].map(([size, name]) => (
          <LengthField key={size} label={name} value={mould[size] ?? 0} onChange={(value) => setMould({ ...mould, [size]: value })} fault={fault(size)} />
        ))}
      </Fields>
      {table.data && <Choice label="Resin" value={resin} options={names} onChange={setResin} />}
      {problem && !problem.errors?.some(({ pointer }) => pointer.startsWith("/pour/mould")) && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      {answer && !problem && <Mixed answer={answer} />}
    </div>
  );
}

function Mixed({ answer }: { answer: Awaited<ReturnType<typeof api.casting>> }) {
  const unit = useUnit();
  const { workings, resin } = answer;
  const rows: [string, string, React.ReactNode][] = [
    ["net_mm3", "Into the mould", amountText(answer.net_mm3, "mm3", unit)],
    ["mix_g", "Mix in all", amountText(answer.mix_g, "g", unit)],
    ["part_a_g", "of which resin", amountText(answer.part_a_g, "g", unit)],
    ["part_b_g", "and hardener", amountText(answer.part_b_g, "g", unit)],
    ["lift_n", answer.lift_n > 0 ? "The wood is lifted by" : "The wood sinks with", amountText(Math.abs(answer.lift_n), "N", unit)],
  ];
  return (
    <>
      <Ticket aria-label="The pour">
        <tbody>
          {rows.map(([key, name, shown]) => <tr key={key}><th scope="row">{name}</th><td><Worked working={workings[`/${key}`]}><strong>{shown}</strong></Worked></td></tr>)}
          <tr><th scope="row">In</th><td>{answer.cups} {answer.cups === 1 ? "cup" : "cups"}, {answer.layers} {answer.layers === 1 ? "layer" : "layers"} of at most {amountText(resin.layer_mm, "mm", unit)}</td></tr>
          <tr><th scope="row">Working time</th><td>{resin.working_min} min</td></tr>
          <tr><th scope="row">Out of the mould</th><td>after {resin.demould_h} h; cured in {resin.cure_d} {resin.cure_d === 1 ? "day" : "days"}</td></tr>
        </tbody>
      </Ticket>
      {answer.cautions.map((caution) => <Quiet key={caution}>{caution}</Quiet>)}
    </>
  );
}
