/**
 * Does something with an answer, if whoever asked is still where they asked: an answer that comes late takes nobody away from
 * where they have gone on to meanwhile.
 */
export async function whileHere<T>(answer: Promise<T>, then: (answer: T) => void): Promise<void> {
  const here = location.href;
  const came = await answer;
  if (location.href === here) then(came);
}
