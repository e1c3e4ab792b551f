import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../../api/client";
import type { Pairing, Session } from "../../api/document";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { dayText } from "../../kit/dayText";
import { Fingerprint } from "../../kit/Fingerprint";
import { Fault, Quiet, Row } from "../../kit/parts";
import { Select } from "../../kit/Select";
import { useAct } from "../../kit/useAct";
import { may } from "../../kit/useSession";
import { Card, svg } from "./Card";
import { Line } from "./Line";

/** While a code is offered it is looked so often whether somebody has come in by it. */
const PEEK_MS = 3000;

/** The devices that may come in, and how one more does. */
export function Paired({ session, personId }: { session: Session; personId: number }) {
  const client = useQueryClient();
  const [offered, setOffered] = useState<{ pairing: Pairing; before: number }>();
  const { data: devices = [] } = useQuery({
    queryKey: ["devices"],
    queryFn: api.devices,
    ...(offered && { refetchInterval: PEEK_MS }),
  });
  const { data: people = [] } = useQuery({ queryKey: ["people"], queryFn: api.people });
  const [whose, setWhose] = useState(String(personId));
  const { busy, problem, act } = useAct();
  const joined = offered && devices.length > offered.before ? devices.at(-1) : undefined;
  return (
    <>
      <ul aria-label={t("screen.shop.paired_devices")} style={{ listStyle: "none", padding: 0 }}>
        {devices.map((device) => (
          <Line key={device.id}>
            <span>
              <strong>{device.name}</strong> · {device.person}
            </span>
            <span>{t("screen.shop.seen_on", { day: dayText(device.last_seen_at.slice(0, 10)) })}</span>
            <Button
              $kind="quiet"
              isDisabled={busy}
              aria-label={t("screen.shop.let_in_no_longer_of", { name: device.name })}
              onPress={() =>
                void act(
                  () => api.revokeDevice(device.id),
                  (left) => client.setQueryData(["devices"], left),
                )
              }
            >
              {t("screen.shop.let_in_no_longer")}
            </Button>
          </Line>
        ))}
      </ul>
      {joined && <p role="status">{t("screen.shop.joined", { name: joined.name, person: joined.person })}</p>}
      {offered && !joined && <Offered pairing={offered.pairing} />}
      {problem && <Fault role="alert">{problem.detail}</Fault>}
      <Row>
        {may(session, "owner") && people.length > 1 && (
          <Select
            label={t("screen.shop.whose_device")}
            value={whose}
            options={Object.fromEntries(people.map(({ id, name }) => [String(id), name]))}
            onChange={setWhose}
          />
        )}
        <Button
          style={{ alignSelf: "end" }}
          isDisabled={busy}
          onPress={() =>
            void act(
              () => api.offerPairing(Number(whose)),
              (pairing) => setOffered({ pairing, before: devices.length }),
            )
          }
        >
          {t("screen.shop.pair_a_device")}
        </Button>
      </Row>
    </>
  );
}

/** The code that brings one device in, once. */
function Offered({ pairing }: { pairing: Pairing }) {
  const until = new Date(pairing.ends_at).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });
  return (
    <Card role="group" aria-label={t("screen.shop.pairing_code")}>
      <img alt={pairing.address} src={svg(pairing.picture)} />
      <div>
        <p>{t("screen.shop.scan_it", { until })}</p>
        <p>
          <strong>{pairing.code}</strong>
        </p>
        <p style={{ overflowWrap: "anywhere" }}>
          {t("screen.shop.or_open", { address: pairing.address.split("#")[0] ?? "" })}
        </p>
        {pairing.fingerprint !== null && (
          <>
            <Quiet>{t("screen.shop.compare_it")}</Quiet>
            <Fingerprint of={pairing.fingerprint} />
          </>
        )}
      </div>
    </Card>
  );
}
