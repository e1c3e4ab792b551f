import type { Rehearsal, RehearsalAct } from "../api/document";
import { t } from "../i18n/texts";
import { amountText } from "../kit/measure";
import type { useUnit } from "../kit/Units";

type Unit = ReturnType<typeof useUnit>;

/** What the button says that does the next act of the plan. */
export function nextText(state: Rehearsal["state"], next: RehearsalAct, unit: Unit): string {
  if (next.act === "speed") return t("screen.rehearsal.next.speed", { rpm: amountText(next.rpm ?? 0, "rpm", unit) });
  if (next.act === "cut") {
    const region = state.regions[next.region ?? 0];
    return t("screen.rehearsal.next.cut", { tool: t(`tables.tools.${region?.tool ?? ""}.name`) });
  }
  const wait = state.steps[state.at]?.wait_days;
  return wait
    ? t("screen.rehearsal.next.wait", { days: amountText(wait, "days", unit) })
    : t("screen.rehearsal.next.go_on");
}

/** What the strip below says of the step: its limit, or that it is done on the bench. */
export function footing(state: Rehearsal["state"], next: RehearsalAct | undefined, unit: Unit): string {
  const step = state.steps[state.at];
  if (state.ended || !step || !next) return t("screen.rehearsal.nothing_real_changes");
  if (step.turns_not) return t(`screen.rehearsal.turns_not.${step.turns_not}`);
  return step.limit_rpm > 0
    ? t("screen.rehearsal.limit", { rpm: amountText(step.limit_rpm, "rpm", unit) })
    : t("screen.rehearsal.on_the_bench");
}
