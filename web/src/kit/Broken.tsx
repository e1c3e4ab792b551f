import { Component, type ReactNode } from "react";
import styled from "styled-components";
import { Button } from "./Button";
import { ink } from "./theme";
import { t } from "../i18n/texts";

const Notice = styled.div`
  margin: 40px auto;
  width: min(560px, 90vw);
  padding: 18px 22px;
  border: 2px solid ${ink.rust};
  background: ${ink.paper};
  display: grid;
  gap: 12px;
  justify-items: start;
`;

/** Stands in for a screen that broke: says so, and that nothing is lost. */
export class Broken extends Component<{ children: ReactNode }, { fault: Error | undefined }> {
  override state = { fault: undefined };

  static getDerivedStateFromError(fault: Error) {
    return { fault };
  }

  override render() {
    const fault: Error | undefined = this.state.fault;
    if (!fault) return this.props.children;
    return (
      <Notice role="alert">
        <h2>{t("screen.kit.this_screen_broke")}</h2>
        <p>{t("screen.kit.what_was_saved_is_safe_and")}</p>
        <p style={{ color: ink.quiet }}>{(fault as Error).message}</p>
        <Button onPress={() => window.location.reload()}>{t("screen.kit.open_it_again")}</Button>
      </Notice>
    );
  }
}
