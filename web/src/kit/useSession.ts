import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback } from "react";
import { api } from "../api/client";
import type { Role, Session } from "../api/document";

/** Asked again so often while nobody answers. */
const AGAIN_MS = 5000;
const ROLES: readonly Role[] = ["viewer", "learner", "maker", "owner"];

/** Who is in. Undefined until the server has said so. */
export const useSession = () =>
  useQuery({
    queryKey: ["session"],
    queryFn: api.session,
    staleTime: 60_000,
    refetchOnWindowFocus: "always",
    refetchInterval: ({ state }) => (state.data ? false : AGAIN_MS),
  });

/** Everything that was shown to one person goes when another comes. */
export function useNewSession() {
  const client = useQueryClient();
  return useCallback(() => {
    void client.resetQueries();
    // What the service worker kept of it too.
    if ("caches" in globalThis) void caches.delete("kept");
  }, [client]);
}

/** Has whoever is in the rights of that role? Where nobody logs in, everybody has. */
export const may = (session: Session | undefined, least: Role) =>
  session !== undefined &&
  (!session.log_in || (session.person !== null && ROLES.indexOf(session.person.role) >= ROLES.indexOf(least)));
