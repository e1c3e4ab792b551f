import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import { api } from "../../api/client";
import type { Document, Form, Pattern } from "../../api/document";
import { Button } from "../../kit/Button";
import { amountText } from "../../kit/measure";
import { ink } from "../../kit/theme";
import { useAct } from "../../kit/useAct";
import { useUnit } from "../../kit/Units";
import { Words } from "../../kit/Words";
import { Fault, Heading, Quiet, Row } from "../../kit/parts";
import { useBlank } from "../../draft/contexts";
import { t } from "../../i18n/texts";

const KEY = ["patterns"];

const List = styled.ul`
  display: grid;
  li {
    display: grid;
    grid-template-columns: 84px minmax(0, 1fr) auto;
    gap: 14px;
    align-items: center;
    padding: 8px 0;
    border-top: 1px solid ${ink.rule};
  }
  svg {
    width: 84px;
    height: 56px;
    display: block;
  }
  @media (max-width: 600px) {
    li {
      grid-template-columns: 84px minmax(0, 1fr);
    }
    li > div {
      grid-column: 1 / -1;
    }
  }
`;

/** The shop's own curves, each to be laid into this blank, and this form kept as one more. */
export function Patterns() {
  const unit = useUnit();
  const client = useQueryClient();
  const { data: patterns = [], error } = useQuery({ queryKey: KEY, queryFn: api.patterns });
  const { busy, problem, act } = useAct();
  const [laid, setLaid] = useState<{ name: string; scale: number }>();
  const { document, draft } = useBlank();
  const lay = ({ name, form }: Pattern) =>
    void act(
      () => api.layPattern(document, form),
      (answer) => {
        setLaid({ name, scale: answer.scale });
        draft.change({ ...document, form: answer.form } as Document);
      },
    );
  return (
    <>
      <Heading>{t("screen.form.curves_of_your_own")}</Heading>
      {error && <Fault role="alert">{error.message}</Fault>}
      {patterns.length === 0 && !error && <Quiet>{t("screen.form.none_is_kept_yet_a_curve")}</Quiet>}
      <List aria-label={t("screen.form.curves_of_your_own")}>
        {patterns.map((pattern) => (
          <li key={pattern.id}>
            <Silhouette pattern={pattern} />
            <span>
              {pattern.name}
              <br />
              <Quiet as="span">
                ⌀{amountText(pattern.diameter_mm, "mm", unit).replace(/ mm$/, "")} ×{" "}
                {amountText(pattern.height_mm, "mm", unit)}
              </Quiet>
            </span>
            <Row style={{ margin: 0 }}>
              <Button
                isDisabled={busy}
                aria-label={t("screen.form.lay_in", { name: pattern.name })}
                onPress={() => lay(pattern)}
              >
                {t("screen.form.lay_it_in")}
              </Button>
              <Button
                $kind="quiet"
                isDisabled={busy}
                aria-label={t("screen.form.drop", { name: pattern.name })}
                onPress={() =>
                  void act(
                    () => api.dropPattern(pattern.id),
                    (left) => client.setQueryData(KEY, left),
                  )
                }
              >
                {t("screen.form.drop_2")}
              </Button>
            </Row>
          </li>
        ))}
      </List>
      {laid && (
        <p role="status">
          {t("screen.form.undo_takes_it_out_again", {
            value:
              laid.scale === 1
                ? t("screen.form.as_it_was_kept", { name: laid.name })
                : t("screen.form.at_of_its_size_so_much", {
                    name: laid.name,
                    value: Math.round(laid.scale * 1000) / 10,
                  }),
          })}
        </p>
      )}
      {document.form && (
        <Keep
          form={document.form}
          act={act}
          busy={busy}
          fault={problem?.errors?.find(({ pointer }) => pointer === "/name")?.detail}
          onKept={(kept) => client.setQueryData(KEY, kept)}
        />
      )}
      {problem && !problem.errors?.some(({ pointer }) => pointer === "/name") && (
        <Fault role="alert">{problem.errors?.[0]?.detail ?? problem.detail}</Fault>
      )}
    </>
  );
}

type KeepProps = {
  form: Form;
  busy: boolean;
  act: ReturnType<typeof useAct>["act"];
  fault: string | undefined;
  onKept: (patterns: Pattern[]) => void;
};

function Keep({ form, busy, act, fault, onKept }: KeepProps) {
  const [name, setName] = useState("");
  return (
    <Row style={{ alignItems: "end" }}>
      <div style={{ flex: 1, minWidth: 180 }}>
        <Words label={t("screen.form.keep_this_forms_curves_as")} value={name} onChange={setName} fault={fault} />
      </div>
      <Button
        isDisabled={busy || name.trim() === ""}
        onPress={() =>
          void act(
            () => api.keepPattern(name.trim(), form),
            (kept) => {
              onKept(kept);
              setName("");
            },
          )
        }
      >
        {t("screen.form.keep_it")}
      </Button>
    </Row>
  );
}

/** Its outside about the axis, head to the left. */
function Silhouette({ pattern: { outline, height_mm, diameter_mm } }: { pattern: Pattern }) {
  const edge = (sign: 1 | -1) => outline.map(([z = 0, r = 0]) => `${z.toFixed(1)} ${(sign * r).toFixed(1)}`);
  return (
    <svg viewBox={`0 ${-diameter_mm / 2} ${height_mm} ${diameter_mm}`} aria-hidden>
      <path d={`M${[...edge(1), ...edge(-1).reverse()].join("L")}Z`} fill={ink.slate} />
    </svg>
  );
}
