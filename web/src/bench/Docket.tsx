import { memo } from "react";
import { Tab, TabList, TabPanel, Tabs } from "react-aria-components";
import styled from "styled-components";
import { focusRing, ink } from "../kit/theme";
import { Finish } from "../stations/finish/Finish";
import { FormStation } from "../stations/form/FormStation";
import { Log } from "../stations/log/Log";
import { RouteStation } from "../stations/route/RouteStation";
import { MendStation } from "../stations/mend/MendStation";
import { Survey } from "../stations/survey/Survey";
import { Turn } from "../stations/turn/Turn";
import { t } from "../i18n/texts";

export const STATIONS = {
  route: t("screen.bench.route"),
  survey: t("screen.bench.survey"),
  form: t("screen.bench.form"),
  mend: t("screen.bench.mend"),
  turn: t("screen.bench.turn"),
  finish: t("screen.bench.finish"),
  log: t("screen.bench.log"),
} as const;
export type Station = keyof typeof STATIONS;
const ROOMS = {
  route: RouteStation,
  survey: Survey,
  form: FormStation,
  mend: MendStation,
  turn: Turn,
  finish: Finish,
  log: Log,
};

const Frame = styled(Tabs)`
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-height: 0;
  height: 100%;
  background: ${ink.paper};
`;

const Names = styled(TabList)`
  display: grid;
  grid-template-columns: repeat(7, 1fr);
  border-bottom: 1px solid ${ink.rule};
`;

const Name = styled(Tab)`
  min-height: 46px;
  display: grid;
  place-items: center;
  cursor: pointer;
  color: ${ink.quiet};
  border-top: 4px solid transparent;
  border-left: 1px solid ${ink.rule};
  &:first-child {
    border-left: 0;
  }
  ${focusRing}
  &[data-selected] {
    color: ${ink.ink};
    font-weight: 700;
    border-top-color: ${ink.moss};
    background: ${ink.ground};
  }
`;

const Room = styled(TabPanel)`
  overflow-y: auto;
  scrollbar-width: thin;
  position: relative;
  padding: 16px 22px 26px;
  ${focusRing}
`;

/** The job ticket of this blank, station by station in the order of the work. */
export const Docket = memo(function Docket({
  station,
  onStation,
}: {
  station: Station;
  onStation: (station: Station) => void;
}) {
  return (
    <Frame selectedKey={station} onSelectionChange={(key) => onStation(key as Station)}>
      <Names aria-label={t("screen.bench.stations")}>
        {(Object.keys(STATIONS) as Station[]).map((key) => (
          <Name key={key} id={key}>
            {STATIONS[key]}
          </Name>
        ))}
      </Names>
      {(Object.keys(STATIONS) as Station[]).map((key) => {
        const Own = ROOMS[key];
        return (
          <Room key={key} id={key}>
            <Own />
          </Room>
        );
      })}
    </Frame>
  );
});
