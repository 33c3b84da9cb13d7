/** The rig as the network shows it now, and what is wanted of it. */
import { useShow } from "../live/show";
import { post } from "./edits";
import type { Command, Problem, RigChange, RigView } from "../api/types";

export async function readRig(showId: string): Promise<RigView> {
  const response = await fetch(`/api/shows/${showId}/rig`);
  if (!response.ok) throw new Error(`The rig could not be read (${response.status})`);
  return (await response.json()) as RigView;
}

/** Something that the server works out from the show as it is by then: what is free, what a link sheet says. */
export const changeRig = (change: RigChange): Promise<Problem[]> => post("rig", change);

/** Sends one message that belongs to no control, to see whether anything arrives. */
export const sayTo = (target: string, line: string): Promise<Problem[]> =>
  post("commands", { kind: "say", target, line } satisfies Command);

/** Sends bytes as they are, as one packet. */
export const sayBytesTo = (target: string, hex: string): Promise<Problem[]> =>
  post("commands", { kind: "bytes", target, hex } satisfies Command);

export const sheetFile = () => `/api/shows/${useShow.getState().showId}/rig-sheet.csv`;
