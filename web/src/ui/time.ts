/** The time of day to the millisecond. */
export function clockTime(millis: number): string {
  const date = new Date(millis);
  return `${date.toLocaleTimeString("en-GB")}.${String(date.getMilliseconds()).padStart(3, "0")}`;
}

/** A day and the time of day to the minute. */
export function dayAndTime(moment: string): string {
  return new Date(moment).toLocaleString("en-GB", {
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
  });
}
