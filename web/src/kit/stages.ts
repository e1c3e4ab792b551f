import type { StageName } from "../api/document";

/** The stages of turning, in their order, by name. */
export const STAGES: Record<StageName, string> = {
  blank: "As it stands",
  rounded: "Rounded",
  outside: "Outside turned",
  hollowed: "Hollowed",
};
