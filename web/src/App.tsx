import { useQuery } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import { Navigate, Route, Routes, useNavigate, useParams } from "react-router";
import styled from "styled-components";
import { api } from "./api/client";
import type { Shop } from "./api/document";
import { Bench, Waiting } from "./bench/Bench";
import { Button } from "./kit/Button";
import type { LengthUnit } from "./kit/measure";
import { GlobalStyle } from "./kit/theme";
import { Units } from "./kit/Units";
import { Rack } from "./shop/Rack";
import { STATIONS, type Station } from "./stations/Docket";

const Frame = styled.div`
  height: 100dvh;
  display: grid;
  grid-template-rows: 88px minmax(0, 1fr);
  @media (max-width: 900px) { height: auto; min-height: 100dvh; }
`;

const Corner = styled.div`
  display: grid;
  align-content: center;
  padding: 0 6px;
`;

const UNIT_PLACE = "length-unit";

/** The shop: rack above, one blank on the bench. */
export function App() {
  const [unit, setUnit] = useState<LengthUnit>(() => (localStorage.getItem(UNIT_PLACE) === "in" ? "in" : "mm"));
  const units = useMemo(() => ({ unit, toggle: () => setUnit((was) => (was === "mm" ? "in" : "mm")) }), [unit]);
  useEffect(() => {
    localStorage.setItem(UNIT_PLACE, unit);
  }, [unit]);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.closest("input, textarea") !== null;
      if (event.key === "u" && !typing && !event.ctrlKey && !event.metaKey) units.toggle();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [units]);
  return (
    <Units value={units}>
      <GlobalStyle />
      <Routes>
        <Route path="/" element={<Floor />} />
        <Route path="/blanks/:id" element={<Floor />} />
        <Route path="/blanks/:id/:station" element={<Floor />} />
        <Route path="*" element={<Navigate to="/" replace />} />
      </Routes>
    </Units>
  );
}

function Floor() {
  const { id } = useParams();
  const shop = useQuery({ queryKey: ["shop"], queryFn: api.shop, refetchInterval: 60_000 });
  if (!shop.data) return <Waiting problem={shop.error?.message ?? "Opening the shop …"} />;
  if (!id) return shop.data.rack[0] ? <Navigate to={`/blanks/${shop.data.rack[0].id}`} replace /> : <Room shop={shop.data}><Waiting problem="The rack is empty." /></Room>;
  return <Room shop={shop.data} current={Number(id)}><OnBench key={id} id={Number(id)} shop={shop.data} /></Room>;
}

function Room({ shop, current, children }: { shop: Shop; current?: number; children: React.ReactNode }) {
  return (
    <Frame>
      <Rack shop={shop} current={current}>
        <Corner><Units.Consumer>{({ unit, toggle }) => <Button $kind="quiet" onPress={toggle} aria-label={`Lengths in ${unit === "mm" ? "millimetres" : "inches"}; change`}><span style={{ opacity: unit === "mm" ? 1 : 0.5 }}>mm</span>&ensp;|&ensp;<span style={{ opacity: unit === "in" ? 1 : 0.5 }}>in</span></Button>}</Units.Consumer></Corner>
      </Rack>
      {children}
    </Frame>
  );
}

function OnBench({ id, shop }: { id: number; shop: Shop }) {
  const { station } = useParams();
  const go = useNavigate();
  const blank = useQuery({ queryKey: ["blank", id], queryFn: () => api.blank(id), refetchOnWindowFocus: false });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const by = { "[": -1, "]": 1 }[event.key];
      const typing = event.target instanceof HTMLElement && event.target.closest("input, textarea") !== null;
      if (by === undefined || typing) return;
      const places = shop.rack.map((place) => place.id);
      const next = places[(places.indexOf(id) + by + places.length) % places.length];
      if (next !== undefined) void go(`/blanks/${next}`);
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [go, id, shop.rack]);
  if (!blank.data) return <Waiting problem={blank.error?.message} />;
  const here: Station = station && station in STATIONS ? (station as Station) : "survey";
  return <Bench kept={blank.data} station={here} onStation={(next) => void go(`/blanks/${id}/${next}`)} />;
}
