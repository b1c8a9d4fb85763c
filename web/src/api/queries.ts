/** What the screens ask for. */
import { notifyManager, QueryClient, useQuery } from "@tanstack/react-query";

import { remembered } from "../device/remember";
import { api, data, isRefusal, whenSignedOut } from "./client";

// An answer is drawn at once, not after the browser's least delay.
notifyManager.setScheduler(queueMicrotask);

export const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // Asked without signal too: what this device has is shown then.
      networkMode: "always",
      staleTime: 5_000,
      retry: (count, problem) => !isRefusal(problem) && count < 3,
    },
  },
});

// Who is signed in is asked anew: signed out, the sign-in stands there and what is typed waits on this device.
whenSignedOut(() => void queries.invalidateQueries({ queryKey: ["session"] }));

export const useSession = () =>
  useQuery({
    queryKey: ["session"],
    queryFn: () => remembered("session", () => data(api.GET("/api/v1/session"))),
    staleTime: 60_000,
  });

/** Under what name the list of a day is kept on this device; today's where none is named. */
export const todayKey = (day = ""): string => `today ${day}`;

/** The list of a day, as in 2027-01-14; today's where none is named. */
export const askToday = (day?: string) =>
  remembered(todayKey(day), () =>
    data(api.GET("/api/v1/today", { params: { query: day === undefined ? {} : { day } } })),
  );

export const useToday = (day?: string) =>
  useQuery({ queryKey: ["today", day ?? ""], queryFn: () => askToday(day) });

export const useHouseRules = () =>
  useQuery({
    queryKey: ["rules"],
    queryFn: () => remembered("rules", () => data(api.GET("/api/v1/company/rules"))),
  });

export const useMeters = () =>
  useQuery({
    queryKey: ["meters"],
    queryFn: () => remembered("meters", () => data(api.GET("/api/v1/company/meters"))),
  });

export const useLineWords = () =>
  useQuery({
    queryKey: ["line words"],
    queryFn: () => remembered("line words", () => data(api.GET("/api/v1/rules/words"))),
    staleTime: Infinity,
  });

export const askUnit = (id: string) =>
  remembered(`unit ${id}`, () =>
    data(api.GET("/api/v1/units/{unit_id}", { params: { path: { unit_id: id } } })),
  );

export const useUnit = (id: string) => useQuery({ queryKey: ["unit", id], queryFn: () => askUnit(id) });

export const askPhotos = (unit: string) =>
  remembered(`photos ${unit}`, () =>
    data(api.GET("/api/v1/files/units/{unit_id}/photos", { params: { path: { unit_id: unit } } })),
  );

/** The photos of a unit that the server has. */
export const usePhotos = (unit: string) =>
  useQuery({ queryKey: ["photos", unit], queryFn: () => askPhotos(unit) });

export const useRule = (name: string) =>
  useQuery({
    queryKey: ["rule", name],
    queryFn: () =>
      remembered(`rule ${name}`, () => data(api.GET("/api/v1/rules/{name}", { params: { path: { name } } }))),
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
  useQuery({
    queryKey: ["boards"],
    queryFn: () => remembered("boards", () => data(api.GET("/api/v1/company/boards"))),
  });
