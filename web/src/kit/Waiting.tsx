import styled from "styled-components";
import { Button } from "./Button";
import { ink } from "./theme";
import { t } from "../i18n/texts";

const Centred = styled.div`
  display: grid;
  place-content: center;
  justify-items: center;
  gap: 14px;
  padding: 40px;
  min-height: 240px;
  color: ${ink.quiet};
  font-size: 18px;
  text-align: center;
  strong {
    color: ${ink.rust};
  }
`;

/** In place of what is not there yet: what is being done or, where it did not work, why, and a way to try again. */
export const Waiting = ({
  what,
  problem,
  onAgain,
}: {
  what: string;
  problem?: string | undefined;
  onAgain?: () => void;
}) => (
  <Centred role="status">
    {problem ? (
      <p>
        <strong>{t("screen.kit.not_opened")}</strong> {problem}
      </p>
    ) : (
      <p>{what}</p>
    )}
    {problem && onAgain && <Button onPress={onAgain}>{t("screen.kit.try_again")}</Button>}
  </Centred>
);
