import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Label, SliderOutput } from "react-aria-components";
import { api } from "../api/client";
import type { Rehearsal, RehearsalAct } from "../api/document";
import { messageText, t } from "../i18n/texts";
import { Button } from "../kit/Button";
import { amountText, clockText } from "../kit/measure";
import { Heading, Quiet, Row, Ticket } from "../kit/parts";
import { NamedSlider, Thumb, Track } from "../kit/sliders";
import { useUnit } from "../kit/Units";
import { cutSpeeds } from "./lessons";

/** Of its acts, so many are listed. */
const LATEST = 6;

type Props = { rehearsal: Rehearsal; shown: Rehearsal | undefined; onShow: (at: Rehearsal | undefined) => void };

/** Everything that was done, to be looked at again act by act, and beside another rehearsal of the piece. */
export function Trail({ rehearsal, shown, onShow }: Props) {
  const unit = useUnit();
  const [at, setAt] = useState(rehearsal.acts.length);
  const all = rehearsal.acts.length;
  const place = shown ? at : all;
  const show = (next: number) => {
    setAt(next);
    if (next >= all) onShow(undefined);
    else void api.rehearsal(rehearsal.id, next).then(onShow);
  };
  const told = useMemo(() => withSteps(rehearsal), [rehearsal]);
  if (all === 0) return null;
  return (
    <section aria-label={t("screen.rehearsal.trail")}>
      <Heading>{t("screen.rehearsal.trail")}</Heading>
      <NamedSlider value={place} minValue={0} maxValue={all} step={1} onChange={(next) => show(next as number)}>
        <Label>{t("screen.rehearsal.as_it_stood_after")}</Label>
        <SliderOutput>{t("screen.rehearsal.act_of", { act: place, of: all })}</SliderOutput>
        <Track style={{ gridColumn: "1 / -1", width: "100%" }}>
          <Thumb aria-label={t("screen.rehearsal.as_it_stood_after")} />
        </Track>
      </NamedSlider>
      <Row>
        <Button isDisabled={place === 0} onPress={() => show(place - 1)}>
          {t("screen.rehearsal.one_back")}
        </Button>
        <Button isDisabled={place >= all} onPress={() => show(place + 1)}>
          {t("screen.rehearsal.one_on")}
        </Button>
        <Button isDisabled={place >= all} onPress={() => show(all)}>
          {t("screen.rehearsal.to_the_end")}
        </Button>
      </Row>
      <ol style={{ marginTop: 6 }}>
        {told.slice(Math.max(0, place - LATEST), place).map(({ act, step }, index) => (
          <li key={Math.max(0, place - LATEST) + index}>
            {step && <Quiet as="span">{messageText(step.name, unit)}: </Quiet>}
            {actText(act, unit)}
          </li>
        ))}
      </ol>
      <Beside rehearsal={rehearsal} />
    </section>
  );
}

/** Each act with the step it was done at. */
function withSteps({ acts, state }: Rehearsal) {
  let at = 0;
  return acts.map((act) => ({ act, step: state.steps[act.act === "go_on" ? at++ : at] }));
}

function actText(act: RehearsalAct, unit: ReturnType<typeof useUnit>): string {
  return t(`screen.rehearsal.did.${act.act === "speed" && act.rpm === 0 ? "off" : act.act}`, {
    rpm: amountText(act.rpm ?? 0, "rpm", unit),
    share: Math.round(100 * (act.share ?? 1)),
    mm: amountText(act.wall_mm ?? 0, "mm", unit),
    clock: clockText(act.clock_deg ?? 0),
    of: act.of ?? "",
  });
}

/** Two rehearsals of the piece side by side: how each ended, and the speeds of each step. */
function Beside({ rehearsal }: { rehearsal: Rehearsal }) {
  const unit = useUnit();
  const [other, setOther] = useState<number>();
  const list = useQuery({
    queryKey: ["rehearsals", rehearsal.blank_id],
    queryFn: () => api.rehearsals(rehearsal.blank_id),
  });
  const chosen = useQuery({
    queryKey: ["rehearsal", other],
    queryFn: () => (other === undefined ? Promise.resolve(null) : api.rehearsal(other)),
    enabled: other !== undefined,
  });
  const others = (list.data ?? []).filter(({ id, acts }) => id !== rehearsal.id && acts > 0);
  if (others.length === 0) return null;
  const two = chosen.data ? [rehearsal, chosen.data] : undefined;
  const speeds = two?.map(cutSpeeds);
  const cell = (rpm: number | undefined) => (rpm === undefined ? "" : amountText(rpm, "rpm", unit));
  return (
    <>
      <Heading>{t("screen.rehearsal.beside_another")}</Heading>
      <Row>
        {others.slice(0, 4).map(({ id, begun_at, outcome }) => (
          <Button key={id} aria-pressed={id === other} onPress={() => setOther(id)}>
            {t("screen.rehearsal.that_of", {
              day: new Date(begun_at).toLocaleString(undefined, { dateStyle: "short", timeStyle: "short" }),
              end: t(`screen.rehearsal.end.${outcome ? (outcome.sound ? "sound" : "lost") : "open"}`),
            })}
          </Button>
        ))}
      </Row>
      {two && speeds && (
        <Ticket aria-label={t("screen.rehearsal.beside_another")}>
          <thead>
            <tr>
              <th />
              <th className="number">{t("screen.rehearsal.this_one")}</th>
              <th className="number">{t("screen.rehearsal.that_one")}</th>
            </tr>
          </thead>
          <tbody>
            {rehearsal.state.steps
              .filter(({ id }) => speeds.some((of) => of.has(id)))
              .map(({ id, name }) => (
                <tr key={id}>
                  <th scope="row">{messageText(name, unit)}</th>
                  {speeds.map((of, index) => (
                    <td key={index} className="number">
                      {cell(of.get(id))}
                    </td>
                  ))}
                </tr>
              ))}
            <tr>
              <th scope="row">{t("screen.rehearsal.work")}</th>
              {two.map(({ state }, index) => (
                <td key={index} className="number">
                  {amountText(Math.round(state.minutes), "min", unit)}
                </td>
              ))}
            </tr>
            <tr>
              <th scope="row">{t("screen.rehearsal.how_it_ended")}</th>
              {two.map(({ state }, index) => (
                <td key={index} className="number">
                  {t(`screen.rehearsal.end.${state.ended ? (state.ended.sound ? "sound" : "lost") : "open"}`)}
                </td>
              ))}
            </tr>
          </tbody>
        </Ticket>
      )}
      {other !== undefined && !two && <Quiet role="status">{t("screen.rehearsal.mounting")}</Quiet>}
    </>
  );
}
