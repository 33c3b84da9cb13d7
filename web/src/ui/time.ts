/** The time of day to the millisecond. */
export function clockTime(millis: number): string {
  const date = new Date(millis);
  return `${date.toLocaleTimeString("en-GB")}.${String(date.getMilliseconds()).padStart(3, "0")}`;
}
