import { useMemo } from "react";
import type { ControlValue } from "../api/types";
import { hand, touch } from "./hand";
import { Readings, Tape } from "./Tape";
import { type Drawn, echoOf, positionOf, stateWords } from "./useValue";
import { ControlBox } from "./ControlBox";
import type { ViewOf } from "./view";

/** A field of hues, a slider for the brightness, saved colours, and beside them what was sent and what the target reports. */
export function ColourView({ id, control, form, live }: ViewOf<"colour">) {
  const handlers = useMemo(() => hand(id, "step"), [id]);
  const name = control.label || "colour";
  return (
    <ControlBox id={id} control={control} draw={draw}>
      <div className="control-face colour-face" role="group" aria-label={name}>
        <div className="colour-row">
          <div
            role="slider"
            tabIndex={live ? 0 : -1}
            aria-label={`${name}: hue and saturation`}
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={0}
            className="colour-field-room"
            {...(live ? handlers : {})}
          >
            <div data-travel className="colour-field" />
          </div>
          <input
            type="range"
            className="brightness"
            aria-label={`${name}: brightness`}
            min={0}
            max={1}
            step={0.01}
            disabled={!live}
            onChange={(e) => touch(id, "slider", "SET", { y: Number(e.target.value) })}
          />
          <div className="colour-chips" aria-hidden>
            <span className="chip chip-out" />
            <span className="chip chip-in" />
          </div>
        </div>
        <div className="swatches">
          {form.swatches.map((swatch, i) => (
            <button
              key={swatch}
              disabled={!live}
              className="swatch"
              style={{ background: swatch }}
              aria-label={`${name}: saved colour ${i + 1}, ${swatch}`}
              onClick={() => touch(id, "swatch", "PICK", { y: i })}
            />
          ))}
        </div>
        <Readings />
        <Tape label={control.label} />
      </div>
    </ControlBox>
  );
}

const channel = (share: number) => Math.round(share * 255);

function draw(drawn: Drawn, value: ControlValue): void {
  const rgb = [0, 1, 2].map((axis) => channel(positionOf(value, axis)));
  const heard = [0, 1, 2].map((axis) => channel(echoOf(value, axis) ?? 0));
  drawn.root.style.setProperty("--sent", `rgb(${rgb.join(" ")})`);
  drawn.root.style.setProperty("--heard", `rgb(${heard.join(" ")})`);
  drawn.text(".reading-out", value.belief === "UNSET" ? "–" : value.text);
  drawn.text(".reading-state", stateWords(value));
  const words = [value.text, stateWords(value)].filter(Boolean).join(", ");
  drawn.attribute("[role=slider]", "aria-valuetext", words);
  const brightness = drawn.part(".brightness") as HTMLInputElement;
  if (!brightness.matches(":active"))
    brightness.value = String(Math.max(...[0, 1, 2].map((axis) => positionOf(value, axis))));
}
