import type { RefObject } from "react";
import { NavLink } from "react-router";
import styled from "styled-components";
import type { RackPlace } from "../api/document";
import { Unseen } from "../kit/parts";
import { ink } from "../kit/theme";
import { stateText } from "./stateText";

const Place = styled(NavLink)`
  position: relative;
  flex: 1 0 66px;
  max-width: 104px;
  display: grid;
  grid-template: "number shape" 44px "state state" 26px / 26px 1fr;
  align-content: center;
  padding: 0 4px 0 6px;
  gap: 2px 4px;
  text-decoration: none;
  color: inherit;
  border-right: 1px solid ${ink.rule};
  .number {
    grid-area: number;
    align-self: center;
    font-size: 18px;
    font-weight: 700;
  }
  .shape {
    grid-area: shape;
    width: 100%;
    height: 44px;
  }
  .state {
    grid-area: state;
    display: flex;
    align-items: center;
    gap: 4px;
    font-size: 14px;
    white-space: nowrap;
    svg {
      flex: none;
    }
  }
  --ring: ${ink.ochre};
  &.active {
    background: ${ink.moss};
    color: ${ink.onMoss};
    --ring: currentColor;
  }
  &:focus-visible {
    outline: 3px solid ${ink.ochre};
    outline-offset: -3px;
  }
`;

type Props = { place: RackPlace; here: RefObject<HTMLAnchorElement | null> | undefined };

/** A blank on the rack: its number, its silhouette with what it becomes in it, and its state. */
export function Standing({ place, here }: Props) {
  return (
    <Place to={`/blanks/${place.id}`} ref={here} title={place.name}>
      <span className="number">
        {place.number ?? "–"} <Unseen>{place.name}, </Unseen>
      </span>
      <Silhouette place={place} />
      <span className="state">
        {place.wait ? <Ring share={place.wait.share_done} /> : place.late_days !== null ? <Late /> : <Notch />}
        {stateText(place)}
      </span>
    </Place>
  );
}

function Silhouette({ place }: { place: RackPlace }) {
  const [wide, tall] = [46, 38];
  const outline = place.becomes ?? [];
  const length = Math.max(...place.silhouette.map(([z = 0]) => z), 1);
  const reach = Math.max(...place.silhouette.map(([, r = 0]) => r), 1);
  const scale = Math.min(wide / length, tall / (2 * reach));
  const at = (z: number, r: number) => `${(23 + (z - length / 2) * scale).toFixed(1)} ${(22 - r * scale).toFixed(1)}`;
  const upper = place.silhouette.map(([z = 0, r = 0]) => at(z, r));
  const lower = [...place.silhouette].reverse().map(([z = 0, r = 0]) => at(z, -r));
  const piece = [
    ...outline.map(([z = 0, r = 0]) => at(z, r)),
    ...[...outline].reverse().map(([z = 0, r = 0]) => at(z, -r)),
  ];
  return (
    <svg className="shape" viewBox="0 0 46 44" aria-hidden>
      <path
        d={`M${[...upper, ...lower].join("L")}Z`}
        fill={piece.length > 0 ? "none" : "var(--waste)"}
        stroke="currentColor"
        strokeWidth="1"
        strokeOpacity={piece.length > 0 ? 0.55 : 1}
      />
      {piece.length > 0 && <path d={`M${piece.join("L")}Z`} fill="currentColor" fillOpacity="0.85" />}
    </svg>
  );
}

const Late = () => (
  <svg width="12" height="14" aria-hidden>
    <path d="M6 1L12 13H0Z" fill="var(--ring)" />
  </svg>
);

const Notch = () => (
  <svg width="12" height="14" aria-hidden>
    <path d="M0 0h12v8l-6 6l-6-6z" fill="currentColor" />
  </svg>
);

function Ring({ share }: { share: number }) {
  const around = 2 * Math.PI * 5.5;
  return (
    <svg width="16" height="16" aria-hidden>
      <circle cx="8" cy="8" r="5.5" fill="none" stroke="currentColor" strokeOpacity="0.25" strokeWidth="4" />
      <circle
        cx="8"
        cy="8"
        r="5.5"
        fill="none"
        stroke="var(--ring)"
        strokeWidth="4"
        strokeDasharray={`${share * around} ${around}`}
        transform="rotate(-90 8 8)"
      />
    </svg>
  );
}
