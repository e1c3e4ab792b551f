import { createContext } from "react";

export const PIECE_VIEWS = ["drawings", "round"] as const;

/** Which way the piece is shown, and how to show it the other way. */
export const PieceView = createContext<{ view: (typeof PIECE_VIEWS)[number]; toggle: () => void }>({
  view: "drawings",
  toggle: () => undefined,
});
