import type { HardeningWays, MendDetail, MendStep, Working } from "../../api/document";
import { capital, t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { amountText, clockText } from "../../kit/measure";
import { ink } from "../../kit/theme";
import { useUnit } from "../../kit/Units";
import { Heading, Quiet, Ticket } from "../../kit/parts";
import { CastReport } from "./CastReport";
import { WorkedRows } from "./WorkedRows";
import { changed } from "../../draft/mendSteps";

type Props = {
  step: MendStep;
  detail: MendDetail;
  workings: Record<string, Working>;
  place: string;
  onPut: (step: MendStep) => void;
};

/** What a step comes to, in full. */
export function Details(props: Props) {
  const { detail } = props;
  return (
    <>
      {detail.dry && <DryTold {...props} dry={detail.dry} />}
      {detail.stabilise && <StabiliseTold {...props} stabilise={detail.stabilise} />}
      {detail.glue && <GlueTold {...props} glue={detail.glue} />}
      {detail.soak && (
        <HardeningChoice
          ways={detail.soak.ways}
          chosen={detail.soak.with}
          onChoose={(key) =>
            props.onPut(
              key === "stabilising"
                ? { id: props.step.id, do: "stabilise", of: props.step.of ?? [] }
                : changed(props.step, { with: key, sheet: undefined }),
            )
          }
        />
      )}
      {detail.fill && <FillTold {...props} fill={detail.fill} />}
      {detail.cast && <CastReport {...props} cast={detail.cast} />}
      {detail.inlay && detail.inlay.islands.length > 0 && <Islands islands={detail.inlay.islands} />}
    </>
  );
}

function DryTold({ dry, step, onPut }: Props & { dry: NonNullable<MendDetail["dry"]> }) {
  const unit = useUnit();
  return (
    <Ticket aria-label={t("screen.mend.places_to_dry")}>
      <thead>
        <tr>
          <th>{t("screen.mend.elsewhere")}</th>
          <th>{t("screen.mend.air_keeps_it_at")}</th>
          <th>{t("screen.mend.to_2", { to_pct: dry.to_pct })}</th>
          <td />
        </tr>
      </thead>
      <tbody>
        {dry.places.map(({ key, emc_pct, days }) => (
          <tr key={key}>
            <th scope="row">{t(`tables.drying_places.${key}.name`)}</th>
            <td>{amountText(emc_pct, "%", unit)}</td>
            <td>{days === null ? t("screen.mend.never") : amountText(days, "days", unit)}</td>
            <td>
              {key === dry.place ? (
                t("screen.mend.here")
              ) : (
                <Button
                  $kind="quiet"
                  style={{ minHeight: 30, padding: 0 }}
                  onPress={() => onPut(changed(step, { in: key as NonNullable<MendStep["in"]> }))}
                >
                  {t("screen.mend.put_it_there")}
                </Button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </Ticket>
  );
}

function StabiliseTold({
  stabilise: one,
  workings,
  place,
  step,
  onPut,
}: Props & { stabilise: NonNullable<MendDetail["stabilise"]> }) {
  const unit = useUnit();
  const rows: [string, string, string][] = [
    ["dry_g", t("screen.mend.weighs_dry"), amountText(one.dry_g, "g", unit)],
    [
      "expected_g",
      t("screen.mend.takes_up"),
      t("screen.mend.to_3", {
        amount_text: amountText(one.expected_g[0] ?? 0, "g", unit),
        amount_text_2: amountText(one.expected_g[1] ?? 0, "g", unit),
      }),
    ],
    [
      "resin_ml",
      t("screen.mend.resin_to_have_ready"),
      one.resin_ml === null ? t("screen.mend.say_the_vessel") : amountText(one.resin_ml, "ml", unit),
    ],
    [
      "lift_n",
      t("screen.mend.ballast_on_it"),
      one.ballast_g > 0 ? amountText(one.ballast_g, "g", unit) : t("screen.mend.none_it_sinks"),
    ],
    ["gauge_hpa", t("screen.mend.gauge_comes_to"), amountText(one.gauge_hpa, "hPa", unit)],
    [
      "heat_min",
      t("screen.mend.oven"),
      t("screen.mend.to_heat_through_held", {
        heat_min: amountText(one.heat_min, "min", unit),
        hold_min: amountText(one.hold_min, "min", unit),
      }),
    ],
  ];
  return (
    <>
      <WorkedRows label={t("screen.mend.stabilising")} {...{ rows, workings, place }}>
        <tr>
          <th scope="row">{t("screen.mend.under_vacuum_then_under_air")}</th>
          <td>
            {t("screen.mend.about_then", {
              pump_min: amountText(one.pump_min, "min", unit),
              soak_min: amountText(one.soak_min, "min", unit),
            })}
          </td>
        </tr>
      </WorkedRows>
      {one.records > 0 && (
        <Quiet>
          {t("screen.mend.by_your_own_records_of_the", {
            records: one.records,
            expected_share: amountText(one.expected_share, "share", unit),
          })}
        </Quiet>
      )}
      <HardeningChoice
        ways={one.ways}
        chosen="stabilising"
        onChoose={(key) => onPut({ id: step.id, do: "soak", of: step.of ?? [], with: key })}
      />
    </>
  );
}

function GlueTold({ glue, workings, place }: Props & { glue: NonNullable<MendDetail["glue"]> }) {
  const unit = useUnit();
  const rows: [string, string, string][] = [
    [
      "g",
      t("screen.mend.glue_both_faces"),
      t("screen.mend.on_", { g: amountText(glue.g, "g", unit), joint_cm2: amountText(glue.joint_cm2, "cm2", unit) }),
    ],
    ["gap_mm", t("screen.mend.no_gap_over"), amountText(glue.gap_mm, "mm", unit)],
    [
      "clamp_n",
      t("screen.mend.pressed_with_about"),
      t("screen.mend.for", {
        clamp_n: amountText(glue.clamp_n, "N", unit),
        clamp_min: amountText(glue.clamp_min, "min", unit),
      }),
    ],
    ...(glue.wall_mm === null
      ? []
      : [
          ["wall_mm", t("screen.mend.wall_to_leave_over_the_joint"), amountText(glue.wall_mm, "mm", unit)] as [
            string,
            string,
            string,
          ],
        ]),
  ];
  return <WorkedRows label={t("screen.mend.the_joint")} {...{ rows, workings, place }} />;
}

/** The ways to harden what is soft, on one footing. */
function HardeningChoice({
  ways,
  chosen,
  onChoose,
}: {
  ways: HardeningWays;
  chosen: string;
  onChoose: (key: string) => void;
}) {
  const unit = useUnit();
  const share = (value: number) => `${Math.round(value * 100)}`;
  return (
    <>
      <Heading>{t("screen.mend.the_ways_to_harden_it")}</Heading>
      <ul aria-label={t("screen.mend.ways_to_harden_it")}>
        {ways.map(({ key, g, cost, hands_min, wait_h, strength, deep_mm, through }) => (
          <li key={key} style={{ borderTop: `1px solid ${ink.rule}`, padding: "7px 0" }}>
            <div style={{ display: "flex", justifyContent: "space-between", gap: 10 }}>
              <strong>{capital(t(`tables.hardeners.${key}.name`))}</strong>
              {key === chosen ? (
                <span>{t("screen.mend.chosen")}</span>
              ) : (
                <Button $kind="quiet" style={{ minHeight: 30, padding: 0 }} onPress={() => onChoose(key)}>
                  {t("screen.mend.take_it")}
                </Button>
              )}
            </div>
            <div>
              {t("screen.mend.min_work_wait_back_to_to", {
                g: amountText(g, "g", unit),
                cost: amountText(cost, "money", unit),
                hands_min,
                wait_h: amountText(wait_h, "h", unit),
                share: share(strength[0] ?? 0),
                share_2: share(strength[1] ?? 0),
              })}
            </div>
            <Quiet style={{ margin: 0 }}>
              {through
                ? t("screen.mend.right_through")
                : t("screen.mend.deep_only", { deep_mm: amountText(deep_mm, "mm", unit) })}{" "}
              {capital(t(`tables.hardeners.${key}.colour`))}; {t(`tables.hardeners.${key}.food`)}.
            </Quiet>
          </li>
        ))}
      </ul>
    </>
  );
}

function FillTold({ fill }: Props & { fill: NonNullable<MendDetail["fill"]> }) {
  const unit = useUnit();
  const mm = (value: number) => amountText(value, "mm", unit);
  return (
    <>
      <Ticket aria-label={t("screen.mend.openings")}>
        <thead>
          <tr>
            <td />
            <th>{t("screen.mend.takes")}</th>
            <th>{t("screen.mend.mouth")}</th>
            <th>{t("screen.mend.deep")}</th>
            <th>{t("screen.mend.layers")}</th>
          </tr>
        </thead>
        <tbody>
          {fill.fills.map(({ id, ml, mouth_mm, deep_mm, layers }) => (
            <tr key={id}>
              <th scope="row">{id}</th>
              <td>{amountText(ml, "ml", unit)}</td>
              <td>{mm(mouth_mm)}</td>
              <td>{mm(deep_mm)}</td>
              <td>{layers}</td>
            </tr>
          ))}
        </tbody>
      </Ticket>
      {fill.positions.length > 0 && (
        <>
          <Heading>{t("screen.mend.how_it_lies_meanwhile")}</Heading>
          <ol aria-label={t("screen.mend.positions")} style={{ display: "flex", flexWrap: "wrap", gap: 14 }}>
            {fill.positions.map(({ up, clock_deg, ids }, index) => (
              <li key={index} style={{ display: "grid", justifyItems: "center", gap: 2 }}>
                <Lying clockDeg={clock_deg} up={up} />
                <span>
                  {index + 1}.{" "}
                  <strong>
                    {clock_deg === null
                      ? t("screen.mend.end_up", { up })
                      : t("screen.mend.up", { clock_deg: clockText(clock_deg) })}
                  </strong>
                </span>
                <span style={{ color: ink.quiet, fontSize: 14 }}>
                  {ids.join(", ")}, {amountText(fill.hold_min, "min", unit)}
                </span>
              </li>
            ))}
          </ol>
        </>
      )}
      {fill.dams.length > 0 && <Quiet>{t("screen.mend.dam_the_far_side_of", { join: fill.dams.join(", ") })}</Quiet>}
    </>
  );
}

/** The piece lying with an hour at the top, a drop going in. */
function Lying({ clockDeg, up }: { clockDeg: number | null; up: string }) {
  if (clockDeg === null) {
    return (
      <svg width="70" height="64" aria-hidden>
        <path d="M20 60V22h30v38z" fill="var(--wood)" stroke="var(--ink)" />
        <path d="M35 4l4 9h-8z" fill="var(--moss)" />
        <text x="35" y="46" textAnchor="middle" fontSize="13" fill="var(--quiet)">
          {up}
        </text>
      </svg>
    );
  }
  return (
    <svg width="70" height="64" aria-hidden>
      <g transform={`rotate(${-clockDeg} 35 39)`}>
        <circle cx="35" cy="39" r="22" fill="var(--wood)" stroke="var(--ink)" />
        <path d="M35 39V19" stroke="var(--quiet)" strokeDasharray="2 3" />
        <text x="35" y="27" textAnchor="middle" fontSize="11" fill="var(--quiet)">
          12
        </text>
        <path d="M35 17v14" stroke="var(--ink)" strokeWidth="3" transform={`rotate(${clockDeg} 35 39)`} />
      </g>
      <path d="M35 2l4 9h-8z" fill="var(--moss)" />
    </svg>
  );
}

function Islands({ islands }: { islands: NonNullable<MendDetail["inlay"]>["islands"] }) {
  const unit = useUnit();
  return (
    <Ticket aria-label={t("screen.mend.islands")}>
      <thead>
        <tr>
          <th>{t("screen.mend.island_at")}</th>
          <th>{t("screen.mend.size")}</th>
          <th>{t("screen.mend.bears")}</th>
        </tr>
      </thead>
      <tbody>
        {islands.slice(0, 12).map(({ clock_deg, z_mm, area_mm2, bears_n, at_risk }, index) => (
          <tr key={index}>
            <th scope="row">
              {clockText(clock_deg)}, z {amountText(z_mm, "mm", unit)}
            </th>
            <td>{amountText(area_mm2, "mm2", unit)}</td>
            <td>
              {at_risk ? (
                <strong style={{ color: ink.rust }}>
                  {t("screen.mend.at_risk", { bears_n: amountText(bears_n, "N", unit) })}
                </strong>
              ) : (
                amountText(bears_n, "N", unit)
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </Ticket>
  );
}
