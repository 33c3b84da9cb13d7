import { useMemo, useRef } from "react";
import type { Control, ControlValue } from "../api/types";
import { hand } from "./hand";
import { stateWords, useValue } from "./useValue";

interface Props {
  id: string;
  control: Control;
  live: boolean;
}

/** A key: its rim shows what we sent, its lamp what the target answered. */
export function ButtonView({ id, control, live }: Props) {
  const root = useRef<HTMLDivElement>(null);
  const handlers = useMemo(() => hand(id, "press"), [id]);
  const latching = control.form.kind === "button" && control.form.latching;
  useValue(root, id, draw);

  return (
    <div ref={root} className="control" data-control={id} data-belief="UNSET">
      <div
        className="control-face"
        role="button"
        tabIndex={live ? 0 : -1}
        aria-label={control.label || "button"}
        aria-pressed={latching ? false : undefined}
        data-latching={latching}
        {...(live ? handlers : {})}
      >
        <div data-travel className="key-cap">
          <span className="max-w-full truncate px-1">{control.label || " "}</span>
          <span className="key-state" />
        </div>
      </div>
      <div className="holder" />
    </div>
  );
}

function draw(element: HTMLElement, value: ControlValue): void {
  const on = value.position >= 0.5;
  element.dataset.on = String(on);
  element.dataset.lit = String(value.echo !== null && value.echo >= 0.5);
  const word = stateWords(value) || (on ? "on" : "off");
  element.querySelector(".key-state")!.textContent = word;
  const key = element.querySelector("[role=button]") as HTMLElement;
  if (key.dataset.latching === "true") key.setAttribute("aria-pressed", String(on));
  key.setAttribute("aria-description", word);
}
