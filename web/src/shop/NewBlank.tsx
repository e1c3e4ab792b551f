import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useNavigate } from "react-router";
import styled from "styled-components";
import { api, Refused } from "../api/client";
import type { Document, Intake, IntakeQuestion, Problem, Scan, Shop } from "../api/document";
import { useNewest } from "../api/useNewest";
import { Button } from "../kit/Button";
import { Choice, Choices } from "../kit/Choice";
import { ClockField, LengthField, NumberField } from "../kit/MeasureField";
import { amountText } from "../kit/measure";
import { AdviceList, Worked } from "../kit/Says";
import { Suggest } from "../kit/Suggest";
import { Words } from "../kit/Words";
import { forgetStored, useStored } from "../kit/useStored";
import { forgetFile } from "../kit/useStoredFile";
import { useUnit } from "../kit/Units";
import { FromPhoto, type Taken } from "../photo/FromPhoto";
import { Fault, Fields, Heading, Quiet, Row } from "../kit/parts";
import { Outlined } from "./Outlined";
import { Room } from "../kit/Room";
import { Scanned } from "./Scanned";

const Frame = styled(Room)`
  section {
    display: grid;
    gap: 14px;
  }
  aside {
    position: sticky;
    top: 0;
    align-self: start;
  }
`;

type Lump = IntakeQuestion["lump"];
type LumpType = Lump["type"] | "photo" | "scan";
type Material = Document["material"];

const KINDS: Record<Material["kind"], string> = {
  wood: "Wood",
  hybrid: "Wood and resin",
  resin: "Resin",
  non_wood: "Something else",
};
type Character = NonNullable<Material["character"]>[number];
const CHARACTERS: Record<Character, string> = {
  burl: "Burl",
  spalted: "Spalted",
  cracked: "Cracked",
  insect: "Bug-eaten",
  bark_edge: "Bark edge",
  crotch: "Crotch",
  wet: "Wet",
};
const GRAINS: Record<Material["grain"], string> = {
  face: "Across (face grain)",
  end: "Along the axis (end grain)",
  burl: "Every way (burl)",
  none: "No grain",
};
const LUMPS: Record<LumpType, string> = {
  disc: "Disc",
  block: "Block",
  log: "Log",
  cap: "Cap",
  outline: "Measured outline",
  photo: "Photograph",
  scan: "Scan",
};
const SIZES: Record<LumpType, [string, string][]> = {
  disc: [
    ["diameter_mm", "Across"],
    ["length_mm", "Thick"],
  ],
  block: [
    ["width_mm", "Wide"],
    ["height_mm", "High"],
    ["length_mm", "Long"],
  ],
  log: [
    ["head_diameter_mm", "Across, head end"],
    ["tail_diameter_mm", "Across, tail end"],
    ["length_mm", "Long"],
  ],
  cap: [
    ["diameter_mm", "Across the cut face"],
    ["height_mm", "High"],
  ],
  outline: [],
  photo: [],
  scan: [],
};
const START: Record<string, number> = {
  diameter_mm: 250,
  length_mm: 80,
  width_mm: 100,
  height_mm: 100,
  head_diameter_mm: 160,
  tail_diameter_mm: 150,
};
const FIRST_STATIONS = [0, 80].map((z_mm) => ({ z_mm, radii_mm: Array<number>(12).fill(125) }));

/** What is typed here is kept under these names until the blank is on the rack. */
const FORM = "new-blank-";
const PHOTO = `${FORM}photo-`;

/** From a lump in the hand to a number on the rack. */
export function NewBlank({ shop }: { shop: Shop }) {
  const [name, setName] = useStored(`${FORM}name`, "");
  const [typedNumber, setNumber] = useStored<number | null>(`${FORM}number`, null);
  const number = typedNumber ?? shop.next_number;
  const [kind, setKind] = useStored<Material["kind"]>(`${FORM}kind`, "wood");
  const [species, setSpecies] = useStored(`${FORM}species`, "");
  const [character, setCharacter] = useStored<Character[]>(`${FORM}character`, []);
  const [moisturePct, setMoisture] = useStored(`${FORM}moisturePct`, 18);
  const [grain, setGrain] = useStored<Material["grain"]>(`${FORM}grain`, "face");
  const [grainDeg, setGrainDeg] = useStored(`${FORM}grainDeg`, 90);
  const [type, setType] = useStored<LumpType>(`${FORM}type`, "disc");
  const [sizes, setSizes] = useStored(`${FORM}sizes`, START);
  const [stations, setStations] = useStored(`${FORM}stations`, FIRST_STATIONS);
  const [taken, setTaken] = useState<Taken>();
  const [scan, setScan] = useStored<Scan | null>(`${FORM}scan`, null);
  const [unsent, setUnsent] = useState<{ id: number; sent: number; fault?: string }>();
  const [massG, setMass] = useStored(`${FORM}massG`, 0);
  const [densityOwn, setDensity] = useStored(`${FORM}densityOwn`, 600);
  const [lathe, setLathe] = useStored(`${FORM}lathe`, Object.keys(shop.lathes)[0] ?? "");
  const [origin, setOrigin] = useStored(`${FORM}origin`, "");
  const [gotOn, setGotOn] = useStored(`${FORM}gotOn`, "");
  const [cost, setCost] = useStored(`${FORM}cost`, 0);
  const [bark, setBark] = useStored<"unsaid" | "on" | "part" | "off">(`${FORM}bark`, "unsaid");
  const [refused, setRefused] = useState<Problem>();
  const client = useQueryClient();
  const go = useNavigate();

  const known = useQuery({
    queryKey: ["known-stock"],
    staleTime: Infinity,
    queryFn: async () =>
      (await Promise.all([api.table("woods"), api.table("other_stock")])).flatMap(({ rows }) =>
        rows.map((row) => String(row["name"])),
      ),
  });
  const question = useMemo((): IntakeQuestion | undefined => {
    const lump =
      type === "photo"
        ? taken && { type: "outline", stations: taken.trace.stations }
        : type === "scan"
          ? scan && { type: "outline", stations: scan.stations }
          : type === "outline"
            ? { type, stations }
            : { type, ...Object.fromEntries(SIZES[type].map(([size]) => [size, sizes[size] ?? 0])) };
    if (!lump) return undefined;
    return {
      lump: lump as Lump,
      species: species.trim() || "–",
      moisture_pct: moisturePct,
      ...(massG > 0 && { mass_g: massG }),
    };
  }, [type, stations, taken, scan, sizes, species, moisturePct, massG]);
  const { answer, settled, problem } = useNewest(question, api.intake);
  const fault = (path: string) => (problem?.errors ?? refused?.errors)?.find(({ pointer }) => pointer === path)?.detail;
  const saveFault = (path: string) => refused?.errors?.find(({ pointer }) => pointer.startsWith(path))?.detail;

  const take = async () => {
    if (!answer) return;
    setRefused(undefined);
    try {
      const kept = await api.takeIn(document(answer));
      forgetStored(FORM);
      forgetFile(`${PHOTO}picture`);
      await client.invalidateQueries({ queryKey: ["shop"] });
      if (type === "photo" && taken) await sendPicture(kept.id, taken);
      else void go(`/blanks/${kept.id}/survey`);
    } catch (wrong) {
      if (!(wrong instanceof Refused)) throw wrong;
      setRefused(wrong.problem);
    }
  };
  /** The blank is kept by now: a photograph that does not go may be sent again, or left. */
  const sendPicture = async (id: number, { file, view, trace }: Taken) => {
    setUnsent({ id, sent: 0 });
    try {
      const { id: photograph } = await api.addPhotograph(id, file, view, (sent) => setUnsent({ id, sent }));
      await api.sayOfPhotograph(id, photograph, {
        view,
        scale: { mm_per_share: trace.mm_per_share, centre: trace.centre },
      });
      void go(`/blanks/${id}/survey`);
    } catch (wrong) {
      if (!(wrong instanceof Refused)) throw wrong;
      setUnsent({ id, sent: 0, fault: wrong.problem.errors?.[0]?.detail ?? wrong.message });
    }
  };
  const intake = {
    ...(origin.trim() && { origin: origin.trim() }),
    ...(gotOn && { got_on: gotOn }),
    ...(cost > 0 && { cost }),
    ...(bark !== "unsaid" && { bark }),
  };
  const document = ({ shape, density_kg_m3 }: Intake): Document => ({
    format: "mossy-anvil/blank",
    version: 6,
    name: name.trim(),
    number,
    material: {
      kind,
      species: species.trim(),
      ...(character.length > 0 && { character }),
      density_kg_m3: density_kg_m3 ?? densityOwn,
      moisture_pct: moisturePct,
      grain,
      ...(grain === "face" && { grain_clock_deg: grainDeg }),
    },
    shape: shape as Document["shape"],
    defects: type === "photo" ? ((taken?.trace.defects ?? []) as unknown as Document["defects"]) : [],
    ...(Object.keys(intake).length > 0 && { intake }),
    ...(massG > 0 && { readings: [{ kind: "mass" as const, value: massG, taken_at: new Date().toISOString() }] }),
    ...(shop.lathes[lathe] && { lathe: shop.lathes[lathe] }),
  });

  return (
    <Frame>
      <h2>A new blank</h2>
      <section aria-label="What it is">
        <Fields style={{ gridTemplateColumns: "110px minmax(0, 1fr)" }}>
          <NumberField label="Number" value={number} onChange={setNumber} fault={saveFault("/document/number")} />
          <Words label="What it is to be called" value={name} onChange={setName} fault={saveFault("/document/name")} />
        </Fields>
        <Choice
          label="What it is"
          value={kind}
          options={KINDS}
          onChange={(next) => {
            setKind(next);
            setGrain(next === "wood" ? "face" : "none");
          }}
        />
        <div>
          <Suggest label="Species or material" value={species} options={known.data ?? []} onChange={setSpecies} />
          {saveFault("/document/material/species") && (
            <Fault role="alert">{saveFault("/document/material/species")}</Fault>
          )}
        </div>
        <Choices label="Character, as many as fit" value={character} options={CHARACTERS} onChange={setCharacter} />
        <Choice label="Its shape" value={type} options={LUMPS} onChange={setType} />
        {type === "photo" ? (
          <FromPhoto place={PHOTO} onTaken={setTaken} />
        ) : type === "scan" ? (
          <Scanned scan={scan ?? undefined} onScan={(read) => setScan(read ?? null)} />
        ) : type === "outline" ? (
          <Outlined stations={stations} onChange={setStations} fault={fault} />
        ) : (
          <Fields>
            {SIZES[type].map(([size, word]) => (
              <LengthField
                key={size}
                label={word}
                value={sizes[size] ?? 0}
                onChange={(value) => setSizes({ ...sizes, [size]: value })}
                fault={fault(`/lump/${size}`)}
              />
            ))}
          </Fields>
        )}
        <Choice label="Fibres run" value={grain} options={GRAINS} onChange={setGrain} />
        <Fields>
          {grain === "face" && <ClockField label="Fibres towards" value={grainDeg} onChange={setGrainDeg} />}
          <NumberField label="Moisture, %" value={moisturePct} onChange={setMoisture} fault={fault("/moisture_pct")} />
          <NumberField label="Weight, g (0: not weighed)" value={massG} onChange={setMass} fault={fault("/mass_g")} />
          {answer?.density_from === "unknown" && (
            <NumberField
              label="Density, kg/m³"
              value={densityOwn}
              onChange={setDensity}
              fault={saveFault("/document/material/density")}
            />
          )}
        </Fields>
        <Fields style={{ gridTemplateColumns: "minmax(0, 2fr) minmax(0, 1fr) minmax(0, 1fr)" }}>
          <Words
            label="Where it came from"
            value={origin}
            onChange={setOrigin}
            fault={saveFault("/document/intake/origin")}
          />
          <Words
            label="Got on"
            type="date"
            value={gotOn}
            onChange={setGotOn}
            fault={saveFault("/document/intake/got_on")}
          />
          <NumberField
            label={`Cost, ${shop.currency}`}
            value={cost}
            onChange={setCost}
            fault={saveFault("/document/intake/cost")}
          />
        </Fields>
        <Choice
          label="Bark"
          value={bark}
          options={{ unsaid: "Unsaid", on: "On", part: "In part", off: "Off" }}
          onChange={setBark}
        />
        {Object.keys(shop.lathes).length > 0 && (
          <Choice
            label="To be turned on"
            value={lathe}
            options={Object.fromEntries(Object.keys(shop.lathes).map((key) => [key, key]))}
            onChange={setLathe}
          />
        )}
        {unsent ? (
          <div role="status">
            <p>
              {unsent.fault
                ? `On the rack, but its photograph did not go: ${unsent.fault}`
                : `On the rack. Sending its photograph, ${Math.round(unsent.sent * 100)} %.`}
            </p>
            {unsent.fault && taken && (
              <Row>
                <Button $kind="go" onPress={() => void sendPicture(unsent.id, taken)}>
                  Send it again
                </Button>
                <Button onPress={() => void go(`/blanks/${unsent.id}/survey`)}>Go on without it</Button>
              </Row>
            )}
          </div>
        ) : (
          <div>
            <Button $kind="go" onPress={() => void take()} isDisabled={!answer || !settled}>
              Put it on the rack
            </Button>
          </div>
        )}
        {refused && <Fault role="alert">Not taken in: {refused.errors?.[0]?.detail ?? refused.detail}</Fault>}
      </section>
      <aside aria-label="What that makes">
        <Made answer={answer} problem={problem} />
      </aside>
    </Frame>
  );
}

function Made({ answer, problem }: { answer: Intake | undefined; problem: Problem | undefined }) {
  const unit = useUnit();
  return (
    <>
      <Heading>What that makes</Heading>
      {problem && <Fault role="alert">{problem.errors?.[0] ? `${problem.errors[0].detail}` : problem.detail}</Fault>}
      {answer && (
        <>
          <p>
            <Worked working={answer.workings["/volume_mm3"]}>
              Volume <strong>{amountText(answer.volume_mm3, "mm3", unit)}</strong>
            </Worked>
          </p>
          {answer.density_kg_m3 !== null && (
            <p>
              <Worked working={answer.workings["/density_kg_m3"]}>
                Density <strong>{amountText(answer.density_kg_m3, "kg/m3", unit)}</strong>
              </Worked>
            </p>
          )}
          <AdviceList advice={answer.says} workings={{}} />
        </>
      )}
      <Quiet>On the rack it starts at the survey: go round it with pencil, feeler, awl and meter.</Quiet>
    </>
  );
}
