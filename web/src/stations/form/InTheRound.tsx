import { lazy, Suspense, useState } from "react";
import { Button } from "../../kit/Button";
import { Quiet } from "../../kit/parts";
import { useBlank, useDrawing } from "../../draft/contexts";
import { t } from "../../i18n/texts";

// Large, and not everybody's: it comes when it is asked for.
const Turntable = lazy(() => import("./Turntable"));

/** The piece in the round, once somebody wants to see it so. */
export function InTheRound() {
  const blank = useBlank();
  const drawing = useDrawing();
  const [open, setOpen] = useState(false);
  const { geometry } = blank.assessment;
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
              defects={geometry.on_centres ?? blank.document.defects}
              clockDeg={drawing.hand.clockDeg}
              name={blank.document.name}
            />
          </div>
        </Suspense>
      )}
    </div>
  );
}
