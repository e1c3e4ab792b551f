import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Button as AriaButton } from "react-aria-components";
import styled from "styled-components";
import { api } from "../../api/client";
import type { MadeForm } from "../../api/document";
import { capital, t } from "../../i18n/texts";
import { Button } from "../../kit/Button";
import { LengthField, NumberField } from "../../kit/MeasureField";
import { focusRing, ink } from "../../kit/theme";
import { useAct } from "../../kit/useAct";
import { Fault, Fields, Heading, Quiet } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";

const Kinds = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(132px, 1fr));
  margin: 8px 1px 0 0;
`;

const Kind = styled(AriaButton)`
  min-height: 48px;
  padding: 6px 10px;
  margin: 0 -1px -1px 0;
  text-align: left;
  border: 1px solid ${ink.slate};
  background: none;
  cursor: pointer;
  line-height: 1.2;
  ${focusRing}
  &[data-hovered] {
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  &[aria-pressed="true"] {
    background: ${ink.moss};
    border-color: ${ink.moss};
    color: ${ink.onMoss};
    font-weight: 650;
  }
`;

/** A form from its kind and a few measures; those nobody gives are taken from the blank. Each change lays it in at once, and can be undone. */
export function FromMeasures() {
  const { document, draft } = useBlank();
  const kinds = useQuery({ queryKey: ["table", "forms"], queryFn: () => api.table("forms"), staleTime: Infinity });
  const [open, setOpen] = useState(false);
  const [made, setMade] = useState<MadeForm>();
  const { problem, act } = useAct();
  const form = document.form;
  const make = (kind: string, measures: Record<string, number>) =>
    void act(
      () => api.makeForm({ document, kind, measures }),
      (answer) => {
        setMade(answer);
        draft.change({ ...document, form: answer.form });
      },
    );
  const current = form && made?.form.kind === form.kind ? made : undefined;
  const set = (key: string, value: number) => {
    if (!current) return;
    const given = current.measures
      .filter((measure) => measure.given)
      .map((measure) => [measure.key, measure.value] as const);
    make(current.form.kind, { ...Object.fromEntries(given), [key]: value });
  };
  const name = (kind: string) => t(`tables.forms.${kind}.name`);
  const faultOf = (key: string) => problem?.errors?.find(({ pointer }) => pointer === `/measures/${key}`)?.detail;
  return (
    <>
      <Heading>{form ? `A ${name(form.kind)}` : t("screen.form.what_can_it_become")}</Heading>
      {form && !open && (
        <Button onPress={() => setOpen(true)}>{t("screen.form.another_form_or_other_measures")}</Button>
      )}
      {(!form || open) && (
        <>
          <Kinds role="group" aria-label={t("screen.form.kinds_of_form")}>
            {(kinds.data?.rows ?? []).map(({ key }) => (
              <Kind
                key={String(key)}
                aria-pressed={current?.form.kind === key}
                onPress={() => {
                  setOpen(true);
                  make(String(key), {});
                }}
              >
                {capital(name(String(key)))}
              </Kind>
            ))}
          </Kinds>
          {form && !current && <Quiet>{t("screen.form.choosing_one_draws_it_anew_in")}</Quiet>}
          {current && (
            <Fields>
              {current.measures.map(({ key, value }) =>
                key.endsWith("_mm") ? (
                  <LengthField
                    key={key}
                    label={capital(t(`tables.forms.${current.form.kind}.measures.${key}`))}
                    value={value}
                    onChange={(mm) => set(key, mm)}
                    fault={faultOf(key)}
                  />
                ) : (
                  <NumberField
                    key={key}
                    label={capital(t(`tables.forms.${current.form.kind}.measures.${key}`))}
                    value={value}
                    onChange={(number) => set(key, number)}
                    fault={faultOf(key)}
                  />
                ),
              )}
            </Fields>
          )}
          {problem && !problem.errors?.some(({ pointer }) => pointer.startsWith("/measures")) && (
            <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>
          )}
        </>
      )}
    </>
  );
}
