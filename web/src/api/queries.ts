/** What the screens ask for. */
import { notifyManager, QueryClient, useQuery } from "@tanstack/react-query";

import { api, ApiProblem, data, whenSignedOut, type Round, type VisitShown } from "./client";

// An answer is drawn at once, not after the browser's least delay.
notifyManager.setScheduler(queueMicrotask);

export const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      retry: (count, problem) => !(problem instanceof ApiProblem && problem.status < 500) && count < 3,
    },
  },
});

// Who is signed in is asked anew: signed out, the sign-in stands there and what is typed waits on this device.
whenSignedOut(() => void queries.invalidateQueries({ queryKey: ["session"] }));

export const useSession = () =>
  useQuery({ queryKey: ["session"], queryFn: () => data(api.GET("/api/v1/session")), staleTime: 60_000 });

export const useToday = () =>
  useQuery({ queryKey: ["today"], queryFn: () => data(api.GET("/api/v1/today")) });

export const useVisit = (id: string) =>
  useQuery({
    queryKey: ["visit", id],
    queryFn: () => data(api.GET("/api/v1/visits/{visit_id}", { params: { path: { visit_id: id } } })),
  });

export const useHouseRules = () =>
  useQuery({ queryKey: ["rules"], queryFn: () => data(api.GET("/api/v1/company/rules")) });

export const useMeters = () =>
  useQuery({ queryKey: ["meters"], queryFn: () => data(api.GET("/api/v1/company/meters")) });

export const useUnit = (id: string) =>
  useQuery({
    queryKey: ["unit", id],
    queryFn: () => data(api.GET("/api/v1/units/{unit_id}", { params: { path: { unit_id: id } } })),
  });

export const useDefrostFaults = (visitId: string, demo: boolean) =>
  useQuery({
    queryKey: ["defrost faults", visitId],
    queryFn: () =>
      data(api.GET("/api/v1/visits/{visit_id}/defrost/faults", { params: { path: { visit_id: visitId } } })),
    enabled: demo,
  });

export const useRule = (name: string) =>
  useQuery({
    queryKey: ["rule", name],
    queryFn: () => data(api.GET("/api/v1/rules/{name}", { params: { path: { name } } })),
    staleTime: Infinity,
  });

export const useWatch = (point: string, page: number) =>
  useQuery({
    queryKey: ["watch", point, page],
    queryFn: () => data(api.GET("/api/v1/fleet/watch", { params: { query: { point, page } } })),
    placeholderData: (before) => before,
  });

export const useFind = (words: string) =>
  useQuery({
    queryKey: ["find", words],
    queryFn: () => data(api.GET("/api/v1/fleet/find", { params: { query: { q: words } } })),
    placeholderData: (before) => before,
    enabled: words.trim().length > 1,
  });

export const useBoards = () =>
  useQuery({ queryKey: ["boards"], queryFn: () => data(api.GET("/api/v1/company/boards")) });

/** Put the newest round of a visit where its screens read it. */
export function storeRound(visitId: string, round: Round): void {
  queries.setQueryData<VisitShown>(["visit", visitId], (visit) => visit && { ...visit, round });
  void queries.invalidateQueries({ queryKey: ["today"] });
}
