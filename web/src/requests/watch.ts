/** What goes wrong while the show plays. */
import type { Watch } from "../api/types";
import { post } from "./edits";
import { read } from "./read";

export const watch = () => read<Watch>("watch");
export const beginWatch = () => post("watch/begin", {});
