import type { CastDetail, MendStep, Working } from "../../api/document";
import { Button } from "../../kit/Button";
import { amountText } from "../../kit/measure";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { Heading, Quiet, Row, Ticket } from "../../kit/parts";
import { CupHeat, Heat, LayerBar } from "./Heat";
import { InMould, largeEnough } from "./InMould";
import { changed } from "../../draft/mendSteps";
import { WorkedRows } from "./WorkedRows";
import { t } from "../../i18n/texts";

type Props = {
  cast: CastDetail;
  step: MendStep;
  workings: Record<string, Working>;
  place: string;
  onPut: (step: MendStep) => void;
};

/** A casting in full: how much, in which cups, how hot, what it stands in. */
export function CastReport({ cast, step, workings, place, onPut }: Props) {
  const unit = useUnit();
  const g = (value: number) => amountText(value, "g", unit);
  const rows: [string, string, React.ReactNode][] = [
    ["net_ml", t("screen.mend.into_the_mould"), amountText(cast.net_ml, "ml", unit)],
    [
      "mix_g",
      t("screen.mend.mix_in_all"),
      <>
        {t("screen.mend.of_resin_of_hardener", {
          g: g(cast.part_a_g + cast.part_b_g),
          g_2: g(cast.part_a_g),
          g_3: g(cast.part_b_g),
        })}
      </>,
    ],
    ["at_once_c", t("screen.mend.all_in_one_pour"), amountText(cast.at_once_c, "C", unit)],
    [
      "deepest_mm",
      t("screen.mend.deepest_that_stays_cool"),
      <>
        {t("screen.mend.its_sheet_says", {
          deepest_mm: amountText(cast.deepest_mm, "mm", unit),
          sheet_mm: amountText(cast.sheet_mm, "mm", unit),
        })}
      </>,
    ],
    [
      "lift_n",
      cast.lift_n > 0 ? t("screen.mend.what_lies_in_it_is_lifted") : t("screen.mend.what_lies_in_it_sinks_with"),
      amountText(Math.abs(cast.lift_n), "N", unit),
    ],
    ...(cast.oven
      ? [
          [
            "heat_h",
            t("screen.mend.through_in_the_oven"),
            <>
              {t("screen.mend.up_to_its_heart_held_at", {
                ramp_h: amountText(cast.oven.ramp_h, "h", unit),
                heat_h: amountText(cast.oven.heat_h, "h", unit),
                hold_h: amountText(cast.oven.hold_h, "h", unit),
                oven_c: amountText(cast.oven.oven_c, "C", unit),
              })}
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
              {t("screen.mend.make_the_mould_large_enough")}
            </Button>
          </Row>
        )}
      <WorkedRows label={t("screen.mend.the_pour")} {...{ rows, workings, place }} />
      <Layers cast={cast} />
      <Heat heat={cast.heat} peakC={cast.layers[0]?.peak_c ?? 0} />
      <CupHeat cup={cast.standing} />
      {cast.colours.length > 0 && (
        <Ticket aria-label={t("screen.mend.colours")}>
          <tbody>
            {cast.colours.map(({ name, g: grams, pigment_g }) => (
              <tr key={name}>
                <th scope="row">{name}</th>
                <td className="number">{g(grams)}</td>
                <td>{pigment_g > 0 ? t("screen.mend.of_pigment", { g: g(pigment_g) }) : ""}</td>
              </tr>
            ))}
          </tbody>
        </Ticket>
      )}
      {cast.mould.cut_list.length > 0 && (
        <>
          <Heading>{t("screen.mend.to_saw_from_sheet")}</Heading>
          <Ticket aria-label={t("screen.mend.cut_list")}>
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
          {t("screen.mend.sawn_into_each_long", {
            count: cast.pieces.count,
            each_mm: amountText(cast.pieces.each_mm, "mm", unit),
          })}
        </Quiet>
      )}
      {cast.records > 0 && (
        <Quiet>
          {t("screen.mend.loss_of_by_your_own_records", {
            loss_pct: amountText(cast.loss_pct, "%", unit),
            records: cast.records,
          })}
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
  const off = t("screen.mend.one_gram_of_hardener_too_much", { off_per_g: amountText(first.off_per_g, "share", unit) });
  return (
    <>
      <Heading>
        {cast.layers.length === 1
          ? t("screen.mend.one_layer")
          : t("screen.mend.layers_from_the_bottom_up", { count: cast.layers.length })}
      </Heading>
      <div style={{ display: "flex", gap: 14 }}>
        <LayerBar layers={cast.layers} />
        <Ticket aria-label={t("screen.mend.layers")} style={{ flex: 1 }}>
          <thead>
            <tr>
              <th>{t("screen.mend.cups")}</th>
              <th>{t("screen.mend.resin_hardener_each")}</th>
              <th>{t("screen.mend.peak")}</th>
              <th>{t("screen.mend.next_goes_on")}</th>
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
                    ? t("screen.mend.out_after", { h: h(cast.demould_h) })
                    : t("screen.mend.to", { h: h(layer.next_from_h), h_2: h(layer.next_until_h) })}
                </td>
              </tr>
            ))}
          </tbody>
        </Ticket>
      </div>
      <Quiet>
        {t("screen.mend.each_cup_within_of_hardener_workable", {
          amount_text: amountText(first.within_g[1] ?? 0, "g", unit),
          off,
          working_min: amountText(first.working_min, "min", unit),
          handling_min: amountText(first.handling_min, "min", unit),
        })}
      </Quiet>
    </>
  );
}
