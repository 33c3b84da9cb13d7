/**
 * Values that change many times a second, outside React's render: who draws one subscribes to that one and writes to the
 * page itself.
 */

export class Channels<T> {
  private readonly latest = new Map<string, T>();
  private readonly listeners = new Map<string, Set<(value: T) => void>>();

  get(key: string): T | undefined {
    return this.latest.get(key);
  }

  set(key: string, value: T): void {
    this.latest.set(key, value);
    const listeners = this.listeners.get(key);
    if (listeners) for (const listener of listeners) listener(value);
  }

  clear(): void {
    this.latest.clear();
  }

  /** Calls at once with the latest value, if there is one, and then with every new one. */
  subscribe(key: string, listener: (value: T) => void): () => void {
    const set = this.listeners.get(key) ?? new Set();
    this.listeners.set(key, set.add(listener));
    const known = this.latest.get(key);
    if (known !== undefined) listener(known);
    return () => {
      set.delete(listener);
    };
  }
}
