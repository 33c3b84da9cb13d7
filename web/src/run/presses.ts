/** Controls that are pressed by a key of a keyboard or of a game controller, until it comes up. */
import { touch } from "../controls/hand";
import { fingerDown, fingerUp } from "../live/connection";
import { partsOf, useShow } from "../live/show";

/** The controls whose key is meant. */
export const controlsBy = (isMeant: (written: string) => boolean): string[] =>
  partsOf(useShow.getState().parts, "control")
    .filter((c) => c.part.body.behaviour.key !== "" && isMeant(c.part.body.behaviour.key))
    .map((c) => c.part.id);

export class Presses {
  private readonly down = new Map<string, string[]>();

  isDown(key: string): boolean {
    return this.down.has(key);
  }

  keys(): string[] {
    return [...this.down.keys()];
  }

  /** @param finger by which the server tells one hand from another */
  constructor(private readonly finger: string) {}

  press(key: string, controls: string[]): void {
    this.down.set(key, controls);
    controls.forEach((id) => {
      fingerDown(`${this.finger} ${id}`);
      touch(id, this.finger, "PRESS");
    });
  }

  letGo(key: string): void {
    this.down.get(key)?.forEach((id) => {
      fingerUp(`${this.finger} ${id}`);
      touch(id, this.finger, "RELEASE");
    });
    this.down.delete(key);
  }

  letGoOfAll(): void {
    this.keys().forEach((key) => this.letGo(key));
  }
}
