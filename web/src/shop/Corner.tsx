import { useNavigate } from "react-router";
import styled from "styled-components";
import { Button } from "../kit/Button";
import type { LengthUnit } from "../kit/measure";
import { ink } from "../kit/theme";

export const LIGHTS = ["as set", "day", "night"] as const;
export type Light = (typeof LIGHTS)[number];

const Place = styled.div`
  display: grid;
  grid-template: 1fr 1fr / auto auto auto;
  border-left: 1px solid ${ink.rule};
  button {
    min-height: 43px;
    padding: 0 8px;
    font-size: 15px;
    font-weight: 400;
    text-align: left;
  }
  button:not(:nth-child(3n)) {
    border-right: 1px solid ${ink.rule};
  }
  button:nth-child(-n + 3) {
    border-bottom: 1px solid ${ink.rule};
  }
  .off {
    opacity: 0.5;
  }
`;

type Props = { unit: LengthUnit; onUnit: () => void; light: Light; onLight: () => void; onKeys: () => void };

/** Beside the rack: what is not about one blank. */
export function Corner({ unit, onUnit, light, onLight, onKeys }: Props) {
  const go = useNavigate();
  return (
    <Place>
      <Button $kind="quiet" onPress={() => void go("/board")}>
        Board
      </Button>
      <Button $kind="quiet" onPress={() => void go("/stores")}>
        Stores
      </Button>
      <Button $kind="quiet" onPress={() => void go("/shop")}>
        Shop
      </Button>
      <Button
        $kind="quiet"
        onPress={onUnit}
        aria-label={`Lengths in ${unit === "mm" ? "millimetres" : "inches"}; change`}
      >
        <span className={unit === "mm" ? "" : "off"}>mm</span>&ensp;|&ensp;
        <span className={unit === "in" ? "" : "off"}>in</span>
      </Button>
      <Button $kind="quiet" onPress={onKeys}>
        Keys&ensp;?
      </Button>
      <Button $kind="quiet" onPress={onLight} aria-label={`Light: ${light}; change`}>
        {{ "as set": "Day/night", day: "Day", night: "Night" }[light]}
      </Button>
    </Place>
  );
}
