// What is written on the unrolled skin: a line beside each defect, and what tests showed.
import { isPath, isTest, type Defect, type PathDefect } from "../api/document";
import { words } from "../i18n/texts";
import { ink } from "../kit/theme";
import { useUnit } from "../kit/Units";
import { calloutsIn, calloutText, type Box } from "./callouts";
import { fold, pathPoints } from "./geometry";
import { tagX, type At } from "./skinPlaces";
import type { Look } from "./types";
/** A line of text beside each defect's letter, where it hides neither a test nor the way of a crack. */
export function Callouts({ look, at, frame }: { look: Look; at: At; frame: Box }) {
  const unit = useUnit();
  const marks = look.document.defects.flatMap((defect) => {
    const [x, y] = letterPlace(look, defect, at);
    const mark = { id: defect.id, x, y, text: calloutText(defect, look.assessment, unit) };
    if (!isPath(defect)) return [mark];
    return defect.enters === "side" ? [{ ...mark, left: Math.min(...wayOf(look, defect, at).map(([px]) => px)) }] : [];
  });
  const tests = testsOnSkin(look).map(({ at: spot }): Box => {
    const [x, y] = at(fold(spot.clock_deg), spot.z_mm);
    return { x: x - 6, y: y - 8, wide: 40, high: 16 };
  });
  const ways = look.document.defects
    .filter((defect) => isPath(defect))
    .filter(({ enters }) => enters === "side")
    .flatMap((path) => wayOf(look, path, at))
    .map(([x, y]): Box => ({ x: x - 4, y: y - 4, wide: 8, high: 8 }));
  return (
    <g pointerEvents="none" fontSize="14" fill={ink.ink}>
      {calloutsIn(frame, marks, [...tests, ...ways]).map(({ id, x, y, anchor, text }) => (
        <text
          key={id}
          x={x}
          y={y}
          textAnchor={anchor}
          dominantBaseline="central"
          style={{ paintOrder: "stroke", stroke: ink.wood, strokeWidth: 4 }}
        >
          {text}
        </text>
      ))}
    </g>
  );
}

/** The places of a path as it is drawn. */
const wayOf = (look: Look, path: PathDefect, at: At) =>
  pathPoints(path, look.geometry).map(({ clockDeg, zMm }) => at(fold(clockDeg), zMm));

/** Where a defect's letter stands on the skin. */
function letterPlace(look: Look, defect: Defect, at: At): [number, number] {
  if (!isPath(defect)) {
    const [x, y] = at(fold(defect.centre.clock_deg), defect.centre.z_mm);
    return [tagX(at, x), y];
  }
  const places = pathPoints(defect, look.geometry);
  const middle = places[Math.floor(places.length / 2)] ?? { clockDeg: 0, zMm: 0 };
  const base = fold(places[0]?.clockDeg ?? 0) - (places[0]?.clockDeg ?? 0);
  const [x, y] = at(middle.clockDeg + base, middle.zMm);
  return [tagX(at, x + 15), y];
}

/** What is written beside a mark; a dull knock and a piece that moves are drawn as what they hint at. */
const SHOWN: Record<string, string> = words("screen.piece.test_shows", ["crumbles", "drinks", "glows"]);

/** The tests that are drawn: of the faces and of moisture none is. */
const testsOnSkin = (look: Look) =>
  (look.document.readings ?? [])
    .filter(isTest)
    .filter(({ kind, at: spot }) => kind !== "moisture" && spot.r_mm === undefined);

/** Where the side was tried, and what it showed; what was sound is a cross alone. */
export function TestMarks({ look, at }: { look: Look; at: At }) {
  const tests = testsOnSkin(look);
  return (
    <g pointerEvents="none" fontSize="13" fill={ink.ink} stroke="none">
      {tests.map((test, index) => {
        const [x, y] = at(fold(test.at.clock_deg), test.at.z_mm);
        const said = "found" in test ? SHOWN[test.found] : `${test.value}`;
        return (
          <g key={index}>
            <path d={`M${x - 4} ${y - 4}l8 8m0 -8l-8 8`} stroke={ink.ink} strokeWidth="1.5" />
            {said && (
              <text
                x={x + 7}
                y={y}
                dominantBaseline="central"
                style={{ paintOrder: "stroke", stroke: ink.wood, strokeWidth: 3 }}
              >
                {said}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
