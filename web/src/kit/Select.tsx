import { Button, ListBox, ListBoxItem, Popover, Select as Chosen, SelectValue } from "react-aria-components";
import styled from "styled-components";
import { FieldLabel } from "./MeasureField";
import { focusRing, ink } from "./theme";

const Field = styled(Chosen)`
  display: grid;
  gap: 3px;
  min-width: 120px;
  button {
    min-height: 44px;
    padding: 0 10px;
    text-align: left;
    border: 1px solid ${ink.slate};
    background: ${ink.paper};
    color: ${ink.ink};
    font: inherit;
    display: flex;
    justify-content: space-between;
    gap: 10px;
    align-items: center;
    ${focusRing}
  }
`;

const List = styled(Popover)`
  background: ${ink.paper};
  color: ${ink.ink};
  border: 1px solid ${ink.ink};
  max-height: 60vh;
  overflow-y: auto;
  min-width: var(--trigger-width);
  [role="option"] {
    min-height: 44px;
    display: grid;
    align-items: center;
    padding: 0 12px;
    cursor: default;
    outline: none;
    &[data-focused] {
      background: ${ink.mossPale};
    }
    &[data-selected] {
      font-weight: 700;
    }
  }
`;

type Props = { label: string; value: string; options: Record<string, string>; onChange: (value: string) => void };

/** One of many: a list that opens. */
export function Select({ label, value, options, onChange }: Props) {
  return (
    <Field selectedKey={value} onSelectionChange={(key) => onChange(String(key))}>
      <FieldLabel>{label}</FieldLabel>
      <Button>
        <SelectValue>{options[value] ?? value}</SelectValue>
        <span aria-hidden>▾</span>
      </Button>
      <List>
        <ListBox>
          {Object.entries(options).map(([key, name]) => (
            <ListBoxItem key={key} id={key} textValue={name}>
              {name}
            </ListBoxItem>
          ))}
        </ListBox>
      </List>
    </Field>
  );
}
