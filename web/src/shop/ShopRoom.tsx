import { useQueryClient } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { DropZone, FileTrigger, type FileDropItem } from "react-aria-components";
import { Link } from "react-router";
import styled from "styled-components";
import { api, Refused } from "../api/client";
import type { Problem, Shop, ShopName, TakenIn, Task } from "../api/document";
import { Button } from "../kit/Button";
import { TextLine } from "../kit/MeasureField";
import { ink } from "../kit/theme";
import { TaskProgress } from "../kit/TaskProgress";
import { useAct } from "../kit/useAct";
import { followed } from "../kit/useTask";
import { Lathes } from "./Lathes";
import { Room } from "../kit/Room";
import { Carry, Fault, Heading, Quiet, Row } from "../kit/parts";

const Drop = styled(DropZone)`
  border: 2px dashed ${ink.slate};
  padding: 18px 20px;
  display: grid;
  gap: 12px;
  justify-items: start;
  &[data-drop-target] {
    border-color: ${ink.moss};
    background: ${ink.mossPale};
  }
`;

const Pieces = styled.ul`
  columns: 2 220px;
  li {
    break-inside: avoid;
    border-top: 1px solid ${ink.rule};
    display: flex;
    align-items: center;
    gap: 10px;
  }
  li a {
    color: inherit;
    min-height: 44px;
    display: flex;
    align-items: center;
  }
  li a:first-child {
    flex: 1;
    min-width: 0;
    text-decoration: none;
    gap: 8px;
  }
  li a:focus-visible {
    outline: 3px solid ${ink.ochre};
    outline-offset: -2px;
  }
`;

const Outcome = styled.li`
  border-top: 1px solid ${ink.rule};
  padding: 9px 0;
`;

/** What became of one file: where it went, or what is wrong with it. */
type Brought = { key: number; file: File; done?: { id: number; text: string } | { shop: TakenIn }; problem?: Problem };

const isArchive = (file: File) => file.name.toLowerCase().endsWith(".zip");

/** What is not about one blank: bringing in and carrying out. */
export function ShopRoom({ shop }: { shop: Shop }) {
  return (
    <Room>
      <h2>{shop.name}</h2>
      <div>
        <section aria-label="Bring in">
          <BringIn />
        </section>
        <section aria-label="Lathes">
          <Lathes />
        </section>
        <section aria-label="This shop">
          <Named shop={shop} />
        </section>
      </div>
      <section aria-label="Carry out">
        <Heading as="h3">Carry out</Heading>
        <Carry href="/api/shop/archive" download>
          The whole shop, one archive
        </Carry>
        <Quiet>
          Every blank with its photographs, log and card, the shelf and the curves of your own, in one zip. It goes back
          in here or into another shop.
        </Quiet>
        {shop.rack.length > 0 && (
          <>
            <Heading as="h3">One blank</Heading>
            <Quiet>
              A file is the blank by itself. A parcel is a zip that has its photographs, its log and the card it is
              worked by as well.
            </Quiet>
          </>
        )}
        <Pieces>
          {shop.rack.map((place) => (
            <li key={place.id}>
              <Link to={`/blanks/${place.id}`}>
                <strong>{place.number ?? "–"}</strong> {place.name}
              </Link>
              <a
                href={`/api/blanks/${place.id}/export`}
                download
                aria-label={`File of ${place.number ?? ""} ${place.name}`}
              >
                file
              </a>
              <a
                href={`/api/blanks/${place.id}/export?as=parcel`}
                download
                aria-label={`Parcel of ${place.number ?? ""} ${place.name}`}
              >
                parcel
              </a>
            </li>
          ))}
        </Pieces>
        {shop.put_away.length > 0 && <PutAway shop={shop} />}
      </section>
    </Room>
  );
}

/** What is off the rack, to be looked at or brought back. */
function PutAway({ shop }: { shop: Shop }) {
  const client = useQueryClient();
  const { busy, problem, act } = useAct();
  const back = (id: number) =>
    void act(
      () => api.place(id, false),
      () => void client.invalidateQueries(),
    );
  return (
    <>
      <Heading as="h3">Put away</Heading>
      <ul aria-label="Put away">
        {shop.put_away.map(({ id, number, name }) => (
          <Outcome key={id} style={{ display: "flex", alignItems: "center", gap: 12 }}>
            <Link to={`/blanks/${id}/log`} style={{ flex: 1, color: "inherit" }}>
              {number ?? "–"} {name}
            </Link>
            <Button $kind="quiet" isDisabled={busy} aria-label={`${name} back on the rack`} onPress={() => back(id)}>
              Back on the rack
            </Button>
          </Outcome>
        ))}
      </ul>
      {problem && <Fault role="alert">{problem.detail}</Fault>}
    </>
  );
}

/** What the shop is called, and what it reckons money in. Its air is at the Board. */
function Named({ shop }: { shop: Shop }) {
  const client = useQueryClient();
  const { problem, act } = useAct();
  const put = (about: Partial<ShopName>) =>
    void act(
      () => api.nameShop({ name: shop.name, currency: shop.currency, ...about }),
      () => void client.invalidateQueries({ queryKey: ["shop"] }),
    );
  return (
    <>
      <Heading as="h3">This shop</Heading>
      <div style={{ display: "grid", gap: 12, maxWidth: 620 }}>
        <TextLine label="The shop is called" value={shop.name} most={120} onChange={(name) => put({ name })} />
        <div style={{ width: 200 }}>
          <TextLine
            label="Its currency, three letters"
            value={shop.currency}
            most={3}
            onChange={(currency) => put({ currency: currency.toUpperCase() })}
          />
        </div>
      </div>
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      <Quiet>
        Its air is at the{" "}
        <Link to="/board" style={{ color: "inherit" }}>
          Board
        </Link>
        .
      </Quiet>
    </>
  );
}

const CANCELLED: Problem = {
  type: "about:blank",
  title: "Cancelled",
  status: 0,
  detail: "It was cancelled: nothing of it was taken in.",
};

/** Sends an archive, then follows the server while it takes it in. */
async function importArchive(
  entry: Brought,
  way: "plain" | "other",
  say: (text: string) => void,
  onStep: (task: Task) => void,
): Promise<Brought> {
  const { file } = entry;
  const begun = await api.importShop(file, way === "plain" ? "keep" : "copy", (share) =>
    say(share < 1 ? `Sending ${file.name}: ${Math.round(share * 100)} %` : `Taking in ${file.name} …`),
  );
  const { state, result } = await followed(begun, onStep);
  return state === "ended" && result && "taken_in" in result
    ? { ...entry, done: { shop: result } }
    : { ...entry, problem: CANCELLED };
}

function BringIn() {
  const [brought, setBrought] = useState<Brought[]>([]);
  const [busy, setBusy] = useState<string>();
  const [task, setTask] = useState<Task>();
  const client = useQueryClient();

  const take = async (entry: Brought, way: "plain" | "other") => {
    const { file } = entry;
    setBusy(`Taking in ${file.name} …`);
    let after: Brought;
    try {
      if (isArchive(file)) after = await importArchive(entry, way, setBusy, setTask);
      else {
        const { id, document } = await api.importBlank(file, way === "plain" ? "own" : "next");
        after = { ...entry, done: { id, text: `${document.number ?? ""} ${document.name}` } };
      }
    } catch (fault) {
      if (!(fault instanceof Refused)) throw fault;
      after = { ...entry, problem: fault.problem };
    }
    setBrought((was) => [after, ...was.filter(({ key }) => key !== entry.key)]);
    setBusy(undefined);
    setTask(undefined);
    await client.invalidateQueries();
  };
  // One after another: each gets its number before the next is read.
  const takeAll = async (files: File[]) => {
    for (const [index, file] of files.entries()) await take({ key: Date.now() + index, file }, "plain");
  };

  return (
    <>
      <Heading as="h3">Bring in</Heading>
      <Drop
        getDropOperation={() => "copy"}
        onDrop={(event) => {
          const items = event.items.filter((item): item is FileDropItem => item.kind === "file");
          void Promise.all(items.map((item) => item.getFile())).then(takeAll);
        }}
      >
        <p>
          Blank files (<code>.anvil.json</code>), parcels or a whole shop (<code>.zip</code>): drop them here, or choose
          them.
        </p>
        <FileTrigger
          allowsMultiple
          acceptedFileTypes={[".json", ".zip"]}
          onSelect={(files) => void takeAll([...(files ?? [])])}
        >
          <Button $kind="go">Choose files</Button>
        </FileTrigger>
      </Drop>
      {busy && <Quiet role="status">{busy}</Quiet>}
      <TaskProgress task={task} label="Taking in the archive" onCancel={() => task && void api.cancelTask(task.id)} />
      <ul aria-label="Brought in">
        {brought.map((entry) => (
          <Result key={entry.key} entry={entry} onOther={() => void take(entry, "other")} />
        ))}
      </ul>
    </>
  );
}

/** More than so many are not named one by one: they stand on the rack. */
const FEW = 3;

const Taken = ({ id, children }: { id: number; children: ReactNode }) => (
  <Link to={`/blanks/${id}`} style={{ color: ink.moss, fontWeight: 650 }}>
    {children}
  </Link>
);

function Result({ entry, onOther }: { entry: Brought; onOther: () => void }) {
  const { file, done, problem } = entry;
  if (done && "id" in done)
    return (
      <Outcome>
        {file.name}: taken in as <Taken id={done.id}>{done.text}</Taken>
      </Outcome>
    );
  if (done) {
    const { taken_in, already_here, differ, cards_left, renumbered } = done.shop;
    return (
      <Outcome>
        {file.name}: {taken_in.length} taken in, {already_here} here already.
        {taken_in.length > 0 && taken_in.length <= FEW && (
          <Row as="p">
            {taken_in.map((blank) => (
              <Taken key={blank.id} id={blank.id}>
                {blank.number ?? ""} {blank.name}
              </Taken>
            ))}
          </Row>
        )}
        {renumbered.map(({ name, from, to }) => (
          <Quiet key={name}>
            {name} had No. {from}, which is taken: it is No. {to} now.
          </Quiet>
        ))}
        {cards_left.length > 0 && (
          <Quiet>
            {cards_left.join(", ")}: the card it is worked by there was left out, since the blank stands otherwise here
            or has a card open.
          </Quiet>
        )}
        {differ.length > 0 && (
          <>
            <Quiet>{differ.join(", ")}: changed since, and left as here.</Quiet>
            <Row>
              <Button onPress={onOther}>Take the archive’s in as copies</Button>
            </Row>
          </>
        )}
      </Outcome>
    );
  }
  const taken = problem?.status === 409;
  return (
    <Outcome>
      <Fault role="alert">{file.name} was not taken in.</Fault>
      <ul>
        {(problem?.errors ?? []).map(({ pointer, detail }) => (
          <li key={pointer + detail}>
            <code>{pointer || "the file"}</code> {detail}
          </li>
        ))}
      </ul>
      {!problem?.errors?.length && <p>{problem?.detail}</p>}
      {taken && (
        <Row>
          <Button onPress={onOther}>Take it in under the next number</Button>
        </Row>
      )}
    </Outcome>
  );
}
