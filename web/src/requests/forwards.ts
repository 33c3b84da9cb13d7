/** What one target says drives another one. */
import type { ForwardStatus, Problem } from "../api/types";
import { replace } from "./edits";
import { read } from "./read";

/** What became of what the forwards heard. */
export const forwardStatus = () => read<ForwardStatus[]>("forwards");

/** The steps of a forward, as somebody wrote them. */
export const shapeForward = (id: string, text: string): Promise<Problem[]> =>
  replace(`forwards/${id}/shaping`, { text });
