import { FourRuns } from "./FourRuns";
import { Taps } from "./Taps";

/** What the piece itself says: where it is heavy, and where it sounds dull. */
export function Measured() {
  return (
    <>
      <FourRuns />
      <Taps />
    </>
  );
}
