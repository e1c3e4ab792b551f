import { useQuery, useQueryClient } from "@tanstack/react-query";
import { api } from "../../api/client";
import type { Kept } from "../../api/document";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Carry, Fault, Heading, Quiet, Row } from "../../kit/parts";
import { useAct } from "../../kit/useAct";
/** Sold, burnt or given up: off the rack, and kept whole. */
export function PutAway() {
  const blank = useBlank();
  const client = useQueryClient();
  const { busy, problem, act } = useAct();
  const { data: kept } = useQuery<Kept>({
    queryKey: ["blank", blank.id],
    queryFn: () => api.blank(blank.id),
    staleTime: Infinity,
  });
  const away = kept?.put_away ?? false;
  const place = () =>
    void act(
      () => api.place(blank.id, !away),
      (next) => {
        client.setQueryData<Kept>(["blank", blank.id], (was) => was && { ...was, put_away: next.put_away });
        void client.invalidateQueries({ queryKey: ["shop"] });
      },
    );
  return (
    <>
      <Heading>{away ? t("screen.log.it_is_put_away") : t("screen.log.done_with_it")}</Heading>
      <Row>
        <Carry href={`/blanks/${blank.id}/record`}>{t("screen.log.its_story")}</Carry>
        <Button isDisabled={busy} onPress={place}>
          {away ? t("screen.log.back_on_the_rack") : t("screen.log.put_it_away")}
        </Button>
      </Row>
      <Quiet>{away ? t("screen.log.off_the_rack_the_shops_list") : t("screen.log.off_the_rack_kept_whole_with")}</Quiet>
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
    </>
  );
}
