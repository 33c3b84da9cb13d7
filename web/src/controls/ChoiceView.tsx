import { useMemo } from "react";
import type { ControlValue } from "../api/types";
import { ControlBox } from "./ControlBox";
import { hand } from "./hand";
import { type Drawn, echoOf, positionOf, stateWords } from "./useValue";
import type { ViewOf } from "./view";

/** A row or column of which one is on: its rim is what we sent, its lamp what the target says. */
export function ChoiceView({ id, control, form, live }: ViewOf<"choice">) {
  const last = form.options.length - 1;
  const across = form.direction === "RIGHT";
  const handlers = useMemo(() => hand(id, "step", 1 / last, !across), [id, last, across]);
  return (
    <ControlBox id={id} control={control} draw={draw}>
      <div
        className="control-face"
        role="radiogroup"
        tabIndex={live ? 0 : -1}
        aria-label={control.label || "choice"}
        {...(live ? handlers : {})}
      >
        <div data-travel className={`options ${across ? "options-across" : ""}`}>
          {form.options.map((option) => (
            <div key={option.text} role="radio" aria-checked={false} className="option">
              <span className="max-w-full truncate px-1">{option.label || option.text}</span>
            </div>
          ))}
        </div>
        <span className="reading-state text-center" />
        {control.label && <div className="tape tape-low">{control.label}</div>}
      </div>
    </ControlBox>
  );
}

function draw(drawn: Drawn, value: ControlValue): void {
  const options = [...drawn.root.querySelectorAll<HTMLElement>("[role=radio]")];
  const index = (position: number) => Math.round(position * (options.length - 1));
  const echo = echoOf(value);
  const known = value.belief !== "UNSET";
  options.forEach((option, i) => {
    option.setAttribute("aria-checked", String(known && i === index(positionOf(value))));
    option.dataset.lit = String(echo !== null && i === index(echo));
  });
  drawn.text(".reading-state", stateWords(value));
}
