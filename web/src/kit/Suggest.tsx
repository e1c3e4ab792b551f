import { Button, ComboBox, Input, Label, ListBox, ListBoxItem, Popover } from "react-aria-components";
import styled from "styled-components";
import { focusRing, ink } from "./theme";
import { t } from "../i18n/texts";

const Frame = styled(ComboBox)`
  display: grid;
  gap: 2px;
  label {
    font-size: 14px;
    color: ${ink.quiet};
  }
  .box {
    display: grid;
    grid-template-columns: 1fr 44px;
    border: 1px solid ${ink.slate};
    background: ${ink.paper};
  }
  input {
    min-height: 42px;
    min-width: 0;
    padding: 0 10px;
    border: 0;
    background: none;
    ${focusRing}
  }
  button {
    border: 0;
    border-left: 1px solid ${ink.slate};
    background: none;
    cursor: pointer;
    ${focusRing}
  }
`;

const List = styled(Popover)`
  width: var(--trigger-width);
  max-height: 320px;
  overflow-y: auto;
  background: ${ink.paper};
  border: 1px solid ${ink.ink};
`;

const Item = styled(ListBoxItem)`
  padding: 10px 12px;
  min-height: 44px;
  cursor: pointer;
  outline: none;
  &[data-focused] {
    background: ${ink.mossPale};
  }
`;

type Props = { label: string; value: string; options: string[]; onChange: (value: string) => void };

/** A word typed freely, with those that are known to choose from. */
export function Suggest({ label, value, options, onChange }: Props) {
  return (
    <Frame
      allowsCustomValue
      inputValue={value}
      onInputChange={onChange}
      onSelectionChange={(key) => key !== null && onChange(String(key))}
      menuTrigger="input"
    >
      <Label>{label}</Label>
      <div className="box">
        <Input />
        <Button aria-label={t("screen.kit.known", { label })}>▾</Button>
      </div>
      <List>
        <ListBox>
          {options.map((name) => (
            <Item key={name} id={name} textValue={name}>
              {name}
            </Item>
          ))}
        </ListBox>
      </List>
    </Frame>
  );
}
