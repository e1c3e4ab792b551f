import { useQuery } from "@tanstack/react-query";
import { useCallback, useContext, useEffect, useMemo, useState } from "react";
import { Navigate, Route, Routes, useNavigate, useParams } from "react-router";
import styled from "styled-components";
import { api } from "./api/client";
import type { Shop } from "./api/document";
import { Bench } from "./bench/Bench";
import { CardPage } from "./card/CardPage";
import { Broken } from "./kit/Broken";
import { showMoneyIn } from "./kit/measure";
import { GlobalStyle } from "./kit/theme";
import { OutboxNotice } from "./kit/OutboxNotice";
import { Units } from "./kit/Units";
import { useSent } from "./kit/useOutbox";
import { useChanges } from "./kit/useChanges";
import { useKept } from "./kit/useKept";
import { useKey } from "./kit/useKey";
import { Waiting } from "./kit/Waiting";
import { Board } from "./board/Board";
import { Door } from "./door/Door";
import { Pair } from "./door/Pair";
import { LedgerRoom } from "./ledger/LedgerRoom";
import { RecordPage } from "./ledger/RecordPage";
import { PracticeRoom } from "./practice/PracticeRoom";
import { RehearsalPage } from "./rehearsal/RehearsalPage";
import { Corner, LIGHTS } from "./shop/Corner";
import { FirstSteps } from "./shop/FirstSteps";
import { KeySheet } from "./shop/KeySheet";
import { NewBlank } from "./shop/newBlank/NewBlank";
import { Rack } from "./shop/Rack";
import { ShopRoom } from "./shop/ShopRoom";
import { StoresRoom } from "./stores/StoresRoom";
import { PIECE_VIEWS, PieceView } from "./piece/PieceView";
import { useNumberKeys } from "./shop/useNumberKeys";
import { STATIONS, type Station } from "./bench/Docket";
import { t } from "./i18n/texts";

const Frame = styled.div`
  height: 100dvh;
  display: grid;
  grid-template-rows: 88px auto minmax(0, 1fr);
  > :last-child {
    grid-row: 3;
    min-height: 0;
  }
  @media (max-width: 900px) {
    height: auto;
    min-height: 100dvh;
    grid-template-rows: auto auto minmax(0, 1fr);
  }
`;

const ROOMS = ["/shop", "/new", "/board", "/stores", "/ledger", "/practice"] as const;
const PAGES = { card: CardPage, record: RecordPage, "rehearsal/:rehearsal": RehearsalPage } as const;
const LENGTHS = ["mm", "in"] as const;

/** The shop: rack above, one blank on the bench. */
export function App() {
  const [unit, toggle] = useKept("length-unit", LENGTHS);
  const [light, dim] = useKept("light", LIGHTS);
  const [view, toggleView] = useKept("piece view", PIECE_VIEWS);
  const [keys, showKeys] = useState(false);
  const pieceView = useMemo(() => ({ view, toggle: toggleView }), [view, toggleView]);
  const units = useMemo(() => ({ unit, toggle }), [unit, toggle]);
  useEffect(() => {
    if (light === "as set") delete document.documentElement.dataset["light"];
    else document.documentElement.dataset["light"] = light;
  }, [light]);
  useKey({ u: toggle, n: dim, "?": () => showKeys((was) => !was) });
  const corner = <Corner unit={unit} onUnit={toggle} light={light} onLight={dim} onKeys={() => showKeys(true)} />;
  return (
    <Units value={units}>
      <GlobalStyle />
      <Broken>
        <PieceView value={pieceView}>
          <Routes>
            <Route path="/pair" element={<Pair />} />
            {["/", "/blanks/:id", "/blanks/:id/:station"].map((path) => (
              <Route key={path} path={path} element={<ShopFrame corner={corner} />} />
            ))}
            {ROOMS.map((path) => (
              <Route key={path} path={path} element={<ShopFrame room={path} corner={corner} />} />
            ))}
            {(Object.keys(PAGES) as (keyof typeof PAGES)[]).map((page) => (
              <Route key={page} path={`/blanks/:id/${page}`} element={<ShopFrame page={page} corner={corner} />} />
            ))}
            <Route path="*" element={<Navigate to="/" replace />} />
          </Routes>
        </PieceView>
      </Broken>
      {keys && <KeySheet onClose={() => showKeys(false)} />}
    </Units>
  );
}

type FrameProps = { room?: (typeof ROOMS)[number]; page?: keyof typeof PAGES; corner: React.ReactNode };

/** The shop to whoever is in. */
const ShopFrame = (props: FrameProps) => (
  <Door>
    <OpenShop {...props} />
  </Door>
);

function OpenShop({ room, page, corner }: FrameProps) {
  useChanges();
  useSent();
  const { id, rehearsal } = useParams();
  const Page = page && PAGES[page];
  const shop = useQuery({ queryKey: ["shop"], queryFn: api.shop, refetchInterval: 60_000 });
  if (!shop.data)
    return (
      <Waiting
        what={t("screen.app.opening_the_shop")}
        problem={shop.error?.message}
        onAgain={() => void shop.refetch()}
      />
    );
  showMoneyIn(shop.data.currency);
  const first = shop.data.rack[0];
  if (!id && !room) return <Navigate to={first ? `/blanks/${first.id}` : "/shop"} replace />;
  return (
    <Frame>
      <RackWithKeys shop={shop.data} current={room ? undefined : Number(id)} corner={corner} />
      <div>
        <FirstSteps shop={shop.data} />
        <OutboxNotice />
      </div>
      {room ? (
        <ShopRooms room={room} shop={shop.data} />
      ) : Page ? (
        <Page key={rehearsal ?? id} />
      ) : (
        <OnBench key={id} id={Number(id)} />
      )}
    </Frame>
  );
}

function ShopRooms({ room, shop }: { room: (typeof ROOMS)[number]; shop: Shop }) {
  if (room === "/new") return <NewBlank shop={shop} />;
  if (room === "/board") return <Board shop={shop} />;
  if (room === "/ledger") return <LedgerRoom />;
  if (room === "/practice") return <PracticeRoom />;
  return room === "/stores" ? <StoresRoom /> : <ShopRoom shop={shop} />;
}

/** The rack, and the keys that go along it. */
function RackWithKeys({ shop, current, corner }: { shop: Shop; current: number | undefined; corner: React.ReactNode }) {
  const go = useNavigate();
  const places = shop.rack.map((place) => place.id);
  const step = (by: number) => {
    const next = places[(places.indexOf(current ?? -1) + by + places.length) % places.length];
    if (next !== undefined) void go(`/blanks/${next}`);
  };
  useKey({ "[": () => step(-1), "]": () => step(1) });
  const { toggle: toggleView } = useContext(PieceView);
  const typed = useNumberKeys((number) => {
    const there = shop.rack.find((place) => place.number === number);
    if (there) void go(`/blanks/${there.id}`);
    // The key of the 3-D view, where no blank has that number.
    else if (number === 3) toggleView();
  });
  return (
    <Rack shop={shop} current={current} seeking={typed}>
      {corner}
    </Rack>
  );
}

function OnBench({ id }: { id: number }) {
  const { station } = useParams();
  const go = useNavigate();
  const onStation = useCallback((next: Station) => void go(`/blanks/${id}/${next}`), [go, id]);
  const blank = useQuery({ queryKey: ["blank", id], queryFn: () => api.blank(id), refetchOnWindowFocus: false });
  if (!blank.data)
    return (
      <Waiting
        what={t("screen.app.putting_it_on_the_bench")}
        problem={blank.error?.message}
        onAgain={() => void blank.refetch()}
      />
    );
  const here: Station = station && station in STATIONS ? (station as Station) : "survey";
  return <Bench kept={blank.data} station={here} onStation={onStation} />;
}
