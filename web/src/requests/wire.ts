/** What the Wire shows beside the list that is pushed. */
import type { AddressRow } from "../api/types";
import { read } from "./read";

export const wireAddresses = (text: string) =>
  read<AddressRow[]>(`wire/addresses?text=${encodeURIComponent(text)}`);
