import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../../api/client";
import { t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { Line } from "./Line";

/** The newest of who came in, went, and failed to. */
export function Record() {
  const [open, setOpen] = useState(false);
  const { data: lines = [] } = useQuery({ queryKey: ["log-ins"], queryFn: api.logIns, enabled: open });
  return (
    <>
      <Button $kind="quiet" aria-expanded={open} onPress={() => setOpen(!open)}>
        {t("screen.shop.record_of_log_ins")}
      </Button>
      {open && (
        <ul style={{ listStyle: "none", padding: 0 }}>
          {lines.map((line, index) => (
            <Line key={`${line.at} ${index}`}>
              <span>
                <strong>{line.person}</strong> · {t(`screen.shop.log_in_events.${line.what.replaceAll(" ", "_")}`)}
              </span>
              <span>{new Date(line.at).toLocaleString("en-GB")}</span>
            </Line>
          ))}
        </ul>
      )}
    </>
  );
}
