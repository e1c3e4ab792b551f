import { lazy, Suspense, useState } from "react";
import type { Defect } from "../../api/document";
import { Button } from "../../kit/Button";
import { Quiet } from "../../kit/parts";
import type { AtStation } from "../../draft/atStation";
import { t } from "../../i18n/texts";

// Large, and not everybody's: it comes when it is asked for.
const Turntable = lazy(() => import("./Turntable"));

/** The piece in the round, once somebody wants to see it so. */
export function InTheRound({ at }: { at: AtStation }) {
  const [open, setOpen] = useState(false);
  const { geometry } = at.assessment;
  return (
    <div style={{ marginTop: 14 }}>
      <Button aria-expanded={open} onPress={() => setOpen(!open)}>
        {open ? t("screen.form.put_the_round_view_away") : t("screen.form.see_it_in_the_round")}
      </Button>
      {open && (
        <Suspense fallback={<Quiet role="status">{t("screen.form.fetching_the_drawing")}</Quiet>}>
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
