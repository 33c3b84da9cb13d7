const digits = (value: number, count: number) => String(value).padStart(count, "0");

/** The time of day to the second. By hand: what browsers have for it takes tens of milliseconds to get ready, for which the first picture would wait. */
export function timeOfDay(date: Date): string {
  return [date.getHours(), date.getMinutes(), date.getSeconds()].map((each) => digits(each, 2)).join(":");
}

/** The time of day to the millisecond. */
export function clockTime(millis: number): string {
  const date = new Date(millis);
  return `${timeOfDay(date)}.${digits(date.getMilliseconds(), 3)}`;
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
