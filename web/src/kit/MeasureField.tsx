import { useState } from "react";
import { FieldError, Input, Label, TextField } from "react-aria-components";
import styled from "styled-components";
import {
  clockFieldText,
  fieldAmountText,
  fieldUnit,
  fieldLengthText,
  parseAmount,
  parseClock,
  parseLength,
  parseNumber,
  type AmountKind,
} from "./measure";
import { focusRing, ink } from "./theme";
import { useUnit } from "./Units";
import { useKeptSelection } from "./useKeptSelection";
import { t } from "../i18n/texts";

const Frame = styled(TextField)`
  display: grid;
  gap: 2px;
  align-content: start;
`;

export const FieldLabel = styled(Label)`
  font-size: 14px;
  color: ${ink.quiet};
`;

export const FieldInput = styled(Input)`
  min-height: 44px;
  width: 100%;
  padding: 0 10px;
  border: 1px solid ${ink.slate};
  background: ${ink.paper};
  ${focusRing}
  &[data-invalid] {
    border: 2px solid ${ink.rust};
  }
`;

export const FieldFault = styled(FieldError)`
  font-size: 14px;
  color: ${ink.rust};
`;

type Reading = { parse: (text: string) => number | undefined; show: (value: number) => string; hint: string };
type Props = {
  label: string;
  value: number;
  onChange: (value: number) => void;
  fault?: string | undefined;
  isDisabled?: boolean;
  /** The label is said, not shown: a heading beside it says it already. */ bare?: boolean;
};

/** A number typed as people say it. Nothing is snapped or clamped: what cannot be read is said, and stays as typed. */
function TypedField({
  label,
  value,
  onChange,
  fault,
  isDisabled = false,
  bare = false,
  reading,
}: Props & { reading: Reading }) {
  const [typed, setTyped] = useState<string>();
  const parsed = typed === undefined ? value : reading.parse(typed);
  const wrong = parsed === undefined ? reading.hint : fault;
  const shown = typed ?? reading.show(value);
  const input = useKeptSelection(typed === undefined ? shown : undefined);
  const take = () => {
    if (typed === undefined || parsed === undefined) return;
    setTyped(undefined);
    if (parsed !== value) onChange(parsed);
  };
  return (
    <Frame
      {...(bare && { "aria-label": label })}
      isInvalid={wrong !== undefined}
      isDisabled={isDisabled}
      value={shown}
      onChange={setTyped}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === "Enter") take();
        if (event.key === "Escape") setTyped(undefined);
      }}
    >
      {!bare && <FieldLabel>{label}</FieldLabel>}
      <FieldInput {...input} />
      {wrong !== undefined && <FieldFault>{wrong}</FieldFault>}
    </Frame>
  );
}

/** A length, in the shown units or with its own. */
export function LengthField(props: Props) {
  const unit = useUnit();
  const hint = unit === "in" ? t("screen.kit.a_length_2_3_8") : t("screen.kit.a_length_60_6_cm_or");
  return (
    <TypedField
      {...props}
      label={`${props.label}, ${unit}`}
      reading={{ parse: (text) => parseLength(text, unit), show: (mm) => fieldLengthText(mm, unit), hint }}
    />
  );
}

/** An hour on the clock: 2:30 and half past two are the same; 75° is degrees. */
export function ClockField(props: Props) {
  return (
    <TypedField
      {...props}
      label={t("screen.kit.oclock", { label: props.label })}
      reading={{ parse: parseClock, show: clockFieldText, hint: t("screen.kit.an_hour_2_2_30_half") }}
    />
  );
}

/** A length that may lie either way of where it is counted from. */
export function OffsetField(props: Props) {
  const unit = useUnit();
  const parse = (text: string) => {
    const back = /^\s*[-−]/.test(text);
    const mm = parseLength(text.replace(/^\s*[-−+]/, ""), unit);
    return mm === undefined || !back ? mm : -mm;
  };
  const show = (mm: number) => (mm < 0 ? `−${fieldLengthText(-mm, unit)}` : fieldLengthText(mm, unit));
  return (
    <TypedField
      {...props}
      label={`${props.label}, ${unit}`}
      reading={{ parse, show, hint: t("screen.kit.a_length_either_way_4_4") }}
    />
  );
}

const AMOUNT_HINTS: Record<AmountKind, string> = {
  g: t("screen.kit.a_mass"),
  weight: t("screen.kit.a_mass"),
  kg: t("screen.kit.a_mass"),
  ml: t("screen.kit.a_volume"),
  C: t("screen.kit.a_temperature"),
};

/**
 * A mass, a volume or a temperature, in the shown units or with its own; kept in the core's. emptyAtZero: nothing said is
 * an empty field and 0, where 0 would show as another number (32 °F).
 */
export function AmountField({ of, emptyAtZero = false, ...props }: Props & { of: AmountKind; emptyAtZero?: boolean }) {
  const unit = useUnit();
  return (
    <TypedField
      {...props}
      label={`${props.label}, ${fieldUnit(of, unit)}`}
      reading={{
        parse: (text) => (emptyAtZero && text.trim() === "" ? 0 : parseAmount(text, of, unit)),
        show: (value) => (emptyAtZero && value === 0 ? "" : fieldAmountText(value, of, unit)),
        hint: AMOUNT_HINTS[of],
      }}
    />
  );
}

/** A plain number with its unit in the label. */
export function NumberField(props: Props) {
  return (
    <TypedField
      {...props}
      reading={{
        parse: parseNumber,
        show: (value) => String(Math.round(value * 1000) / 1000),
        hint: t("screen.kit.a_number"),
      }}
    />
  );
}

/** A few words or a day, taken when the field is left. */
export function TextLine({
  label,
  value,
  most,
  onChange,
  fault,
  type = "text",
}: {
  label: string;
  value: string;
  most: number;
  onChange: (value: string) => void;
  fault?: string | undefined;
  type?: "text" | "date";
}) {
  const [typed, setTyped] = useState<string>();
  const input = useKeptSelection(typed === undefined ? value : undefined);
  const take = () => {
    if (typed !== undefined && typed.trim() !== value) onChange(typed.trim());
    setTyped(undefined);
  };
  return (
    <Frame
      type={type}
      value={typed ?? value}
      onChange={setTyped}
      onBlur={take}
      maxLength={most}
      isInvalid={fault !== undefined}
      onKeyDown={(event) => event.key === "Enter" && take()}
    >
      <FieldLabel>{label}</FieldLabel>
      <FieldInput {...input} />
      <FieldFault>{fault}</FieldFault>
    </Frame>
  );
}
