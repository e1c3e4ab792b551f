import styled from "styled-components";
import type { Assessment } from "../api/document";
import { Button } from "../kit/Button";
import { Sentence } from "../kit/Says";
import { ink } from "../kit/theme";
import type { Station } from "../stations/Docket";

const Strip = styled.footer`
  display: flex;
  align-items: center;
  gap: 20px;
  padding: 6px 22px;
  min-height: 56px;
  background: ${ink.strip};
  color: ${ink.onStrip};
  font-size: 17px;
  > .next { color: #c8dbb4; font-weight: 700; }
  > p { flex: 1; }
  button { background: #c8dbb4; border-color: #c8dbb4; color: #1c2118; }
`;

const ACTIONS: Record<Assessment["next_move"]["action"], { word: string; station: Station }> = {
  weigh: { word: "Log the weight", station: "mend" }, mend: { word: "Open the mend", station: "mend" }, log_cut: { word: "Log the cut", station: "log" },
  draw_form: { word: "Open the form", station: "form" }, survey: { word: "Open the survey", station: "survey" },
};

/** One sentence, one button: what to do now, or what it waits for. */
export function NextMove({ move, onGo }: { move: Assessment["next_move"]; onGo: (station: Station) => void }) {
  const { word, station } = ACTIONS[move.action];
  return (
    <Strip aria-label="Next move">
      <span className="next">{move.ready ? "Next" : "Waits"}</span>
      <p><Sentence text={move.text} values={move.values} /></p>
      <Button onPress={() => onGo(station)}>{word}</Button>
    </Strip>
  );
}
