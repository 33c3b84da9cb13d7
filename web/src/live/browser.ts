/** Who this browser is: an id for life and the name its user gave it, kept in the browser. */

const ID_KEY = "imperan.browser";
const NAME_KEY = "imperan.name";

function stored(key: string, make: () => string): string {
  const known = localStorage.getItem(key);
  if (known) return known;
  const fresh = make();
  localStorage.setItem(key, fresh);
  return fresh;
}

const id = stored(ID_KEY, () =>
  Array.from(crypto.getRandomValues(new Uint32Array(4)), (n) => n.toString(36)).join(""),
);

export const browser = {
  id,
  name: stored(NAME_KEY, () => `Browser ${id.slice(0, 4)}`),
};

/** Tells the server the name; the edits of this browser carry it from then on. */
export async function announce(): Promise<void> {
  await fetch(`/api/browsers/${browser.id}`, {
    method: "PUT",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify({ name: browser.name }),
  });
}

/** Keeps another name in this browser; nobody has been told yet. */
export function keepName(name: string): void {
  browser.name = name;
  localStorage.setItem(NAME_KEY, name);
}
