import { useQueryClient } from "@tanstack/react-query";
import { useEffect, type ReactNode } from "react";
import styled from "styled-components";
import { whenStranger } from "../api/client";
import { ink } from "../kit/theme";
import { useSession } from "../kit/useSession";
import { Waiting } from "../kit/Waiting";
import { LogIn } from "./LogIn";
import { t } from "../i18n/texts";

const Sheet = styled.main`
  max-width: 560px;
  margin: 6vh auto;
  padding: 28px 32px;
  background: ${ink.paper};
  border: 1px solid ${ink.rule};
  h1 {
    font-size: 26px;
    margin: 0 0 14px;
  }
  form {
    display: grid;
    gap: 14px;
  }
  @media (max-width: 600px) {
    margin: 0;
    border: 0;
    padding: 20px;
  }
`;

/** One sheet before the shop: what is asked of whoever is not in yet. */
export const DoorSheet = ({ heading, children }: { heading: string; children: ReactNode }) => (
  <Sheet>
    <h1>{heading}</h1>
    {children}
  </Sheet>
);

/** The shop, to whoever is in; else the way in. */
export function Door({ children }: { children: ReactNode }) {
  const client = useQueryClient();
  const session = useSession();
  useEffect(() => {
    whenStranger(() => void client.invalidateQueries({ queryKey: ["session"] }));
  }, [client]);
  if (!session.data)
    return (
      <Waiting
        what={t("screen.app.opening_the_shop")}
        problem={session.error?.message}
        onAgain={() => void session.refetch()}
      />
    );
  if (session.data.log_in && !session.data.person) return <LogIn session={session.data} />;
  return children;
}
