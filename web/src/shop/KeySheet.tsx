import styled from "styled-components";
import { Button } from "../kit/Button";
import { ink } from "../kit/theme";
import { useKey } from "../kit/useKey";

const KEYS: [string, [string, string][]][] = [
  [
    "Anywhere",
    [
      ["[  ]", "the blank before, the blank after"],
      ["31", "digits: straight to that number"],
      ["u", "millimetres or inches"],
      ["n", "day, night, or as the machine has it"],
      ["?", "this sheet"],
      ["Tab", "on to the next thing"],
    ],
  ],
  [
    "On the bench",
    [
      ["s", "save, also Ctrl-S in a field"],
      ["z", "undo, also Ctrl-Z"],
      ["Ctrl-Y", "redo"],
      ["1 2 …", 'in a field: 60 · 6 cm · 2 3/8" · half past four'],
      ["Enter", "take what was typed"],
      ["Esc", "put the tool down, or give the field its old value back"],
    ],
  ],
  [
    "On a drawing",
    [
      ["Enter", "choose the defect"],
      ["← →", "turn it, the hand, or slide the z line"],
      ["↑ ↓", "along the axis"],
      ["Delete", "take the chosen defect out"],
    ],
  ],
  [
    "On a card",
    [
      ["Space", "tick, or start the clock; a pedal’s Page Down too"],
      ["Page Up", "the line before"],
      ["← →", "look back, look on"],
    ],
  ],
  ["At the stations", [["← →", "on the names: from station to station"]]],
];

const Sheet = styled.aside`
  position: fixed;
  z-index: 5;
  inset: 0 0 0 auto;
  width: min(480px, 100vw);
  overflow-y: auto;
  padding: 18px 24px 28px;
  background: ${ink.paper};
  border-left: 2px solid ${ink.ink};
  header {
    display: flex;
    justify-content: space-between;
    align-items: center;
  }
  h2 {
    font-size: 20px;
  }
  h3 {
    margin: 18px 0 4px;
    font-size: 14px;
    color: ${ink.quiet};
  }
  dl {
    display: grid;
    grid-template-columns: 92px 1fr;
    gap: 0 14px;
  }
  dt,
  dd {
    margin: 0;
    padding: 7px 0;
    border-top: 1px solid ${ink.rule};
  }
  dt {
    font-weight: 700;
  }
`;

/** What every key does. */
export function KeySheet({ onClose }: { onClose: () => void }) {
  useKey({ Escape: onClose });
  return (
    <Sheet aria-label="Keys">
      <header>
        <h2>Keys</h2>
        <Button onPress={onClose} autoFocus>
          Close
        </Button>
      </header>
      {KEYS.map(([place, keys]) => (
        <section key={place}>
          <h3>{place}</h3>
          <dl>{keys.flatMap(([key, does]) => [<dt key={key}>{key}</dt>, <dd key={`${key} does`}>{does}</dd>])}</dl>
        </section>
      ))}
    </Sheet>
  );
}
