/** The lines of the page that is built. */
import { linesOnPage } from "../requests/lines";
import type { TableLine } from "../api/types";
import { useLook } from "../requests/useLook";

const NONE: TableLine[] = [];

export function usePageLines(page: string | null): TableLine[] {
  return useLook(page, linesOnPage).found ?? NONE;
}
