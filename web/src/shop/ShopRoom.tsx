import { useQueryClient } from "@tanstack/react-query";
import { useMemo, useState, type ReactNode } from "react";
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
import { useInTurn } from "../kit/useInTurn";
import { followed } from "../kit/useTask";
import { Devices } from "./Devices";
import { Lathes } from "./Lathes";
import { Equipment, People } from "./People";
import { Rates } from "./Rates";
import { Tools } from "./Tools";
import { Room } from "../kit/Room";
import { Carry, Fault, Heading, Quiet, Row } from "../kit/parts";
import { t } from "../i18n/texts";

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
        {shop.demo && <Quiet>{t("screen.shop.this_is_the_demo")}</Quiet>}
        <section aria-label={t("screen.shop.bring_in")}>
          <BringIn />
        </section>
        <section aria-label={t("screen.shop.lathes")}>
          <Lathes />
        </section>
        <section aria-label={t("screen.shop.tools")}>
          <Tools shop={shop} />
        </section>
        <section aria-label={t("screen.shop.rates.heading")}>
          <Rates />
        </section>
        <section aria-label={t("screen.shop.people")}>
          <People />
        </section>
        <section aria-label={t("screen.shop.devices")}>
          <Devices />
        </section>
        <section aria-label={t("screen.shop.equipment")}>
          <Equipment shop={shop} />
        </section>
        <section aria-label={t("screen.shop.this_shop")}>
          <Named shop={shop} />
        </section>
      </div>
      <section aria-label={t("screen.shop.carry_out")}>
        <Heading as="h3">{t("screen.shop.carry_out")}</Heading>
        <Carry href="/api/shop/archive" download>
          {t("screen.shop.the_whole_shop_one_archive")}
        </Carry>
        <Quiet>{t("screen.shop.every_blank_with_its_photographs_log")}</Quiet>
        {shop.rack.length > 0 && (
          <>
            <Heading as="h3">{t("screen.shop.one_blank")}</Heading>
            <Quiet>{t("screen.shop.a_file_is_the_blank_by")}</Quiet>
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
                aria-label={t("screen.shop.file_of", { value: place.number ?? "", name: place.name })}
              >
                {t("screen.shop.file")}
              </a>
              <a
                href={`/api/blanks/${place.id}/export?as=parcel`}
                download
                aria-label={t("screen.shop.parcel_of", { value: place.number ?? "", name: place.name })}
              >
                {t("screen.shop.parcel")}
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
      <Heading as="h3">{t("screen.shop.put_away")}</Heading>
      <ul aria-label={t("screen.shop.put_away")}>
        {shop.put_away.map(({ id, number, name }) => (
          <Outcome key={id} style={{ display: "flex", alignItems: "center", gap: 12 }}>
            <Link to={`/blanks/${id}/log`} style={{ flex: 1, color: "inherit" }}>
              {number ?? "–"} {name}
            </Link>
            <Button
              $kind="quiet"
              isDisabled={busy}
              aria-label={t("screen.shop.back_on_the_rack", { name })}
              onPress={() => back(id)}
            >
              {t("screen.shop.back_on_the_rack_2")}
            </Button>
          </Outcome>
        ))}
      </ul>
      {problem && <Fault role="alert">{problem.detail}</Fault>}
    </>
  );
}

/** Name of the shop and its currency. Its air is at the Board. */
function Named({ shop }: { shop: Shop }) {
  const client = useQueryClient();
  const { problem, act } = useAct();
  const { name, currency } = shop;
  const inTurn = useInTurn(useMemo(() => ({ name, currency }), [name, currency]));
  const put = (about: Partial<ShopName>) =>
    inTurn(async (now) => {
      let left = now;
      await act(
        () => api.nameShop({ ...now, ...about }),
        (kept) => {
          left = kept;
          void client.invalidateQueries({ queryKey: ["shop"] });
        },
      );
      return left;
    });
  return (
    <>
      <Heading as="h3">{t("screen.shop.this_shop")}</Heading>
      <div style={{ display: "grid", gap: 12, maxWidth: 620 }}>
        <TextLine
          label={t("screen.shop.the_shop_is_called")}
          value={shop.name}
          most={120}
          onChange={(name) => put({ name })}
        />
        <div style={{ width: 200 }}>
          <TextLine
            label={t("screen.shop.its_currency_three_letters")}
            value={shop.currency}
            most={3}
            onChange={(currency) => put({ currency: currency.toUpperCase() })}
          />
        </div>
      </div>
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      <Quiet>
        {t("screen.shop.its_air_is_at_the")}{" "}
        <Link to="/board" style={{ color: "inherit" }}>
          {t("screen.shop.board")}
        </Link>
        .
      </Quiet>
    </>
  );
}

const CANCELLED: Problem = {
  type: "about:blank",
  title: t("screen.shop.cancelled"),
  status: 0,
  detail: t("screen.shop.it_was_cancelled_nothing_of_it"),
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
    say(
      share < 1
        ? t("screen.shop.sending_2", { name: file.name, round: Math.round(share * 100) })
        : t("screen.shop.taking_in", { name: file.name }),
    ),
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
    setBusy(t("screen.shop.taking_in", { name: file.name }));
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
      <Heading as="h3">{t("screen.shop.bring_in")}</Heading>
      <Drop
        aria-label={t("screen.shop.drop_files")}
        getDropOperation={() => "copy"}
        onDrop={(event) => {
          const items = event.items.filter((item): item is FileDropItem => item.kind === "file");
          void Promise.all(items.map((item) => item.getFile())).then(takeAll);
        }}
      >
        <p>
          {t("screen.shop.blank_files")}
          <code>{t("screen.shop.anvil_json")}</code>
          {t("screen.shop.parcels_or_a_whole_shop")}
          <code>{t("screen.shop.zip")}</code>
          {t("screen.shop.drop_them_here_or_choose_them")}
        </p>
        <FileTrigger
          allowsMultiple
          acceptedFileTypes={[".json", ".zip"]}
          onSelect={(files) => void takeAll([...(files ?? [])])}
        >
          <Button $kind="go">{t("screen.shop.choose_files")}</Button>
        </FileTrigger>
      </Drop>
      {busy && <Quiet role="status">{busy}</Quiet>}
      <TaskProgress
        task={task}
        label={t("screen.shop.taking_in_the_archive")}
        onCancel={() => task && void api.cancelTask(task.id)}
      />
      <ul aria-label={t("screen.shop.brought_in")}>
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
        {t("screen.shop.taken_in_as", { name: file.name })} <Taken id={done.id}>{done.text}</Taken>
      </Outcome>
    );
  if (done) {
    const { taken_in, already_here, differ, cards_left, renumbered } = done.shop;
    return (
      <Outcome>
        {t("screen.shop.taken_in_here_already", { name: file.name, count: taken_in.length, already_here })}
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
          <Quiet key={name}>{t("screen.shop.had_no_which_is_taken_it", { name, from, to })}</Quiet>
        ))}
        {cards_left.length > 0 && (
          <Quiet>{t("screen.shop.the_card_it_is_worked_by", { join: cards_left.join(", ") })}</Quiet>
        )}
        {differ.length > 0 && (
          <>
            <Quiet>{t("screen.shop.changed_since_and_left_as_here", { join: differ.join(", ") })}</Quiet>
            <Row>
              <Button onPress={onOther}>{t("screen.shop.take_the_archives_in_as_copies")}</Button>
            </Row>
          </>
        )}
      </Outcome>
    );
  }
  const taken = problem?.status === 409;
  return (
    <Outcome>
      <Fault role="alert">{t("screen.shop.was_not_taken_in", { name: file.name })}</Fault>
      <ul>
        {(problem?.errors ?? []).map(({ pointer, detail }) => (
          <li key={pointer + detail}>
            <code>{pointer || t("screen.shop.the_file")}</code> {detail}
          </li>
        ))}
      </ul>
      {!problem?.errors?.length && <p>{problem?.detail}</p>}
      {taken && (
        <Row>
          <Button onPress={onOther}>{t("screen.shop.take_it_in_under_the_next")}</Button>
        </Row>
      )}
    </Outcome>
  );
}
