import { Button as AriaButton } from "react-aria-components";
import styled from "styled-components";
import { focusRing, ink } from "./theme";

/** Square button with a word on it. `$kind`: go for the one thing to do, plain for the rest, quiet without a frame. */
export const Button = styled(AriaButton)<{ $kind?: "go" | "plain" | "quiet" }>`
  min-height: 44px;
  padding: 0 16px;
  font-weight: 650;
  cursor: pointer;
  white-space: nowrap;
  border: 1px solid ${({ $kind }) => ($kind === "go" ? ink.moss : $kind === "quiet" ? "transparent" : ink.ink)};
  background: ${({ $kind }) => ($kind === "go" ? ink.moss : "transparent")};
  color: ${({ $kind }) => ($kind === "go" ? ink.onMoss : ink.ink)};
  ${focusRing}
  &[data-hovered] {
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  &[data-disabled] {
    opacity: 0.45;
    cursor: default;
    text-decoration: none;
  }
`;
