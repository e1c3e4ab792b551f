import type { Route } from "../../api/document";
import { useBlank } from "../../draft/contexts";

/** The steps that lie ahead, and how one of them is put in another place. */
export function useOrder(route: Route) {
  const { document, draft } = useBlank();
  const ahead = (route.alternatives[0]?.steps ?? []).filter(({ done }) => !done).map(({ id }) => id);
  const move = (step: string, to: number) => {
    const rest = ahead.filter((id) => id !== step);
    const order = [...rest.slice(0, to), step, ...rest.slice(to)];
    draft.change({ ...document, route: { ...document.route, order } }, false);
  };
  return { ahead, move };
}
