import { api } from "../../../api/client";
import type { Odds, Route } from "../../../api/document";
import { useBlank } from "../../../draft/contexts";
import { messageText, t } from "../../../i18n/texts";
import { Button } from "../../../kit/Button";
import { Fault, Heading, Ticket } from "../../../kit/parts";
import { TaskProgress } from "../../../kit/TaskProgress";
import { useUnit } from "../../../kit/Units";
import { useTask } from "../../../kit/useTask";
import { useWayOdds, type KeptOdds } from "../wayOdds";
import { inHundred } from "./inHundred";

type Chance = Odds["sound"];

/** The other ways there are, played on the same truths, beside the one taken. */
export function Others({ route, taken }: { route: Route; taken: KeptOdds }) {
  const { document } = useBlank();
  const unit = useUnit();
  const { busy, task, problem, run, cancel } = useTask();
  const { ways: shares, keepWays, asked } = useWayOdds();
  const known = shares.of === asked ? shares.sound : {};
  const [first, ...others] = route.alternatives;
  const left = others.filter(({ key }) => !known[key]);
  const playNext = async (ways: typeof left, sound: Record<string, Chance>): Promise<void> => {
    const [way, ...rest] = ways;
    if (!way) return;
    let next: Record<string, Chance> | undefined;
    await run(
      () => api.askOdds({ ...document, route: { ...document.route, choices: way.choices } }, false),
      (ended) => {
        next = { ...sound, [way.key]: (ended.result as Odds).sound };
        keepWays({ of: asked, sound: next });
      },
    );
    if (next) await playNext(rest, next);
  };
  const row = (name: string, chance: Chance | undefined) => (
    <tr key={name}>
      <th scope="row">{name}</th>
      <td className="number">
        {chance && <strong>{t("screen.odds.in_100", { share: inHundred(chance.share) })}</strong>}
      </td>
      <td className="number">
        {chance && t("screen.odds.between", { low: inHundred(chance.low), high: inHundred(chance.high) })}
      </td>
    </tr>
  );
  return (
    <>
      <Heading>{t("screen.odds.ways")}</Heading>
      <Ticket aria-label={t("screen.odds.ways")}>
        <tbody>
          {first && row(messageText(first.name, unit), taken.of === asked ? taken.odds.sound : undefined)}
          {others.map(({ key, name }) => row(messageText(name, unit), known[key]))}
        </tbody>
      </Ticket>
      {left.length > 0 && (
        <Button isDisabled={busy} onPress={() => void playNext(left, known)}>
          {t("screen.odds.play_others", { count: left.length })}
        </Button>
      )}
      <TaskProgress
        task={task}
        label={t("screen.odds.playing")}
        said={task && task.of > 0 ? t("screen.odds.played", { done: task.done, of: task.of }) : undefined}
        onCancel={cancel}
      />
      {problem && <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>}
    </>
  );
}
