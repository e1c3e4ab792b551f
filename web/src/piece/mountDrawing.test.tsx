// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, expect, test } from "vitest";
import type { Mount } from "../api/document";
import { MountDrawing } from "./MountDrawing";

afterEach(cleanup);

const tenon: Mount = {
  key: "tenon",
  verdict: "holds",
  hold_nm: 40,
  need_nm: 8,
  margin: 5,
  size_mm: 75,
  limit_rpm: null,
  says: [],
  wood_lost_mm: 0,
  drawn: [
    { part: "wood", z_mm: [-6, 0], r_mm: [0, 37.5] },
    { part: "steel", z_mm: [-22, 0], r_mm: [37.5, 49.5] },
  ],
};
const bowl = {
  outside: [
    [0, 40],
    [60, 90],
  ],
  inside: [
    [10, 0],
    [60, 82],
  ],
  opensAtTail: true,
};

const drawn = (tailstock: "tail" | null) =>
  render(
    <MountDrawing
      mount={tenon}
      tailstock={tailstock}
      lengthMm={60}
      radiusMm={undefined}
      form={bowl}
      name="tenon in jaws"
    />,
  );

test("says what is drawn, how large, and where the tailstock is", () => {
  drawn("tail");
  expect(screen.getByRole("img").getAttribute("aria-label")).toBe(
    "tenon in jaws, 75 mm, drawn to scale in the section. The tailstock is up.",
  );
});

test("draws every part above and below the axis, true to one scale", () => {
  const { container } = drawn(null);
  const boxes = [...container.querySelectorAll("rect")].map((box) => ({
    high: Number(box.getAttribute("height")),
    wide: Number(box.getAttribute("width")),
  }));
  expect(boxes).toHaveLength(4);
  const [wood, , jaw] = boxes;
  expect((wood?.high ?? 0) / (jaw?.high ?? 1)).toBeCloseTo(37.5 / 12, 2);
  expect((wood?.wide ?? 0) / (jaw?.wide ?? 1)).toBeCloseTo(6 / 22, 2);
});
