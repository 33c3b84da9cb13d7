/** What the steps of a shaping do. It belongs to no show, so the same question has the same answer for good. */
import { useEffect, useState } from "react";
import type { ShapingAsked, Sketch } from "../api/types";
import { browser } from "../live/browser";
import { asking } from "./read";

/** More answers are not kept: a page has about as many different scales at most. */
const MOST_KEPT = 200;

const kept = new Map<string, Promise<Sketch>>();

function sketch(question: string): Promise<Sketch> {
  const known = kept.get(question);
  if (known) return known;
  const found = fetch("/api/shaping", {
    ...asking(null),
    headers: { "Content-Type": "application/json", "Imperan-Browser": browser.id },
    body: question,
  }).then((response) => {
    if (!response.ok) throw new Error("The server does not answer");
    return response.json() as Promise<Sketch>;
  });
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
  kept.set(question, found);
  found.catch(() => kept.delete(question));
  return found;
}

/** What is asked, as the server answers it; the answer before until it has come. Null where nothing is asked. */
export function useSketch(asked: ShapingAsked | null): Sketch | null {
  const question = asked && JSON.stringify(asked);
  const [answer, setAnswer] = useState<Sketch | null>(null);
  useEffect(() => {
    if (!question) return;
    let wanted = true;
    sketch(question)
      .then((found) => wanted && setAnswer(found))
      .catch(() => undefined);
    return () => {
      wanted = false;
    };
  }, [question]);
  return question ? answer : null;
}
