import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useNavigate } from "react-router";
import styled from "styled-components";
import { api, Refused } from "../api/client";
import type { Document, Intake, IntakeQuestion, Problem, Scan, Shop } from "../api/document";
import { useNewest } from "../api/useNewest";
import { Button } from "../kit/Button";
import { Choice, Choices } from "../kit/Choice";
import { AmountField, ClockField, LengthField, NumberField } from "../kit/MeasureField";
import { amountText } from "../kit/measure";
import { AdviceList, Worked } from "../kit/Advice";
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
import { t } from "../i18n/texts";

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
  wood: t("screen.shop.wood"),
  hybrid: t("screen.shop.wood_and_resin"),
  resin: t("screen.shop.resin"),
  non_wood: t("screen.shop.something_else"),
};
type Character = NonNullable<Material["character"]>[number];
const CHARACTERS: Record<Character, string> = {
  burl: t("screen.shop.burl"),
  spalted: t("screen.shop.spalted"),
  cracked: t("screen.shop.cracked"),
  insect: t("screen.shop.bug_eaten"),
  bark_edge: t("screen.shop.bark_edge"),
  crotch: t("screen.shop.crotch"),
  wet: t("screen.shop.wet"),
};
const GRAINS: Record<Material["grain"], string> = {
  face: t("screen.shop.across_face_grain"),
  end: t("screen.shop.along_the_axis_end_grain"),
  burl: t("screen.shop.every_way_burl"),
  none: t("screen.shop.no_grain"),
};
const LUMPS: Record<LumpType, string> = {
  disc: t("screen.shop.disc"),
  block: t("screen.shop.block"),
  log: t("screen.shop.log"),
  cap: t("screen.shop.cap"),
  outline: t("screen.shop.measured_outline"),
  photo: t("screen.shop.photograph"),
  scan: t("screen.shop.scan"),
};
const SIZES: Record<LumpType, [string, string][]> = {
  disc: [
    ["diameter_mm", t("screen.shop.across")],
    ["length_mm", t("screen.shop.thick")],
  ],
  block: [
    ["width_mm", t("screen.shop.wide")],
    ["height_mm", t("screen.shop.high")],
    ["length_mm", t("screen.shop.long")],
  ],
  log: [
    ["head_diameter_mm", t("screen.shop.across_head_end")],
    ["tail_diameter_mm", t("screen.shop.across_tail_end")],
    ["length_mm", t("screen.shop.long")],
  ],
  cap: [
    ["diameter_mm", t("screen.shop.across_the_cut_face")],
    ["height_mm", t("screen.shop.high")],
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

/** Known names that a shorter one may mean: "maple" the maples. None where the name itself is known. */
export function alike(species: string, known: string[]): string[] {
  const typed = species.trim().toLowerCase();
  if (typed.length < 3 || known.some((name) => name.toLowerCase() === typed)) return [];
  return known.filter((name) =>
    name
      .toLowerCase()
      .split(/[^\p{L}]+/u)
      .includes(typed),
  );
}

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
    version: 7,
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
    defects: type === "photo" ? (taken?.trace.defects ?? []) : [],
    ...(Object.keys(intake).length > 0 && { intake }),
    ...(massG > 0 && { readings: [{ kind: "mass" as const, value: massG, taken_at: new Date().toISOString() }] }),
    ...(shop.lathes[lathe] && { lathe: shop.lathes[lathe] }),
  });

  return (
    <Frame>
      <h2>{t("screen.shop.a_new_blank")}</h2>
      <section aria-label={t("screen.shop.what_it_is")}>
        <Fields style={{ gridTemplateColumns: "110px minmax(0, 1fr)" }}>
          <NumberField
            label={t("screen.shop.number")}
            value={number}
            onChange={setNumber}
            fault={saveFault("/document/number")}
          />
          <Words
            label={t("screen.shop.what_it_is_to_be_called")}
            value={name}
            onChange={setName}
            fault={saveFault("/document/name")}
          />
        </Fields>
        <Choice
          label={t("screen.shop.what_it_is")}
          value={kind}
          options={KINDS}
          onChange={(next) => {
            setKind(next);
            setGrain(next === "wood" ? "face" : "none");
          }}
        />
        <div>
          <Suggest
            label={t("screen.shop.species_or_material")}
            value={species}
            options={known.data ?? []}
            onChange={setSpecies}
          />
          {alike(species, known.data ?? []).length > 0 && (
            <Row role="group" aria-label={t("screen.shop.which_one")} style={{ marginTop: 6 }}>
              <span>{t("screen.shop.which_one")}</span>
              {alike(species, known.data ?? []).map((name) => (
                <Button key={name} onPress={() => setSpecies(name)}>
                  {name}
                </Button>
              ))}
            </Row>
          )}
          {saveFault("/document/material/species") && (
            <Fault role="alert">{saveFault("/document/material/species")}</Fault>
          )}
        </div>
        <Choices
          label={t("screen.shop.character_as_many_as_fit")}
          value={character}
          options={CHARACTERS}
          onChange={(next) => {
            // A burl's fibres run every way; what was chosen otherwise stays.
            if (next.includes("burl") && grain === "face") setGrain("burl");
            if (!next.includes("burl") && grain === "burl") setGrain("face");
            setCharacter(next);
          }}
        />
        <Choice label={t("screen.shop.its_shape")} value={type} options={LUMPS} onChange={setType} />
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
        <Choice label={t("screen.shop.fibres_run")} value={grain} options={GRAINS} onChange={setGrain} />
        <Fields>
          {grain === "face" && (
            <ClockField label={t("screen.shop.fibres_towards")} value={grainDeg} onChange={setGrainDeg} />
          )}
          <NumberField
            label={t("screen.shop.moisture")}
            value={moisturePct}
            onChange={setMoisture}
            fault={fault("/moisture_pct")}
          />
          <AmountField
            of="weight"
            label={t("screen.shop.weight_if_weighed")}
            value={massG}
            onChange={setMass}
            fault={fault("/mass_g")}
          />
          {answer?.density_from === "unknown" && (
            <NumberField
              label={t("screen.shop.density_kg_m3")}
              value={densityOwn}
              onChange={setDensity}
              fault={saveFault("/document/material/density")}
            />
          )}
        </Fields>
        <Fields style={{ gridTemplateColumns: "minmax(0, 2fr) minmax(0, 1fr) minmax(0, 1fr)" }}>
          <Words
            label={t("screen.shop.where_it_came_from")}
            value={origin}
            onChange={setOrigin}
            fault={saveFault("/document/intake/origin")}
          />
          <Words
            label={t("screen.shop.got_on")}
            type="date"
            value={gotOn}
            onChange={setGotOn}
            fault={saveFault("/document/intake/got_on")}
          />
          <NumberField
            label={t("screen.shop.cost", { currency: shop.currency })}
            value={cost}
            onChange={setCost}
            fault={saveFault("/document/intake/cost")}
          />
        </Fields>
        <Choice
          label={t("screen.shop.bark")}
          value={bark}
          options={{
            unsaid: t("screen.shop.unsaid"),
            on: t("screen.shop.on_"),
            part: t("screen.shop.in_part"),
            off: t("screen.shop.off_"),
          }}
          onChange={setBark}
        />
        {Object.keys(shop.lathes).length > 0 && (
          <Choice
            label={t("screen.shop.to_be_turned_on")}
            value={lathe}
            options={Object.fromEntries(Object.keys(shop.lathes).map((key) => [key, key]))}
            onChange={setLathe}
          />
        )}
        {unsent ? (
          <div role="status">
            <p>
              {unsent.fault
                ? t("screen.shop.on_the_rack_but_its_photograph", { fault: unsent.fault })
                : t("screen.shop.on_the_rack_sending_its_photograph", { round: Math.round(unsent.sent * 100) })}
            </p>
            {unsent.fault && taken && (
              <Row>
                <Button $kind="go" onPress={() => void sendPicture(unsent.id, taken)}>
                  {t("screen.shop.send_it_again")}
                </Button>
                <Button onPress={() => void go(`/blanks/${unsent.id}/survey`)}>
                  {t("screen.shop.go_on_without_it")}
                </Button>
              </Row>
            )}
          </div>
        ) : (
          <div>
            <Button $kind="go" onPress={() => void take()} isDisabled={!answer || !settled}>
              {t("screen.shop.put_it_on_the_rack")}
            </Button>
          </div>
        )}
        {refused && (
          <Fault role="alert">
            {t("screen.shop.not_taken_in", { value: refused.errors?.[0]?.detail ?? refused.detail })}
          </Fault>
        )}
      </section>
      <aside aria-label={t("screen.shop.what_that_makes")}>
        <Made answer={answer} problem={problem} named={species.trim() !== ""} />
      </aside>
    </Frame>
  );
}

type MadeProps = {
  answer: Intake | undefined;
  problem: Problem | undefined;
  /** Has it been said what it is? */ named: boolean;
};

function Made({ answer, problem, named }: MadeProps) {
  const unit = useUnit();
  return (
    <>
      <Heading>{t("screen.shop.what_that_makes")}</Heading>
      {problem && <Fault role="alert">{problem.errors?.[0] ? `${problem.errors[0].detail}` : problem.detail}</Fault>}
      {answer && (
        <>
          <p>
            <Worked working={answer.workings["/volume_mm3"]}>
              {t("screen.shop.volume")} <strong>{amountText(answer.volume_mm3, "mm3", unit)}</strong>
            </Worked>
          </p>
          {answer.density_kg_m3 !== null && (
            <p>
              <Worked working={answer.workings["/density_kg_m3"]}>
                {t("screen.shop.density")} <strong>{amountText(answer.density_kg_m3, "kg/m3", unit)}</strong>
              </Worked>
            </p>
          )}
          {named && <AdviceList advice={answer.says} workings={{}} />}
        </>
      )}
      <Quiet>{t("screen.shop.on_the_rack_it_starts_at")}</Quiet>
    </>
  );
}
