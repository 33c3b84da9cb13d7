import { notify } from "./notices";

/** As much as the server takes. */
const MOST_MIB = 32;

/** The text of a chosen file. One that is too large is said and not read; empty then, and where none was chosen. */
export async function textOf(file: File | undefined): Promise<string> {
  if (!file) return "";
  if (file.size <= MOST_MIB * 1024 * 1024) return file.text();
  notify(
    `“${file.name}” has ${Math.ceil(file.size / 1024 / 1024)} MiB; at most ${MOST_MIB} MiB are taken. No changes.`,
  );
  return "";
}
