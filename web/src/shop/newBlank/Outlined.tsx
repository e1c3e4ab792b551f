import { Button } from "../../kit/Button";
import { LengthField } from "../../kit/MeasureField";
import { Fault, Quiet, Row, Ticket } from "../../kit/parts";
import { t } from "../../i18n/texts";

type Station = { z_mm: number; radii_mm: number[] };
type Props = {
  stations: Station[];
  onChange: (stations: Station[]) => void;
  fault: (path: string) => string | undefined;
};

const HOURS = 12;

/** Radii typed at the clock hours, at two or more places along the axis. */
export function Outlined({ stations, onChange, fault }: Props) {
  const set = (index: number, change: Partial<Station>) =>
    onChange(stations.map((station, other) => (other === index ? { ...station, ...change } : station)));
  const last = stations.at(-1);
  return (
    <div>
      <Ticket>
        <thead>
          <tr>
            <th>{t("screen.shop.off_the_head")}</th>
            {stations.map((station, index) => (
              <th key={index}>
                <LengthField
                  bare
                  label={t("screen.shop.station_off_the_head", { value: index + 1 })}
                  value={station.z_mm}
                  onChange={(z_mm) => set(index, { z_mm })}
                  fault={fault(`/lump/stations/${index}/z_mm`)}
                />
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {Array.from({ length: HOURS }, (_, hour) => (
            <tr key={hour}>
              <th scope="row">{t("screen.shop.oclock", { value: hour || 12 })}</th>
              {stations.map((station, index) => (
                <td key={index}>
                  <LengthField
                    bare
                    label={t("screen.shop.station_oclock", { value: index + 1, value_2: hour || 12 })}
                    value={station.radii_mm[hour] ?? 0}
                    fault={fault(`/lump/stations/${index}/radii_mm/${hour}`)}
                    onChange={(radius) =>
                      set(index, { radii_mm: station.radii_mm.map((old, other) => (other === hour ? radius : old)) })
                    }
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Ticket>
      {fault("/lump/stations") && <Fault role="alert">{fault("/lump/stations")}</Fault>}
      <Row>
        <Button onPress={() => last && onChange([...stations, { z_mm: last.z_mm + 40, radii_mm: [...last.radii_mm] }])}>
          {t("screen.shop.another_station_towards_the_tail")}
        </Button>
        {stations.length > 2 && (
          <Button onPress={() => onChange(stations.slice(0, -1))}>{t("screen.shop.take_the_last_away")}</Button>
        )}
      </Row>
      <Quiet>{t("screen.shop.each_radius_from_the_axis_to")}</Quiet>
    </div>
  );
}
