import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { DropZone, FileTrigger, type FileDropItem } from "react-aria-components";
import styled from "styled-components";
import { api, Refused } from "../api/client";
import type { Task } from "../api/document";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { Heading, Quiet } from "../kit/parts";
import { TaskProgress } from "../kit/TaskProgress";
import { ink } from "../kit/theme";
import { importArchive, isArchive, type Brought } from "./bringing";
import { BroughtIn } from "./BroughtIn";

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

/** Blank files, parcels and whole shops, dropped or chosen. */
export function BringIn() {
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
          <BroughtIn key={entry.key} entry={entry} onOther={() => void take(entry, "other")} />
        ))}
      </ul>
    </>
  );
}
