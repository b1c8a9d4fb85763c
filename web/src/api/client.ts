/** The API, typed by the server's own document. */
import createClient from "openapi-fetch";

import { tell } from "../device/reach";
import type { components, paths } from "./schema";

export type Schemas = components["schemas"];
export type Finding = Schemas["Finding"];
export type Round = Schemas["Round"];
export type VisitShown = Schemas["VisitShown"];
export type Step = Schemas["Step"];
export type Verdict = Schemas["Verdict"];
export type FieldError = Schemas["FieldError"];

/** An answer that is no success: its status and what is wrong with which field. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    readonly errors: FieldError[],
  ) {
    super(errors[0]?.message ?? `The server answered ${status}.`);
  }
}

/** Whether the server answered and said no: asked again it says the same. */
export const isRefusal = (problem: unknown): boolean => problem instanceof ApiProblem && problem.status < 500;

const NO_ANSWER = "The server does not answer.";

/** What went wrong, in words: the server's own, or that it does not answer, with `more` said of it. */
export const inWords = (problem: unknown, more = ""): string =>
  problem instanceof ApiProblem ? problem.message : NO_ANSWER + more;

/** The same, by the field that it is about. */
export const fieldErrors = (problem: unknown, more = ""): FieldError[] =>
  problem instanceof ApiProblem ? problem.errors : [{ field: "", message: NO_ANSWER + more }];

/** The token that every write carries. */
export function csrf(): string {
  return /(?:^|; )csrftoken=([^;]+)/.exec(document.cookie)?.[1] ?? "";
}

let serverAhead = 0;

/** How far this device's clock is ahead of the server's, in seconds. */
export const clockAhead = (): number => -serverAhead / 1000;

/** Where there is a little signal an answer may never come: what is on this device is shown then, and what waits is sent again. */
const SLOWEST_READ_MS = 12_000;
const SLOWEST_WRITE_MS = 45_000;

function giveUp({ method, signal, url }: Request): AbortSignal {
  const writes = method !== "GET" && !url.endsWith("/judge");
  return AbortSignal.any([signal, AbortSignal.timeout(writes ? SLOWEST_WRITE_MS : SLOWEST_READ_MS)]);
}

/** The time now by the server's clock, as far as its last answer told: what it says the age of goes by that. */
export const serverNow = (): number => Date.now() + serverAhead;

export const api = createClient<paths>({
  baseUrl: window.location.origin,
  // Not a middleware: that would put the request off until the screen has drawn the key that was pressed.
  fetch: async (request) => {
    request.headers.set("X-CSRFToken", csrf());
    // How far this device's clock is off is measured at every contact.
    request.headers.set("Outer-Test-Clock", new Date().toISOString());
    const answer = await window.fetch(request, { signal: giveUp(request) }).catch((problem: unknown) => {
      tell(false);
      throw problem;
    });
    tell(answer.status < 500);
    // Its sign-in was ended from elsewhere: what this device kept of the company is not its own to show any more.
    const ended = answer.headers.get("Outer-Test-Device");
    if (ended?.startsWith("hand-over "))
      void import("../device/handOver").then(({ handOver }) =>
        handOver(decodeURIComponent(ended.slice("hand-over ".length))),
      );
    else if (ended !== null) void import("../device/store").then(({ forgetCompany }) => forgetCompany());
    serverAhead = (Date.parse(answer.headers.get("Date") ?? "") || Date.now()) - Date.now();
    return answer;
  },
});

let signedOut: () => void = () => undefined;

/** Say what to do when the server does not know any more who asks. */
export function whenSignedOut(then: () => void): void {
  signedOut = then;
}

/** Every answer that is no success passes here. */
export function refuse(status: number, errors: FieldError[]): never {
  if (status === 401 || status === 403) signedOut();
  throw new ApiProblem(status, errors);
}

/** The data of an answer, or an ApiProblem thrown. */
export async function data<T>(
  answer: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  const { data: got, error, response } = await answer;
  if (got !== undefined && response.ok) return got;
  const errors = (error as { errors?: FieldError[] } | undefined)?.errors;
  return refuse(
    response.status,
    errors ?? [{ field: "", message: `The server answered ${response.status}.` }],
  );
}
