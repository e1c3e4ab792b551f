import { useQuery } from "@tanstack/react-query";
import { api } from "../api/client";

/** How far a blank has been practised on; nothing where it is a blank of the shop's. */
export const usePractice = (id: number) =>
  useQuery({ queryKey: ["practice", id], queryFn: () => api.practice(id), refetchOnWindowFocus: false }).data ??
  undefined;
