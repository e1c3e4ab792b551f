import { lazy, Suspense, useState } from "react";
import type { Defect } from "../../api/document";
import { Button } from "../../kit/Button";
import { Quiet } from "../../kit/parts";
import type { AtStation } from "../../draft/atStation";

// Large, and not everybody's: it comes when it is asked for.
const Turntable = lazy(() => import("./Turntable"));

/** The piece in the round, once somebody wants to see it so. */
export function InTheRound({ at }: { at: AtStation }) {
  const [open, setOpen] = useState(false);
  const { geometry } = at.assessment;
  return (
    <div style={{ marginTop: 14 }}>
      <Button aria-expanded={open} onPress={() => setOpen(!open)}>
        {open ? "Put the round view away" : "See it in the round"}
      </Button>
      {open && (
        <Suspense fallback={<Quiet role="status">Fetching the drawing …</Quiet>}>
          <div style={{ marginTop: 10 }}>
            <Turntable
              geometry={geometry}
              defects={(geometry.on_centres as unknown as Defect[] | null) ?? at.document.defects}
              clockDeg={at.hand.clockDeg}
              name={at.document.name}
            />
          </div>
        </Suspense>
      )}
    </div>
  );
}
