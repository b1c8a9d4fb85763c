/** The writes on a visit that several screens make: what is lifted, how it ended, what is said of the power. */
import { send } from "../device/act";
import type { Schemas } from "./client";

type Line = Schemas["LiftedShown"];

/** The lines that are off now: neither back, nor retired, nor left until the return visit. */
export const stillOff = (lines: Line[]): Line[] => lines.filter(({ how }) => how === "");

/** Put on the not-put-back list what was lifted, pulled or jumpered. */
export const lift = (visit: string, what: string): void => send(visit, { kind: "lifted", what });

/** End a line of the list; back needs no reason. */
export const endLine = (visit: string, line: string, how: Schemas["LiftedHow"]["how"], why = ""): void =>
  send(visit, { kind: "end", line, how, why });

export const sayPower = (visit: string, state: Schemas["PowerSaid"]["state"]): void =>
  send(visit, { kind: "power", state });
