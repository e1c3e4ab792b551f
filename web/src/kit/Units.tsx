import { createContext, useContext } from "react";
import type { LengthUnit } from "./measure";

/** The units lengths are shown in. */
export const Units = createContext<{ unit: LengthUnit; toggle: () => void }>({ unit: "mm", toggle: () => undefined });
export const useUnit = () => useContext(Units).unit;
