import { useContext } from "react";
import styled from "styled-components";
import type { Assessment, Document } from "../api/document";
import type { DraftHandle } from "../draft/useDraft";
import type { Sits } from "../draft/useTurned";
import { t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { amountText } from "../kit/measure";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { PieceView } from "../piece/PieceView";
import { lastMassG } from "../piece/weight";

const Title = styled.div`
  display: flex;
  align-items: center;
  gap: 4px 14px;
  flex-wrap: wrap;
  min-height: 44px;
  h2 {
    font-size: 22px;
    font-weight: 750;
  }
  .facts {
    color: ${ink.quiet};
    flex: 1;
  }
  .settling {
    opacity: 0.6;
  }
  @media (max-width: 600px) {
    h2 {
      flex: 1;
    }
    .facts {
      flex: 1 0 100%;
      order: 9;
    }
  }
`;

/** Wood, size, mass and water of the blank, in one line. */
function useFacts(document: Document, assessment: Assessment): string {
  const unit = useUnit();
  const mm = (value: number) => amountText(value, "mm", unit).replace(" mm", "");
  const { shape } = document;
  const size =
    shape.type === "disc"
      ? `⌀${mm(shape.diameter_mm)} × ${mm(shape.length_mm)}`
      : shape.type === "block"
        ? `${mm(shape.width_mm)} × ${mm(shape.height_mm)} × ${mm(shape.length_mm)}`
        : t("screen.bench.long", { mm: mm(assessment.geometry.length_mm) });
  const water = assessment.drying ? ` · ${amountText(assessment.drying.moisture_pct, "%", unit)}` : "";
  return `${document.material.species} · ${size} · ${amountText(lastMassG(document, assessment), "g", unit)}${water}`;
}

const nameOf = (who: string | null) => who ?? t("screen.bench.another_screen");

type Props = {
  draft: DraftHandle;
  /** False while the numbers still belong to the state before. */
  settled: boolean;
  assessment: Assessment;
  sits: Sits;
  onSave: () => void;
  /** Who else is at it: names, null of whoever has none. */
  others: (string | null)[];
};

/** Name and facts of the blank, with undo, redo and save. */
export function TitleBar({ draft, settled, assessment, sits, onSave, others }: Props) {
  const { document } = draft;
  const facts = useFacts(document, assessment);
  const { view, toggle } = useContext(PieceView);
  return (
    <Title>
      <h2>
        {document.number} {document.name}
      </h2>
      {others.length > 0 && (
        <span
          role="status"
          title={others.map(nameOf).join(t("lists.comma"))}
          style={{ color: ink.moss, fontWeight: 650 }}
        >
          {t("screen.bench.here_too", {
            who: others.map((one) => nameOf(one).split(" ", 1)[0]).join(t("lists.comma")),
          })}
        </span>
      )}
      {draft.behind && <span style={{ color: ink.rust, fontWeight: 650 }}>{t("screen.bench.changed_elsewhere")}</span>}
      <span className={settled ? "facts" : "facts settling"}>
        {facts}
        {sits === "reversed" && ` ${t("screen.bench.turned_end_for_end")}`}
      </span>
      <Button $kind="quiet" aria-keyshortcuts="3" onPress={toggle}>
        {view === "round" ? t("screen.piece.show_drawings") : t("screen.piece.show_3d")}
      </Button>
      {draft.canUndo && (
        <Button $kind="quiet" onPress={draft.undo}>
          {t("screen.bench.undo")}
        </Button>
      )}
      {draft.canRedo && (
        <Button $kind="quiet" onPress={draft.redo}>
          {t("screen.bench.redo")}
        </Button>
      )}
      {draft.dirty ? (
        <Button $kind="go" onPress={onSave}>
          {t("screen.bench.save")}
        </Button>
      ) : (
        <span style={{ color: ink.quiet, padding: "0 6px" }}>{t("screen.bench.saved")}</span>
      )}
    </Title>
  );
}
