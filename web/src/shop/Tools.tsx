import { useQuery, useQueryClient } from "@tanstack/react-query";
import { api } from "../api/client";
import type { Shop } from "../api/document";
import { capital, t } from "../i18n/texts";
import { Choices } from "../kit/Choice";
import { Fault, Heading, Quiet } from "../kit/parts";
import { useAct } from "../kit/useAct";

/** Which tools of the lathe there are: cuts are planned with these alone. */
export function Tools({ shop }: { shop: Shop }) {
  const client = useQueryClient();
  const { problem, act } = useAct();
  const { data, error } = useQuery({ queryKey: ["table", "tools"], queryFn: () => api.table("tools") });
  const keys = (data?.rows ?? []).map(({ key }) => String(key));
  const put = (chosen: string[]) =>
    void act(
      () => api.setTools(chosen.length === keys.length ? null : chosen),
      () => void client.invalidateQueries({ queryKey: ["shop"] }),
    );
  return (
    <>
      <Heading as="h3">{t("screen.shop.tools")}</Heading>
      {error && <Fault role="alert">{error.message}</Fault>}
      {keys.length > 0 && (
        <Choices
          label={t("screen.shop.tools")}
          value={shop.tools ?? keys}
          options={Object.fromEntries(keys.map((key) => [key, capital(t(`tables.tools.${key}.name`))]))}
          onChange={put}
        />
      )}
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
      <Quiet>{t(shop.tools ? "screen.shop.own_tools" : "screen.shop.all_tools")}</Quiet>
    </>
  );
}
