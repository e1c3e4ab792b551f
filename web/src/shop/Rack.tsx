import { Fragment, useEffect, useMemo, useRef, useState } from "react";
import { Input, SearchField } from "react-aria-components";
import { NavLink } from "react-router";
import styled from "styled-components";
import type { RackPlace, Shop } from "../api/document";
import { t } from "../i18n/texts";
import { focusRing, ink } from "../kit/theme";
import { AT_A_GLANCE, found, rackGroups } from "./rackGroups";
import { Standing } from "./Standing";

const Strip = styled.header`
  display: grid;
  grid-template-columns: auto auto minmax(0, 1fr) auto;
  border-bottom: 2px solid ${ink.ink};
  min-height: 0;
  @media (max-width: 600px) {
    grid-template: "house house corner" 88px "new places places" 88px / auto minmax(0, 1fr) auto;
    > a {
      grid-area: new;
      border-top: 1px solid ${ink.rule};
    }
    > div:first-child {
      grid-area: house;
    }
    > nav {
      grid-area: places;
      border-left: 0;
      border-top: 1px solid ${ink.rule};
    }
    > div:last-child {
      grid-area: corner;
    }
  }
`;

const House = styled.div`
  padding: 12px 14px 10px 22px;
  display: grid;
  align-content: center;
  h1 {
    font-size: 19px;
    font-weight: 750;
    line-height: 1.1;
  }
  p {
    font-size: 14px;
    color: ${ink.quiet};
  }
`;

const New = styled(NavLink)`
  width: 50px;
  display: grid;
  place-content: center;
  justify-items: center;
  font-size: 14px;
  line-height: 1.2;
  text-decoration: none;
  color: ${ink.moss};
  border-left: 1px solid ${ink.rule};
  span {
    font-size: 26px;
    line-height: 1;
    font-weight: 700;
  }
  &.active {
    background: ${ink.moss};
    color: ${ink.onMoss};
  }
  &:focus-visible {
    outline: 3px solid ${ink.ochre};
    outline-offset: -3px;
  }
`;

const Places = styled.nav`
  display: flex;
  overflow-x: auto;
  scrollbar-width: thin;
  border-left: 1px solid ${ink.rule};
`;

const Find = styled(SearchField)`
  position: sticky;
  left: 0;
  z-index: 1;
  flex: none;
  width: 112px;
  display: grid;
  align-content: center;
  padding: 0 8px;
  background: ${ink.ground};
  border-right: 1px solid ${ink.rule};
  input {
    min-height: 44px;
    min-width: 0;
    padding: 0 8px;
    border: 1px solid ${ink.slate};
    background: ${ink.paper};
    ${focusRing}
  }
`;

const Group = styled.div`
  flex: none;
  display: grid;
  align-content: center;
  padding: 0 8px;
  font-size: 14px;
  line-height: 1.2;
  background: ${ink.paper};
  border-right: 1px solid ${ink.rule};
  border-left: 2px solid ${ink.ink};
  strong {
    font-size: 18px;
  }
`;

const Bare = styled.p`
  align-self: center;
  padding: 0 22px;
  color: ${ink.quiet};
`;

/** Every blank as its own silhouette with what it is at: a ring that closes as its wait runs out, a mark where it is late, else a
 * notch. More than one sees at a glance are grouped by state, and found by number, word or state. */
export function Rack({
  shop,
  current,
  seeking,
  children,
}: {
  shop: Shop;
  current: number | undefined;
  /** Digits typed so far on the way to a number. */ seeking: string;
  children: React.ReactNode;
}) {
  const here = useRef<HTMLAnchorElement>(null);
  useEffect(() => {
    // Newer browsers answer with a promise, which must not become the effect's clean-up.
    void here.current?.scrollIntoView({ block: "nearest", inline: "nearest" });
  }, [current]);
  const [sought, setSought] = useState("");
  const many = shop.rack.length > AT_A_GLANCE;
  const groups = useMemo(() => (many ? rackGroups(found(shop.rack, sought)) : []), [many, shop.rack, sought]);
  const shown = (place: RackPlace) => (
    <Standing key={place.id} place={place} here={place.id === current ? here : undefined} />
  );
  return (
    <Strip>
      <House>
        <h1>
          {t("screen.shop.mossy")}
          <br />
          {t("screen.shop.anvil")}
        </h1>
        <p role={seeking ? "status" : undefined}>
          {seeking ? <strong>{t("screen.shop.to_no", { seeking })}</strong> : shop.name}
        </p>
      </House>
      <New to="/new" aria-label={t("screen.shop.take_in_a_new_blank")}>
        <span>+</span>
        {t("screen.shop.new")}
      </New>
      <Places aria-label={t("screen.shop.rack")}>
        {shop.rack.length === 0 && <Bare>{t("screen.shop.nothing_on_the_rack_yet")}</Bare>}
        {many ? (
          <>
            <Find aria-label={t("screen.shop.find_a_piece")} value={sought} onChange={setSought}>
              <Input placeholder={t("screen.shop.find")} />
            </Find>
            {groups.length === 0 && <Bare role="status">{t("screen.shop.no_piece_like_that")}</Bare>}
            {groups.map(({ key, name, places }) => (
              <Fragment key={key}>
                <Group>
                  <strong>{places.length}</strong>
                  {name}
                </Group>
                {places.map(shown)}
              </Fragment>
            ))}
          </>
        ) : (
          shop.rack.map(shown)
        )}
      </Places>
      {children}
    </Strip>
  );
}
