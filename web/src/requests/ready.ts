/** What is not ready before the doors open. */
import type { Ready } from "../api/types";
import { read } from "./read";

export const ready = () => read<Ready>("ready");
