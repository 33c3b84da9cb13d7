import { useEffect, useState } from "react";
import type { Behaviour, Control } from "../../api/types";
import { partsOf, useShow } from "../../live/show";
import { watchPads } from "../../run/gamepads";
import { strokeOf } from "../../run/keyStroke";
import { PushButton } from "../../ui/buttons";
import { EditField } from "../../ui/EditField";
import { Check, NumberField } from "../../ui/fields";
import { report } from "../../ui/notices";
import { Select } from "../../ui/Select";
import { ConditionFields } from "../ConditionFields";
import { FORMS } from "./forms";
import type { Put } from "./put";

/** How a control behaves, whatever its form: what guards it, when it is possible, which key presses it. */
export function BehaviourFields({ control, put }: { control: Control; put: Put<Control> }) {
  const parts = useShow((s) => s.parts);
  const { behaviour, form } = control;
  const change = (field: string, update: (now: Behaviour) => Partial<Behaviour>) =>
    put(`behaviour/${field}`, (before) => ({
      behaviour: { ...before.behaviour, ...update(before.behaviour) },
    }));
  const set = (field: string, fixed: Partial<Behaviour>) => change(field, () => fixed);
  const target = partsOf(parts, "target")[0]?.part.id ?? null;
  return (
    <details>
      <summary className="cursor-pointer text-sm text-quiet">Behaviour</summary>
      <div className="mt-2 flex flex-col gap-2">
        {FORMS[form.kind].hands && (
          <>
            <Select<Behaviour["guard"]>
              label="Guard"
              value={behaviour.guard}
              onChange={(guard) => void report(set("guard", { guard }))}
              options={[
                { value: "NONE", text: "no" },
                { value: "HOLD", text: "hold to confirm" },
                { value: "TWO_STEPS", text: "touch twice" },
              ]}
            />
            <Select<Behaviour["whenLost"]["goes"]>
              label="When the link is lost"
              value={behaviour.whenLost.goes}
              onChange={(goes) =>
                void report(change("whenLost", (now) => ({ whenLost: { ...now.whenLost, goes } })))
              }
              options={[
                { value: "NOWHERE", text: "nowhere" },
                { value: "REST", text: "to its rest value" },
                { value: "VALUE", text: "to a value" },
              ]}
            />
            {behaviour.whenLost.goes === "VALUE" && (
              <NumberField
                label="Value, 0 to 1"
                value={behaviour.whenLost.value}
                onCommit={(value) =>
                  change("whenLost/value", (now) => ({ whenLost: { ...now.whenLost, value } }))
                }
              />
            )}
            <NumberField
              label="Repeat while held, every (s)"
              value={behaviour.repeatSeconds}
              onCommit={(repeatSeconds) => set("repeatSeconds", { repeatSeconds })}
            />
            <EditField
              label="Keyboard key"
              mono
              value={behaviour.key}
              onCommit={(key) => set("key", { key: key.trim() })}
            />
            <KeyCatcher take={(key) => void report(set("key", { key }))} />
            <Check
              label="Enabled by a target"
              checked={behaviour.enabledWhen !== null}
              onChange={(only) =>
                void report(
                  set("enabledWhen", {
                    enabledWhen: only ? { target, address: "/ready", argument: 0, text: "1" } : null,
                  }),
                )
              }
            />
            {behaviour.enabledWhen && (
              <ConditionFields
                condition={behaviour.enabledWhen}
                field="enabledWhen"
                put={(field, update) =>
                  change(field, (now) => ({ enabledWhen: now.enabledWhen && update(now.enabledWhen) }))
                }
              />
            )}
          </>
        )}
      </div>
    </details>
  );
}

/** Takes the next key that is pressed, by its place: on a keyboard, on a key pad that acts as one, or on a game controller; or the stick that is moved there. */
function KeyCatcher({ take }: { take: (key: string) => void }) {
  const [waiting, setWaiting] = useState(false);
  useEffect(() => {
    if (!waiting) return;
    return watchPads(({ down, sticks }) => {
      const first = [...down, ...sticks.keys()][0];
      if (first === undefined) return;
      setWaiting(false);
      take(first);
    });
  }, [waiting, take]);
  return (
    <PushButton
      className="px-2! py-0! text-sm"
      aria-pressed={waiting}
      onClick={() => setWaiting(!waiting)}
      onBlur={() => setWaiting(false)}
      onKeyDown={(e) => {
        const stroke = waiting ? strokeOf(e.nativeEvent) : null;
        if (!waiting || (stroke === null && e.key !== "Tab")) return;
        e.preventDefault();
        e.stopPropagation();
        setWaiting(false);
        if (stroke) take(stroke);
      }}
    >
      {waiting ? "Press the key now …" : "Press it …"}
    </PushButton>
  );
}
