import { use } from "react";

/** A part of the interface in a file of its own. Once that is here it is shown without waiting, as if it had been here always. */
export class Later<T> {
  here: T | undefined;
  private coming: Promise<T> | undefined;

  constructor(private readonly load: () => Promise<T>) {}

  /** Fetches it, unless it is here or on its way; one that failed is tried again. */
  fetch(): Promise<T> {
    this.coming ??= this.load().then(
      (part) => (this.here = part),
      (error: unknown) => {
        this.coming = undefined;
        throw error;
      },
    );
    return this.coming;
  }
}

/** A part that what is rendered waits for, where it is not here. */
export function useLater<T>(part: Later<T>): T {
  return part.here ?? use(part.fetch());
}
