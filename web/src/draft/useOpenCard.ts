import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api } from "../api/client";
import { useAct } from "../kit/useAct";
import { useBlank } from "./contexts";

/** The open card of the blank on the bench, and how one is begun: of its plan of mending, or from a step of its route on. */
export function useOpenCard() {
  const { id } = useBlank();
  const go = useNavigate();
  const client = useQueryClient();
  const open = useQuery({ queryKey: ["card-of", id], queryFn: () => api.cardOf(id) });
  const { busy, problem, act } = useAct();
  const show = () => void go(`/blanks/${id}/card`);
  const begin = (from?: string) =>
    void act(
      () => api.openCard(id, from),
      (card) => {
        client.setQueryData(["card-of", id], card);
        void client.invalidateQueries({ queryKey: ["stores"] });
        show();
      },
    );
  return { card: open.data, busy, problem, begin, show };
}
