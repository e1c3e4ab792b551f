import { useQueryClient } from "@tanstack/react-query";
import { useEffect, type ReactNode } from "react";
import { whenStranger } from "../api/client";
import { useSession } from "../kit/useSession";
import { Waiting } from "../kit/Waiting";
import { LogIn } from "./LogIn";
import { t } from "../i18n/texts";

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
