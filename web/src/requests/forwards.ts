/** What one target says drives another one. */
import type { Faring, Problem } from "../api/types";
import { replace } from "./edits";
import { read } from "./read";

/** How the forwards fare. */
export const faring = () => read<Faring[]>("forwards");

/** The steps of a forward, as somebody wrote them. */
export const shapeForward = (id: string, text: string): Promise<Problem[]> =>
  replace(`forwards/${id}/shaping`, { text });
