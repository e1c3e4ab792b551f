import { Button } from "../kit/Button";
import { LengthField } from "../kit/MeasureField";
import { Fault, Quiet, Row, Ticket } from "../kit/parts";

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
            <th>Off the head</th>
            {stations.map((station, index) => (
              <th key={index}>
                <LengthField
                  bare
                  label={`Station ${index + 1}, off the head`}
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
              <th scope="row">{hour || 12} o’clock</th>
              {stations.map((station, index) => (
                <td key={index}>
                  <LengthField
                    bare
                    label={`Station ${index + 1}, ${hour || 12} o’clock`}
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
          Another station towards the tail
        </Button>
        {stations.length > 2 && <Button onPress={() => onChange(stations.slice(0, -1))}>Take the last away</Button>}
      </Row>
      <Quiet>Each radius from the axis to the surface, at its hour, seen from the tail.</Quiet>
    </div>
  );
}
