import { Checkbox, CheckboxGroup, Label, Radio, RadioGroup } from "react-aria-components";
import styled, { css } from "styled-components";
import { focusRing, ink } from "./theme";

const Group = styled(RadioGroup)`
  display: grid;
  gap: 2px;
`;

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
`;

const option = css`
  min-height: 44px;
  padding: 0 12px;
  display: flex;
  align-items: center;
  cursor: pointer;
  border: 1px solid ${ink.slate};
  margin: 0 -1px -1px 0;
  ${focusRing}
  &[data-selected] {
    background: ${ink.moss};
    border-color: ${ink.moss};
    color: ${ink.onMoss};
    font-weight: 650;
  }
`;
const Option = styled(Radio)`
  ${option}
`;
const Tick = styled(Checkbox)`
  ${option}
  &[data-selected] {
    box-shadow: inset -1px -1px ${ink.onMoss};
  }
`;

type Props<Value extends string> = {
  label: string;
  value: Value;
  options: Record<Value, string>;
  onChange: (value: Value) => void;
};

/** One of a few, all in sight. */
export function Choice<Value extends string>({ label, value, options, onChange }: Props<Value>) {
  return (
    <Group value={value} onChange={(chosen) => onChange(chosen as Value)}>
      <Label style={{ fontSize: 14, color: ink.quiet }}>{label}</Label>
      <Row>
        {(Object.keys(options) as Value[]).map((key) => (
          <Option key={key} value={key}>
            {options[key]}
          </Option>
        ))}
      </Row>
    </Group>
  );
}

type Several<Value extends string> = {
  label: string;
  value: Value[];
  options: Record<Value, string>;
  onChange: (value: Value[]) => void;
};

/** As many of a few as fit, all in sight. */
export function Choices<Value extends string>({ label, value, options, onChange }: Several<Value>) {
  return (
    <CheckboxGroup value={value} onChange={(chosen) => onChange(chosen as Value[])} style={{ display: "grid", gap: 2 }}>
      <Label style={{ fontSize: 14, color: ink.quiet }}>{label}</Label>
      <Row>
        {(Object.keys(options) as Value[]).map((key) => (
          <Tick key={key} value={key}>
            {options[key]}
          </Tick>
        ))}
      </Row>
    </CheckboxGroup>
  );
}
