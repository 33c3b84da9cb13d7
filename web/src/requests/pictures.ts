/** Pictures of the installation, each named by what it holds. */
import type { NamedPicture, Problem, UploadedPicture } from "../api/types";

export const pictureAt = (hash: string) => `/api/pictures/${hash}`;

/** @throws Error with a sentence for people */
export async function pictures(): Promise<NamedPicture[]> {
  const response = await fetch("/api/pictures").catch(() => null);
  if (!response?.ok) throw new Error("The server does not answer");
  return (await response.json()) as NamedPicture[];
}

/** @returns the hash of the picture that is there now, or what speaks against it */
export async function upload(file: File): Promise<{ hash: string | null; problems: Problem[] }> {
  const response = await fetch(`/api/pictures?name=${encodeURIComponent(file.name)}`, {
    method: "POST",
    headers: { "Content-Type": "application/octet-stream" },
    body: file,
  }).catch(() => null);
  const answer = (await response?.json().catch(() => null)) as UploadedPicture | null;
  const silent = {
    part: null,
    field: "",
    message: "The server does not answer; the picture was not taken",
    mend: null,
  };
  return answer ?? { hash: null, problems: [silent] };
}
