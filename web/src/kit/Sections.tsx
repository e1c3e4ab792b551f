import { useContext, useEffect, type ReactNode } from "react";
import { Tab, TabList, TabPanel, Tabs } from "react-aria-components";
import styled from "styled-components";
import type { Assessment } from "../api/document";
import { t } from "../i18n/texts";
import { SoughtPlace } from "./SoughtPlace";
import { focusRing, ink } from "./theme";
import { useKey } from "./useKey";

export type Section<Name extends string> = {
  key: Name;
  title: string;
  body: ReactNode;
  /** Next moves whose place is in here: asking for one opens it. */
  seeks?: Assessment["next_move"]["action"][];
};

const Names = styled(TabList)`
  display: flex;
  flex-wrap: wrap;
  gap: 0 4px;
  margin: 6px -22px 0;
  padding: 0 18px;
  border-bottom: 1px solid ${ink.rule};
`;

const Name = styled(Tab)`
  min-height: 44px;
  display: grid;
  place-items: center;
  padding: 0 10px;
  cursor: pointer;
  color: ${ink.quiet};
  border-bottom: 4px solid transparent;
  margin-bottom: -1px;
  ${focusRing}
  &[data-selected] {
    color: ${ink.ink};
    font-weight: 700;
    border-bottom-color: ${ink.moss};
  }
`;

const Body = styled(TabPanel)`
  ${focusRing}
  padding-top: 4px;
  &[data-inert] {
    display: none;
  }
`;

/**
 * The named sections of a station, one open at a time; `,` and `.` open the one before and after.
 * What is not open stays as it is, so nothing typed is lost. A single section stands without a name.
 */
export function Sections<Name extends string>({
  sections,
  open,
  onOpen,
}: {
  sections: Section<Name>[];
  open: Name;
  onOpen: (name: Name) => void;
}) {
  const outer = useContext(SoughtPlace);
  const shown = sections.some(({ key }) => key === open) ? open : sections[0]?.key;
  const seeking = sections.find(({ seeks }) => outer.sought && seeks?.includes(outer.sought))?.key;
  useEffect(() => {
    if (seeking) onOpen(seeking);
  }, [seeking, onOpen]);
  const step = (by: number) => {
    const place = sections.findIndex(({ key }) => key === shown) + by;
    const next = sections[(place + sections.length) % sections.length];
    if (next) onOpen(next.key);
  };
  useKey({ ",": () => step(-1), ".": () => step(1) });
  if (sections.length === 1) return sections[0]?.body;
  return (
    <Tabs selectedKey={shown} onSelectionChange={(key) => onOpen(key as Name)}>
      <Names aria-label={t("screen.kit.sections")}>
        {sections.map(({ key, title }) => (
          <Name key={key} id={key}>
            {title}
          </Name>
        ))}
      </Names>
      {sections.map(({ key, body }) => (
        <Body key={key} id={key} shouldForceMount>
          {/* A place is looked for once its section is before the eye. */}
          <SoughtPlace.Provider value={key === shown ? outer : HIDDEN}>{body}</SoughtPlace.Provider>
        </Body>
      ))}
    </Tabs>
  );
}

const HIDDEN = { sought: undefined, found: () => undefined };
