import { ProgressBar } from "react-aria-components";
import styled from "styled-components";
import type { Task } from "../api/document";
import { Button } from "./Button";
import { ink } from "./theme";
import { t } from "../i18n/texts";

const Bar = styled(ProgressBar)`
  display: flex;
  align-items: center;
  gap: 12px;
  margin: 10px 0;
  .track {
    flex: 1;
    max-width: 260px;
    height: 10px;
    border: 1px solid ${ink.slate};
  }
  .done {
    height: 100%;
    background: ${ink.moss};
  }
`;

/** How far a change is that the server works on by itself; nothing where none is under way. */
export function TaskProgress({
  task,
  label,
  said,
  onCancel,
}: {
  task: Task | undefined;
  label: string;
  /** In place of how many pieces are worked out. */
  said?: string | undefined;
  onCancel: () => void;
}) {
  if (!task) return null;
  const percent = task.of > 0 ? (100 * task.done) / task.of : 0;
  return (
    <Bar aria-label={label} value={percent} isIndeterminate={task.of === 0}>
      <div className="track">
        <div className="done" style={{ width: `${percent}%` }} />
      </div>
      <span role="status">
        {said ?? (task.of > 0 ? t("screen.kit.of_blanks", { done: task.done, of: task.of }) : t("screen.kit.starting"))}
      </span>
      <Button $kind="quiet" onPress={onCancel}>
        {t("screen.kit.cancel")}
      </Button>
    </Bar>
  );
}
