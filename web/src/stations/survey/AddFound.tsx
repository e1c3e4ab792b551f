import styled from "styled-components";
import { useDrawing, useSelection } from "../../draft/contexts";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Row } from "../../kit/parts";
import { ink } from "../../kit/theme";
import type { Tool } from "../../piece/edit";

const TOOLS: Record<Tool, string> = {
  crack: t("screen.survey.crack"),
  void: t("screen.survey.void"),
  soft_zone: t("screen.survey.soft_zone"),
  galleries: t("screen.survey.galleries"),
  bark_inclusion: t("screen.survey.bark"),
  loose_piece: t("screen.survey.loose_piece"),
  hard_inclusion: t("screen.survey.stone_or_knot"),
  resin_body: t("screen.survey.resin"),
  bubble_pocket: t("screen.survey.bubbles"),
  delamination: t("screen.survey.opened_glue_line"),
};
const drawnAlong = (tool: Tool) => tool === "crack" || tool === "bark_inclusion" || tool === "delamination";

const Pointing = styled.div`
  border: 2px solid ${ink.moss};
  padding: 10px 12px;
  margin: 10px 0;
`;

/** How more is put down: what it is first, then where. */
export function AddFound() {
  const selection = useSelection();
  const drawing = useDrawing();
  if (selection.tool) {
    const tool = selection.tool;
    return (
      <Pointing role="status">
        <p>
          <strong>{TOOLS[tool]}:</strong>{" "}
          {drawnAlong(tool)
            ? t("screen.survey.draw_along_it_on_the_skin")
            : t("screen.survey.point_at_its_middle_on_the")}
        </p>
        <Row style={{ marginTop: 8 }}>
          <Button onPress={() => drawing.placeHere(tool)}>{t("screen.survey.put_it_at_the_hand")}</Button>
          <Button $kind="quiet" onPress={() => selection.take(undefined)}>
            {t("screen.survey.never_mind")}
          </Button>
        </Row>
      </Pointing>
    );
  }
  return (
    <Row style={{ marginTop: 16 }}>
      <span style={{ flex: "1 0 100%", fontWeight: 650 }}>{t("screen.survey.found_something")}</span>
      {(Object.keys(TOOLS) as Tool[]).map((tool) => (
        <Button key={tool} onPress={() => selection.take(tool)}>
          {TOOLS[tool]}
        </Button>
      ))}
    </Row>
  );
}
