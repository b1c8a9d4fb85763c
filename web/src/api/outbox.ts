/**
 * Writes on their way to the server, in the order they were typed. They are kept in the browser's storage until the
 * server has acknowledged them, so a reload or a dead spot loses nothing; each carries its own UUID, so sending twice
 * keeps one.
 */
import { useSyncExternalStore } from "react";

import { api, ApiProblem, data, type FieldError, type Round, type Schemas } from "./client";
import { storeRound } from "./queries";
import { OUTBOX, parsed } from "./stored";

export type Write =
  | { kind: "reading"; visit: string; body: Schemas["TypedReading"] }
  | { kind: "line"; visit: string; body: Schemas["TypedLine"] }
  | { kind: "power"; visit: string; body: Schemas["PowerSaid"] }
  | { kind: "stamp"; visit: string; body: Schemas["NewStamp"] }
  | { kind: "undo"; visit: string; body: Schemas["Undo"] }
  | { kind: "answer"; visit: string; body: Schemas["NewAnswer"] }
  | { kind: "part"; visit: string; body: Schemas["NewPart"] }
  | { kind: "partUndo"; visit: string; part: string; body: Schemas["TakenOff"] }
  | { kind: "note"; visit: string; body: Schemas["NewNote"] }
  | { kind: "lifted"; visit: string; body: Schemas["LiftedWhat"] }
  | { kind: "end"; visit: string; line: string; body: Schemas["LiftedHow"] };

/** A write the server refused, with what was typed, until the person deals with it. */
export interface Refusal {
  write: Write;
  errors: FieldError[];
}

interface State {
  waiting: Write[];
  refused: Refusal[];
  offline: boolean;
}

const RETRY_MS = 1500;
const listeners = new Set<() => void>();
let state: State = { ...stored(), offline: false };
let sending = false;

function stored(): Pick<State, "waiting" | "refused"> {
  return parsed(localStorage.getItem(OUTBOX), { waiting: [], refused: [] });
}

function become(next: Partial<State>): void {
  state = { ...state, ...next };
  localStorage.setItem(OUTBOX, JSON.stringify({ waiting: state.waiting, refused: state.refused }));
  listeners.forEach((listener) => listener());
}

/** Where a write goes. */
function path<More extends object>(write: Write, more?: More) {
  return { params: { path: { visit_id: write.visit, ...more } as { visit_id: string } & More } };
}

async function deliver(write: Write): Promise<Round> {
  switch (write.kind) {
    case "reading":
      return data(api.POST("/api/v1/visits/{visit_id}/readings", { ...path(write), body: write.body }));
    case "power":
      return data(api.POST("/api/v1/visits/{visit_id}/power", { ...path(write), body: write.body }));
    case "stamp":
      return data(api.POST("/api/v1/visits/{visit_id}/defrost/stamps", { ...path(write), body: write.body }));
    case "undo":
      return data(api.POST("/api/v1/visits/{visit_id}/defrost/undo", { ...path(write), body: write.body }));
    case "answer":
      return data(
        api.POST("/api/v1/visits/{visit_id}/defrost/answers", { ...path(write), body: write.body }),
      );
    case "part":
      return data(api.POST("/api/v1/visits/{visit_id}/parts", { ...path(write), body: write.body }));
    case "partUndo":
      return data(
        api.POST("/api/v1/visits/{visit_id}/parts/{part_id}/undo", {
          ...path(write, { part_id: write.part }),
          body: write.body,
        }),
      );
    case "note":
      return data(api.POST("/api/v1/visits/{visit_id}/notes", { ...path(write), body: write.body }));
    case "lifted":
      return data(api.POST("/api/v1/visits/{visit_id}/lifted", { ...path(write), body: write.body }));
    case "end":
      return data(
        api.POST("/api/v1/visits/{visit_id}/lifted/{line_id}/end", {
          ...path(write, { line_id: write.line }),
          body: write.body,
        }),
      );
    case "line": {
      const kept = await data(
        api.POST("/api/v1/visits/{visit_id}/line", { ...path(write), body: write.body }),
      );
      if (kept.rest) {
        const errors = kept.left_over.map(({ said, why }) => ({ field: said, message: why }));
        become({
          refused: [
            ...state.refused,
            { write: { ...write, body: { ...write.body, text: kept.rest } }, errors },
          ],
        });
      }
      return kept.round;
    }
  }
}

async function sendAll(): Promise<void> {
  if (sending) return;
  sending = true;
  while (state.waiting[0]) {
    const write = state.waiting[0];
    try {
      const round = await deliver(write);
      storeRound(write.visit, round);
      become({ waiting: state.waiting.slice(1), offline: false });
    } catch (problem) {
      if (!settle(write, problem)) break;
    }
  }
  sending = false;
  if (state.waiting.length > 0) window.setTimeout(() => void sendAll(), RETRY_MS);
}

/** Deal with a failed write; false where it waits to be sent again. */
function settle(write: Write, problem: unknown): boolean {
  const answered = problem instanceof ApiProblem ? problem.status : 0;
  if (answered === 0 || answered >= 500 || answered === 401 || answered === 403) {
    become({ offline: true });
    return false;
  }
  const errors = (problem as ApiProblem).errors;
  become({ waiting: state.waiting.slice(1), refused: [...state.refused, { write, errors }], offline: false });
  return true;
}

/** Queue a write; it is in storage before this returns. */
export function send(write: Write): void {
  become({ waiting: [...state.waiting, write] });
  void sendAll();
}

/** Take a refusal off the list, once it was mended or given up. */
export function dismiss(refusal: Refusal): void {
  become({ refused: state.refused.filter((one) => one !== refusal) });
}

/** Take off every refused reading of a point: it is being typed again. */
export function dismissReading(visit: string, point: string): void {
  if (state.refused.some((one) => isReadingAt(one, visit, point))) {
    become({ refused: state.refused.filter((one) => !isReadingAt(one, visit, point)) });
  }
}

/** The points of a visit whose readings are on their way. */
export function waitingPoints(waiting: Write[], visit: string): string[] {
  return waiting.flatMap((one) => (one.kind === "reading" && one.visit === visit ? [one.body.point] : []));
}

/** Whether a refusal is about a reading at this point of this visit. */
export function isReadingAt(refusal: Refusal, visit: string, point: string): boolean {
  const { write } = refusal;
  return write.kind === "reading" && write.visit === visit && write.body.point === point;
}

export function useOutbox(): State {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => state,
  );
}

/** Send what an earlier page left. */
export function resumeSending(): void {
  if (state.waiting.length > 0) void sendAll();
}
