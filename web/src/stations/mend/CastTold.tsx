import type { CastDetail, MendStep, Working } from "../../api/document";
import { Button } from "../../kit/Button";
import { amountText } from "../../kit/measure";
import { Worked } from "../../kit/Says";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { Heading, Quiet, Row, Ticket } from "../../kit/parts";
import { CupHeat, Heat, LayerBar } from "./Heat";
import { InMould, largeEnough } from "./InMould";
import { changed } from "../../draft/mendSteps";

type Props = {
  cast: CastDetail;
  step: MendStep;
  workings: Record<string, Working>;
  place: string;
  onPut: (step: MendStep) => void;
};

/** A casting in full: how much, in which cups, how hot, what it stands in. */
export function CastTold({ cast, step, workings, place, onPut }: Props) {
  const unit = useUnit();
  const g = (value: number) => amountText(value, "g", unit);
  const rows: [string, string, React.ReactNode][] = [
    ["net_ml", "Into the mould", amountText(cast.net_ml, "ml", unit)],
    [
      "mix_g",
      "Mix in all",
      <>
        {g(cast.part_a_g + cast.part_b_g)}: {g(cast.part_a_g)} of resin, {g(cast.part_b_g)} of hardener
      </>,
    ],
    ["at_once_c", "All in one pour", amountText(cast.at_once_c, "C", unit)],
    [
      "deepest_mm",
      "Deepest that stays cool",
      <>
        {amountText(cast.deepest_mm, "mm", unit)}; its sheet says {amountText(cast.sheet_mm, "mm", unit)}
      </>,
    ],
    [
      "lift_n",
      cast.lift_n > 0 ? "What lies in it is lifted by" : "What lies in it sinks with",
      amountText(Math.abs(cast.lift_n), "N", unit),
    ],
    ...(cast.oven
      ? [
          [
            "heat_h",
            "Through in the oven",
            <>
              {amountText(cast.oven.ramp_h, "h", unit)} up, {amountText(cast.oven.heat_h, "h", unit)} to its heart,{" "}
              {amountText(cast.oven.hold_h, "h", unit)} held at {amountText(cast.oven.oven_c, "C", unit)}
            </>,
          ] as [string, string, React.ReactNode],
        ]
      : []),
  ];
  return (
    <>
      <InMould {...{ cast, step, onPut }} />
      {step.mould &&
        cast.mould.in_it &&
        (Object.values(cast.mould.in_it.rooms).some((room) => room < 0) || cast.mould.in_it.stands_out_mm > 0) && (
          <Row style={{ marginTop: 8 }}>
            <Button
              onPress={() =>
                step.mould &&
                cast.mould.in_it &&
                onPut(changed(step, { mould: largeEnough(step.mould, cast.mould.in_it) }))
              }
            >
              Make the mould large enough
            </Button>
          </Row>
        )}
      <Ticket aria-label="The pour">
        <tbody>
          {rows.map(([key, name, shown]) => (
            <tr key={key}>
              <th scope="row">{name}</th>
              <td>
                <Worked working={workings[`${place}/${key}`]}>{shown}</Worked>
              </td>
            </tr>
          ))}
        </tbody>
      </Ticket>
      <Layers cast={cast} />
      <Heat heat={cast.heat} peakC={cast.layers[0]?.peak_c ?? 0} />
      <CupHeat cup={cast.standing} />
      {cast.colours.length > 0 && (
        <Ticket aria-label="Colours">
          <tbody>
            {cast.colours.map(({ name, g: grams, pigment_g }) => (
              <tr key={name}>
                <th scope="row">{name}</th>
                <td className="number">{g(grams)}</td>
                <td>{pigment_g > 0 ? `${g(pigment_g)} of pigment` : ""}</td>
              </tr>
            ))}
          </tbody>
        </Ticket>
      )}
      {cast.mould.cut_list.length > 0 && (
        <>
          <Heading>To saw from sheet</Heading>
          <Ticket aria-label="Cut list">
            <tbody>
              {cast.mould.cut_list.map(({ piece, count, long_mm, wide_mm }) => (
                <tr key={piece}>
                  <th scope="row">
                    {count} × {piece}
                  </th>
                  <td>
                    {amountText(long_mm, "mm", unit)} × {amountText(wide_mm, "mm", unit)}
                  </td>
                </tr>
              ))}
            </tbody>
          </Ticket>
        </>
      )}
      {cast.pieces && (
        <Quiet>
          Sawn into {cast.pieces.count}, each {amountText(cast.pieces.each_mm, "mm", unit)} long.
        </Quiet>
      )}
      {cast.records > 0 && (
        <Quiet>
          Loss of {amountText(cast.loss_pct, "%", unit)} by your own {cast.records} records.
        </Quiet>
      )}
    </>
  );
}

function Layers({ cast }: { cast: CastDetail }) {
  const unit = useUnit();
  const h = (value: number) => amountText(value, "h", unit);
  const first = cast.layers[0];
  if (!first) return null;
  const off = `one gram of hardener too much is ${amountText(first.off_per_g, "share", unit)} off the ratio`;
  return (
    <>
      <Heading>{cast.layers.length === 1 ? "One layer" : `${cast.layers.length} layers, from the bottom up`}</Heading>
      <div style={{ display: "flex", gap: 14 }}>
        <LayerBar layers={cast.layers} />
        <Ticket aria-label="Layers" style={{ flex: 1 }}>
          <thead>
            <tr>
              <th>Cups</th>
              <th>Resin + hardener, each</th>
              <th>Peak</th>
              <th>Next goes on</th>
            </tr>
          </thead>
          <tbody>
            {[...cast.layers].reverse().map((layer, index, all) => (
              <tr key={index}>
                <th scope="row">{layer.cups}</th>
                <td>
                  {amountText(layer.part_a_g, "g", unit)} + {amountText(layer.part_b_g, "g", unit)}
                  {cast.by_volume && (
                    <Quiet as="div" style={{ margin: 0 }}>
                      {amountText(layer.part_a_ml, "ml", unit)} + {amountText(layer.part_b_ml, "ml", unit)}
                    </Quiet>
                  )}
                </td>
                <td style={layer.verdict === "fine" ? {} : { color: ink.rust, fontWeight: 650 }}>
                  {amountText(layer.peak_c, "C", unit)}
                </td>
                <td>
                  {index === 0 && all.length > 0
                    ? `out after ${h(cast.demould_h)}`
                    : `${h(layer.next_from_h)} to ${h(layer.next_until_h)}`}
                </td>
              </tr>
            ))}
          </tbody>
        </Ticket>
      </div>
      <Quiet>
        Each cup within ± {amountText(first.within_g[1] ?? 0, "g", unit)} of hardener: {off}. Workable for{" "}
        {amountText(first.working_min, "min", unit)}, mixed and poured in {amountText(first.handling_min, "min", unit)}.
      </Quiet>
    </>
  );
}
