import type { SetOuts } from "../../api/document";
import { t } from "../../i18n/texts";
import { amountText, type LengthUnit } from "../../kit/measure";

/** What is marked, bored and left, each with its name, what is said of it and where its working is ("" for none). */
export function rowsOf(
  { depths, sphere, feet, ring, lid, insert, drill, hole }: SetOuts,
  unit: LengthUnit,
): [string, string, string][] {
  const mm = (value: number) => amountText(value, "mm", unit);
  return [
    ...(depths
      ? ([
          [
            t("screen.form.hollow_to"),
            t("screen.form.from_the_rim_leaving_of_floor", { mm: mm(depths.hollow_mm), mm_2: mm(depths.floor_mm) }),
            "",
          ],
          [
            t("screen.form.mark_on_a_bit"),
            t("screen.form.from_its_cutting_edge_3_mm", { mm: mm(depths.bit_mark_mm) }),
            "depths/bit_mark_mm",
          ],
        ] satisfies [string, string, string][])
      : []),
    ...(sphere
      ? ([
          [
            t("screen.form.flats_of_the_eight_sided_stage"),
            t("screen.form.from_off_either_end_long", {
              mm: mm(sphere.facet_start_mm),
              mm_2: mm(sphere.facet_length_mm),
            }),
            "sphere/facet_start_mm",
          ],
          [t("screen.form.neck_left_to_hold_it"), mm(sphere.neck_mm), ""],
        ] satisfies [string, string, string][])
      : []),
    ...(feet
      ? ([
          [
            t("screen.form.feet_2", { count: feet.count }),
            t("screen.form.from_foot_to_foot_on_a", { mm: mm(feet.chord_mm), mm_2: mm(2 * feet.radius_mm) }),
            "feet/chord_mm",
          ],
        ] satisfies [string, string, string][])
      : []),
    ...(ring
      ? ([
          [
            t("screen.form.ring"),
            t("screen.form.bore_size_by_the_length_round", {
              mm: mm(ring.bore_mm),
              to_fixed: ring.iso_size.toFixed(0),
              to_fixed_2: ring.core_mm.toFixed(2),
            }),
            "ring/core_mm",
          ],
        ] satisfies [string, string, string][])
      : []),
    ...(lid
      ? ([
          [
            t("screen.form.lid"),
            t("screen.form.the_mouth_moves_mm_with_the", {
              join: lid.fits.map(({ name, spigot_mm }) => `${name} ${spigot_mm.toFixed(2)} mm`).join(" · "),
              to_fixed: lid.moves_mm.toFixed(1),
            }),
            "lid/moves_mm",
          ],
        ] satisfies [string, string, string][])
      : []),
    ...(insert
      ? ([
          [
            t("screen.form.thread", { thread: insert.thread }),
            t("screen.form.drill_mm_deep_by_hand_or", {
              to_fixed: insert.drill_mm.toFixed(2),
              mm: mm(insert.depth_mm),
            }),
            "insert/drill_mm",
          ],
        ] satisfies [string, string, string][])
      : []),
    [
      t("screen.form.a_bit", { mm: mm(drill.bit_mm) }),
      t("screen.form.to_never_over_its_own_rating", {
        from_rpm: amountText(drill.from_rpm, "rpm", unit),
        to_rpm: amountText(drill.to_rpm, "rpm", unit),
        mm: mm(drill.clear_mm),
        value: drill.pilot ? t("screen.form.a_pilot_hole_first") : "",
      }),
      "drill/from_rpm",
    ],
    ...(hole
      ? ([
          [
            t("screen.form.hole"),
            t(hole.left_mm > 0 ? "screen.form.hole_says" : "screen.form.hole_through", {
              across: mm(hole.across_mm),
              deep: mm(hole.deep_mm),
              wall: mm(hole.wall_mm),
              left: mm(hole.left_mm),
            }),
            "",
          ],
        ] satisfies [string, string, string][])
      : []),
  ];
}
