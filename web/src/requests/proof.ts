/** Proofs: the plan, the run, the reports. */
import type {
  ProofLeftover,
  ProofOrder,
  ProofPlan,
  ProofReport,
  ProofReportLine,
  ProofRunning,
  ProofWish,
  Proved,
} from "../api/types";
import { erase, post } from "./edits";
import { asking, at, read } from "./read";
import { named } from "../api/work";

/** @param work by which it is asked about */
export const planOf = (wish: ProofWish, work: string) => {
  const init = asking(wish);
  return read<ProofPlan>("proof/plan", { ...init, headers: { ...init.headers, ...named(work) } });
};
export const startProof = (wish: ProofWish, token: string) => post("proof", { wish, token });
/** The one that runs, or the last one; nothing where there was none. */
export const runningProof = () => read<ProofRunning[]>("proof").then((found) => found[0] ?? null);
export const order = (what: ProofOrder) => post("proof/orders", { order: what });

export const reports = () => read<ProofReportLine[]>("proof/reports");
/** @param before the number of another one to compare it with; empty for the one before it */
export const reportOf = (number: string, before: string) =>
  read<ProofReport>(`proof/reports/${number}${before && `?before=${before}`}`);
export const reportAs = (number: number, format: "csv" | "json" | "xml") =>
  at(`proof/reports/${number}/report.${format}`);
export const sign = (number: number, name: string, note: string) =>
  post(`proof/reports/${number}/sign`, { name, note });
export const proved = () => read<Proved[]>("proof/proved");

/** What a proof that ended in the middle left. */
export const leftover = () => read<ProofLeftover[]>("proof/leftover").then((found) => found[0] ?? null);
export const putBack = () => post("proof/leftover/put-back");
export const dismissLeftover = () => erase("proof/leftover");
