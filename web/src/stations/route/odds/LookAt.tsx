import { useEffect } from "react";
import { api } from "../../../api/client";
import type { Odds } from "../../../api/document";
import { useBlank, useDrawing } from "../../../draft/contexts";
import { t } from "../../../i18n/texts";
import { Button } from "../../../kit/Button";
import { Fault, Heading, Quiet, Row } from "../../../kit/parts";
import { useAct } from "../../../kit/useAct";

/** The worst of the truths, and the one in the middle, shown in the drawings in place of the survey. */
export function LookAt({ odds: { seed, of_note } }: { odds: Odds }) {
  const { document } = useBlank();
  const { instead, showInstead } = useDrawing();
  const { busy, problem, act } = useAct();
  const show = (index: number) => void act(() => api.truth(document, seed, index), showInstead);
  useEffect(() => () => showInstead(undefined), [showInstead]);
  return (
    <>
      <Heading>{t("screen.odds.look_at")}</Heading>
      <Row>
        <Button isDisabled={busy} onPress={() => show(of_note.worst)}>
          {t("screen.odds.worst_truth")}
        </Button>
        <Button isDisabled={busy} onPress={() => show(of_note.median)}>
          {t("screen.odds.median_truth")}
        </Button>
        <Button isDisabled={!instead} onPress={() => showInstead(undefined)}>
          {t("screen.odds.the_survey")}
        </Button>
      </Row>
      {instead && <Quiet role="status">{t("screen.odds.drawn_is_a_truth", { count: instead.length })}</Quiet>}
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
    </>
  );
}
