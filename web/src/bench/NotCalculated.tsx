import type { Problem } from "../api/document";
import { t } from "../i18n/texts";
import { Notice } from "./Unsaved";

/** Why the numbers shown are those of an earlier state of the draft. */
export function NotCalculated({ problem }: { problem: Problem }) {
  const badInput = problem.status > 0 && problem.status < 500;
  return (
    <Notice role="alert">
      <p>
        {badInput
          ? t("screen.bench.not_reckoned_the_numbers_are_of", { value: problem.errors?.[0]?.detail ?? problem.detail })
          : problem.detail}
      </p>
    </Notice>
  );
}
