/** Why an answer is missing, and finding out more about it. */
import type { Why } from "../api/types";
import type { Asked } from "../live/why";
import { post } from "./edits";
import { read } from "./read";

export const why = ({ of, id }: Asked) => read<Why>(`why/${of}s/${id}`);

export const findOut = (target: string) => post(`why/targets/${target}/find-out`, {});
