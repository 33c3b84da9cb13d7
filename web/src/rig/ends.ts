import type { Target } from "../api/types";

/** The end that is spoken to now: the stand-in's while it is in use, else the target's own. */
export function endOf(target: Target): { host: string; port: number; field: "" | "standIn/" } {
  return target.standIn?.inUse
    ? { host: target.standIn.host, port: target.standIn.port, field: "standIn/" }
    : { host: target.host, port: target.port, field: "" };
}

/** The same target with another end in the place of the one that is spoken to now. */
export function withEnd(target: Target, end: { host?: string; port?: number }): Target {
  return target.standIn?.inUse
    ? { ...target, standIn: { ...target.standIn, ...end } }
    : { ...target, ...end };
}
