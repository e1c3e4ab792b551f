import { useQuery } from "@tanstack/react-query";
import { api } from "../api/client";
import type { TableName } from "../api/document";
import { t } from "../i18n/texts";

/** The names of a table's rows, by key. */
export function useNames(table: TableName, without: string[] = []): Record<string, string> {
  const { data } = useQuery({ queryKey: ["table", table], queryFn: () => api.table(table), staleTime: Infinity });
  return Object.fromEntries(
    (data?.rows ?? [])
      .map((row) => [String(row["key"]), t(`tables.${table}.${String(row["key"])}.name`)] as const)
      .filter(([key]) => !without.includes(key)),
  );
}
