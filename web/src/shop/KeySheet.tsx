import styled from "styled-components";
import { Button } from "../kit/Button";
import { ink } from "../kit/theme";
import { useKey } from "../kit/useKey";
import { t } from "../i18n/texts";

const KEYS: [string, [string, string][]][] = [
  [
    t("screen.shop.anywhere"),
    [
      ["[  ]", t("screen.shop.the_blank_before_the_blank_after")],
      ["31", t("screen.shop.digits_straight_to_that_number")],
      ["u", t("screen.shop.millimetres_or_inches")],
      ["n", t("screen.shop.day_night_or_as_the_machine")],
      ["?", t("screen.shop.this_sheet")],
      ["Tab", t("screen.shop.on_to_the_next_thing")],
    ],
  ],
  [
    t("screen.shop.on_the_bench"),
    [
      ["s", t("screen.shop.save_also_ctrl_s_in_a")],
      ["z", t("screen.shop.undo_also_ctrl_z")],
      ["3", t("screen.shop.drawings_or_3d")],
      [t("screen.shop.ctrl_y"), "redo"],
      ["1 2 …", t("screen.shop.in_a_field_60_6_cm")],
      ["Enter", t("screen.shop.take_what_was_typed")],
      [t("screen.shop.esc"), t("screen.shop.put_the_tool_down_or_give")],
    ],
  ],
  [
    t("screen.shop.on_a_drawing"),
    [
      ["Enter", t("screen.shop.choose_the_defect")],
      ["← →", t("screen.shop.turn_it_the_hand_or_slide")],
      ["↑ ↓", t("screen.shop.along_the_axis")],
      ["Delete", t("screen.shop.take_the_chosen_defect_out")],
    ],
  ],
  [
    t("screen.rehearsal.at_the_screen_lathe"),
    [
      ["g", t("screen.rehearsal.keys.next")],
      ["+ −", t("screen.rehearsal.keys.speed")],
      ["o", t("screen.rehearsal.off")],
      [", .", t("screen.rehearsal.keys.turn")],
      ["k t a", t("screen.rehearsal.keys.tests")],
    ],
  ],
  [
    t("screen.shop.on_a_card"),
    [
      [t("screen.shop.space"), t("screen.shop.tick_or_start_the_clock_a")],
      [t("screen.shop.page_up"), t("screen.shop.the_line_before")],
      ["← →", t("screen.shop.look_back_look_on")],
    ],
  ],
  [
    t("screen.shop.at_the_stations"),
    [
      ["← →", t("screen.shop.on_the_names_from_station_to")],
      [",  .", t("screen.shop.section_before_or_after")],
    ],
  ],
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
    <Sheet aria-label={t("screen.shop.keys")}>
      <header>
        <h2>{t("screen.shop.keys")}</h2>
        <Button onPress={onClose} autoFocus>
          {t("screen.shop.close")}
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
