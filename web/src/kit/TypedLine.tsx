import { TextField } from "react-aria-components";
import { FieldFault, FieldInput, FieldLabel } from "./MeasureField";

type Props = {
  label: string;
  value: string;
  most: number;
  onChange: (value: string) => void;
  fault?: string | undefined;
  type?: "text" | "password";
  /** What a browser may fill in by itself. */
  fills?: string;
};

/** A few words taken letter by letter: where a button beside waits for them. */
export const TypedLine = ({ label, value, most, onChange, fault, type = "text", fills = "off" }: Props) => (
  <TextField
    type={type}
    value={value}
    onChange={onChange}
    maxLength={most}
    isInvalid={fault !== undefined}
    // What was wrong last time keeps nobody from trying again.
    validationBehavior="aria"
    autoComplete={fills}
    style={{ display: "grid", gap: 3 }}
  >
    <FieldLabel>{label}</FieldLabel>
    <FieldInput />
    <FieldFault>{fault}</FieldFault>
  </TextField>
);

type PasswordProps = Pick<Props, "label" | "value" | "onChange" | "fault"> & {
  /** One that is new. */ fresh?: boolean;
};

export const PasswordLine = ({ fresh = false, ...line }: PasswordProps) => (
  <TypedLine {...line} type="password" most={128} fills={fresh ? "new-password" : "current-password"} />
);
