import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import { api } from "../api/client";
import type { Pairing, Session } from "../api/document";
import { Button } from "../kit/Button";
import { dayText } from "../kit/dayText";
import { PasswordLine, TypedLine } from "../kit/TypedLine";
import { Fault, Heading, Quiet, Row } from "../kit/parts";
import { Select } from "../kit/Select";
import { ink } from "../kit/theme";
import { useAct } from "../kit/useAct";
import { may, useNewSession, useSession } from "../kit/useSession";
import { Fingerprint } from "../kit/Fingerprint";
import { t } from "../i18n/texts";

const PEEK_MS = 3000;

/** Who is in here, and the phones and tablets that may come in. */
export function Devices() {
  const { data: session } = useSession();
  if (!session) return null;
  return (
    <>
      <Heading as="h3">{t("screen.shop.devices")}</Heading>
      {session.log_in && session.person ? (
        <>
          <WhoIsIn session={session} name={session.person.name} />
          <Paired session={session} personId={session.person.id} />
          {may(session, "owner") && <Record />}
        </>
      ) : (
        <Quiet>{t("screen.shop.this_machine_alone")}</Quiet>
      )}
    </>
  );
}

function WhoIsIn({ session, name }: { session: Session; name: string }) {
  const { busy, problem, act } = useAct();
  const enter = useNewSession();
  const [changing, setChanging] = useState(false);
  const role = session.person ? t(`roles.${session.person.role}`) : "";
  return (
    <>
      <p style={{ marginBottom: 8 }}>{t("screen.shop.you_are_in_as", { name, role })}</p>
      <Row>
        <Button isDisabled={busy} onPress={() => void act(() => api.leave(false), enter)}>
          {t("screen.shop.log_out")}
        </Button>
        <Button isDisabled={busy} onPress={() => void act(() => api.leave(true), enter)}>
          {t("screen.shop.log_out_everywhere")}
        </Button>
        <Button $kind="quiet" aria-expanded={changing} onPress={() => setChanging(!changing)}>
          {t("screen.shop.change_my_password")}
        </Button>
      </Row>
      {problem && <Fault role="alert">{problem.detail}</Fault>}
      <Codes session={session} />
      {changing && session.person && <Password personId={session.person.id} own onSet={enter} />}
    </>
  );
}

/** One-time codes beside the password: on, by an app that makes them, or off. */
function Codes({ session }: { session: Session }) {
  const client = useQueryClient();
  const [offered, setOffered] = useState<{ secret: string; picture: string }>();
  const [open, setOpen] = useState(false);
  const [code, setCode] = useState("");
  const [password, setPassword] = useState("");
  const { busy, problem, act } = useAct();
  const fault = (pointer: string) => problem?.errors?.find((one) => one.pointer === pointer)?.detail;
  const begin = () => {
    setOpen(!open);
    if (!open && !session.codes) void act(api.offerCodes, setOffered);
  };
  const take = (next: Session) => {
    client.setQueryData(["session"], next);
    setOpen(false);
    setCode("");
    setPassword("");
  };
  const change = () =>
    void act(
      () =>
        session.codes
          ? api.dropCodes(password)
          : api.useCodes({ secret: offered?.secret ?? "", code: code.replaceAll(" ", ""), password }),
      take,
    );
  return (
    <>
      <Button $kind="quiet" style={{ paddingLeft: 0 }} aria-expanded={open} onPress={begin}>
        {session.codes ? t("screen.shop.codes_off") : t("screen.shop.codes_on")}
      </Button>
      {open && (session.codes || offered) && (
        <Card role="group" aria-label={t("screen.shop.codes_on")}>
          {!session.codes && offered && <img alt="" src={svg(offered.picture)} />}
          <div style={{ display: "grid", gap: 10 }}>
            {!session.codes && offered && (
              <>
                <p style={{ overflowWrap: "anywhere" }}>{t("screen.shop.codes_scan", { secret: offered.secret })}</p>
                <TypedLine
                  label={t("screen.shop.code_shown")}
                  fills="one-time-code"
                  value={code}
                  most={20}
                  onChange={setCode}
                  fault={fault("/code")}
                />
              </>
            )}
            <PasswordLine
              label={t("screen.shop.my_password")}
              value={password}
              onChange={setPassword}
              fault={fault("/password")}
            />
            {problem && !problem.errors?.length && <Fault role="alert">{problem.detail}</Fault>}
            <Row>
              <Button isDisabled={busy || password === ""} onPress={change}>
                {session.codes ? t("screen.shop.codes_off") : t("screen.shop.use_codes")}
              </Button>
            </Row>
          </div>
        </Card>
      )}
    </>
  );
}

/** A drawing as a picture. */
const svg = (picture: string) => `data:image/svg+xml;utf8,${encodeURIComponent(picture)}`;

/** A new password, of one's own by the old one. */
export function Password({ personId, own = false, onSet }: { personId: number; own?: boolean; onSet: () => void }) {
  const [old, setOld] = useState("");
  const [password, setPassword] = useState("");
  const { busy, problem, act } = useAct();
  const fault = (pointer: string) => problem?.errors?.find((one) => one.pointer === pointer)?.detail;
  return (
    <div style={{ display: "grid", gap: 10, margin: "10px 0", maxWidth: 380 }}>
      {own && (
        <PasswordLine label={t("screen.shop.password_so_far")} value={old} onChange={setOld} fault={fault("/old")} />
      )}
      <PasswordLine
        fresh
        label={t("screen.shop.new_password")}
        value={password}
        onChange={setPassword}
        fault={fault("/password")}
      />
      {problem && !problem.errors?.length && <Fault role="alert">{problem.detail}</Fault>}
      <Row>
        <Button
          isDisabled={busy || password === ""}
          onPress={() => void act(() => api.setPassword(personId, password, own ? old : undefined), onSet)}
        >
          {t("screen.shop.set_the_password")}
        </Button>
      </Row>
    </div>
  );
}

const Line = styled.li`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  min-height: 44px;
  border-top: 1px solid ${ink.rule};
  > span:first-child {
    flex: 1;
    min-width: 160px;
  }
`;

function Paired({ session, personId }: { session: Session; personId: number }) {
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

const Card = styled.div`
  display: grid;
  grid-template-columns: 220px 1fr;
  gap: 6px 22px;
  align-items: start;
  border: 1px solid ${ink.slate};
  padding: 14px;
  margin: 10px 0;
  img {
    width: 220px;
    background: #fff;
    padding: 10px;
  }
  strong {
    font-size: 20px;
  }
  @media (max-width: 600px) {
    grid-template-columns: 1fr;
  }
`;

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

/** The newest of who came in, went, and failed to. */
function Record() {
  const [open, setOpen] = useState(false);
  const { data: lines = [] } = useQuery({ queryKey: ["log-ins"], queryFn: api.logIns, enabled: open });
  return (
    <>
      <Button $kind="quiet" aria-expanded={open} onPress={() => setOpen(!open)}>
        {t("screen.shop.record_of_log_ins")}
      </Button>
      {open && (
        <ul style={{ listStyle: "none", padding: 0 }}>
          {lines.map((line, index) => (
            <Line key={`${line.at} ${index}`}>
              <span>
                <strong>{line.person}</strong> · {t(`screen.shop.log_in_events.${line.what.replaceAll(" ", "_")}`)}
              </span>
              <span>{new Date(line.at).toLocaleString("en-GB")}</span>
            </Line>
          ))}
        </ul>
      )}
    </>
  );
}
