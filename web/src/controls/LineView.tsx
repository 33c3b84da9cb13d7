import { useState } from "react";
import type { ControlValue } from "../api/types";
import { touch } from "./hand";
import { type Drawn, stateWords } from "./useValue";
import { ControlBox } from "./ControlBox";
import type { ViewOf } from "./view";

/** A line that is typed and sent with Enter; below it what the target made of it. */
export function LineView({ id, control, live }: ViewOf<"line">) {
  const [typed, setTyped] = useState("");
  return (
    <ControlBox id={id} control={control} draw={draw}>
      <form
        className="control-face line-face"
        onSubmit={(e) => {
          e.preventDefault();
          if (touch(id, "line", "TYPE", { words: typed })) setTyped("");
        }}
      >
        <input
          className="line-field"
          aria-label={control.label || "text line"}
          placeholder={control.label || "Type, then Enter"}
          disabled={!live}
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
        <span className="key-state px-2" />
      </form>
    </ControlBox>
  );
}

function draw(drawn: Drawn, value: ControlValue): void {
  const said = value.echoText ? `heard ${value.echoText}` : value.text ? `sent ${value.text}` : "";
  drawn.text(".key-state", value.enabled ? said : stateWords(value));
}
