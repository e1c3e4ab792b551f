import { Input, Label, TextField } from "react-aria-components";
import { FieldFault, FieldInput } from "./MeasureField";
import { ink } from "./theme";

type Props = {
  label: string;
  value: string;
  onChange: (value: string) => void;
  fault: string | undefined;
  type?: "text" | "date";
};

/** A line of words or a day, taken as it is typed. */
export function Words({ label, value, onChange, fault, type = "text" }: Props) {
  return (
    <TextField
      type={type}
      value={value}
      onChange={onChange}
      isInvalid={fault !== undefined}
      maxLength={120}
      style={{ display: "grid", gap: 2, alignContent: "start" }}
    >
      <Label style={{ fontSize: 14, color: ink.quiet }}>{label}</Label>
      <FieldInput as={Input} />
      {fault && <FieldFault>{fault}</FieldFault>}
    </TextField>
  );
}
