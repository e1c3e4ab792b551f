import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { FileTrigger } from "react-aria-components";
import styled from "styled-components";
import { api, Refused } from "../api/client";
import type { Photograph } from "../api/document";
import { Button } from "../kit/Button";
import { TextLine } from "../kit/MeasureField";
import { ink } from "../kit/theme";
import { Fault, Row } from "../kit/parts";
import { useBlank, useDrawing } from "../draft/contexts";
import { pictureOf, SHOWS } from "./pictures";
import { TraceOver } from "./TraceOver";
import { t } from "../i18n/texts";

const Line = styled.li`
  border-top: 1px solid ${ink.rule};
  padding: 10px 0;
  display: grid;
  grid-template-columns: 120px minmax(0, 1fr);
  gap: 6px 14px;
  img {
    width: 120px;
    border: 1px solid ${ink.slate};
    display: block;
  }
  .over {
    grid-column: 1 / -1;
  }
  @media (max-width: 600px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

type Sending = { file: File; sent: number; fault?: string };

/** The photographs of a blank: sent with progress and again where they did not go, spoken of, traced over, laid under the drawing. */
export function Photographs() {
  const blank = useBlank();
  const client = useQueryClient();
  const query = useQuery({ queryKey: ["photographs", blank.id], queryFn: () => api.photographs(blank.id) });
  const [sending, setSending] = useState<Sending>();
  const [all, setAll] = useState(false);
  const fresh = () => client.invalidateQueries({ queryKey: ["photographs", blank.id] });
  const send = async (file: File) => {
    setSending({ file, sent: 0 });
    try {
      await api.addPhotograph(blank.id, file, "other", (sent) => setSending({ file, sent }));
      setSending(undefined);
      await fresh();
    } catch (wrong) {
      if (!(wrong instanceof Refused)) throw wrong;
      setSending({ file, sent: 0, fault: wrong.problem.errors?.[0]?.detail ?? wrong.message });
    }
  };
  const kept = query.data ?? [];
  const shown = kept.filter(({ hidden }) => all || !hidden);
  return (
    <section aria-label={t("screen.photo.photographs")}>
      <ul>
        {shown.map((photograph) => (
          <One key={photograph.id} photograph={photograph} onChanged={fresh} />
        ))}
      </ul>
      {query.error && <Fault role="alert">{query.error.message}</Fault>}
      {sending && !sending.fault && (
        <p role="status">
          {t("screen.photo.sending", { name: sending.file.name, round: Math.round(sending.sent * 100) })}
        </p>
      )}
      {sending?.fault && (
        <Fault role="alert">
          {t("screen.photo.did_not_go", { name: sending.file.name, fault: sending.fault })}{" "}
          <Button onPress={() => void send(sending.file)}>{t("screen.photo.send_it_again")}</Button>
        </Fault>
      )}
      <Row>
        <FileTrigger
          acceptedFileTypes={["image/jpeg", "image/png"]}
          onSelect={(list) => {
            const file = list?.[0];
            if (file) void send(file);
          }}
        >
          <Button isDisabled={sending !== undefined && !sending.fault}>{t("screen.photo.add_a_photograph")}</Button>
        </FileTrigger>
        {kept.length > shown.length && (
          <Button $kind="quiet" onPress={() => setAll(true)}>
            {t("screen.photo.show_the_put_away", { value: kept.length - shown.length })}
          </Button>
        )}
      </Row>
    </section>
  );
}

function One({ photograph, onChanged }: { photograph: Photograph; onChanged: () => Promise<void> }) {
  const blank = useBlank();
  const drawing = useDrawing();
  const [tracing, setTracing] = useState(false);
  const { view, caption, scale, hidden } = photograph;
  const say = async (change: Partial<Photograph>) => {
    await api.sayOfPhotograph(blank.id, photograph.id, { view, caption, scale, hidden, ...change });
    await onChanged();
  };
  const under = drawing.under?.id === photograph.id;
  return (
    <Line style={hidden ? { opacity: 0.6 } : undefined}>
      <img
        loading="lazy"
        src={pictureOf(blank.id, photograph)}
        alt={caption || t("screen.photo.photograph", { to_lower_case: SHOWS[view].toLowerCase() })}
      />
      <div style={{ display: "grid", gap: 8, justifyItems: "start" }}>
        <TextLine
          label={t("screen.photo.what_it_shows")}
          value={caption}
          most={200}
          onChange={(words) => void say({ caption: words })}
        />
        <Row>
          {scale && view !== "other" && (
            <Button onPress={() => drawing.layUnder(under ? undefined : photograph)}>
              {under ? t("screen.photo.take_it_from_under_the_drawing") : t("screen.photo.lay_it_under_the_drawing")}
            </Button>
          )}
          <Button onPress={() => setTracing(!tracing)}>
            {tracing ? t("screen.photo.done_tracing") : t("screen.photo.trace_over_it")}
          </Button>
          <Button $kind="quiet" onPress={() => void say({ hidden: !hidden })}>
            {hidden ? t("screen.photo.bring_it_back") : t("screen.photo.put_it_away")}
          </Button>
        </Row>
      </div>
      {tracing && (
        <div className="over">
          <TraceOver photograph={photograph} say={say} />
        </div>
      )}
    </Line>
  );
}
