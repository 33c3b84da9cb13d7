import { Check } from "lucide-react";
import { useEffect, useId, useRef, useState } from "react";
import type { Problem } from "../api/types";

interface Props {
  label: string;
  value: string;
  /** Offers the text; what speaks against it comes back and is shown here. */
  onCommit: (text: string) => Promise<Problem[]>;
  mono?: boolean;
  /** A text of any length, which is shown whole, in as many rows as that takes. */
  long?: boolean;
  className?: string;
  hideLabel?: boolean;
  /** What speaks against a text that is still being typed, with what was probably meant; nothing is refused because of it. */
  look?: (text: string) => Promise<Hint>;
}

export interface Hint {
  problem: string | null;
  mend: string | null;
}

/** So long nothing is typed before it is looked at. */
const REST_MS = 250;

/**
 * A field that keeps what is typed when Enter is pressed or it is left. What is refused stays in the field with the reason
 * and the mend beside it, while the old value goes on to count; Escape brings the old value back.
 */
export function EditField({ label, value, onCommit, mono, long, className = "", hideLabel, look }: Props) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const [base, setBase] = useState(value);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [kept, setKept] = useState(false);
  const busy = useRef(false);
  const [hint, setHint] = useState<(Hint & { of: string }) | null>(null);

  useEffect(() => {
    if (!look || draft === null || draft.trim() === "") return;
    let wanted = true;
    const timer = setTimeout(
      () =>
        look(draft).then(
          (told) => wanted && setHint({ ...told, of: draft }),
          // the banner of the lost server says it
          () => undefined,
        ),
      REST_MS,
    );
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [look, draft]);

  useEffect(() => {
    if (!kept) return;
    const timer = setTimeout(() => setKept(false), 2500);
    return () => clearTimeout(timer);
  }, [kept]);

  const offer = async (text: string) => {
    if (busy.current) return;
    if (text === value) {
      setDraft(null);
      setProblem(null);
      return;
    }
    if (value !== base) {
      setBase(value);
      setProblem({
        part: null,
        field: "",
        message: `It was changed to “${value}” while you typed. Press Enter again to replace that`,
        mend: null,
      });
      return;
    }
    busy.current = true;
    const problems = await onCommit(text);
    busy.current = false;
    setProblem(problems[0] ?? null);
    setDraft(problems.length ? text : null);
    setKept(problems.length === 0);
  };

  const Field = long ? "textarea" : "input";

  return (
    <div className={`min-w-0 ${className}`}>
      <label htmlFor={id} className={hideLabel ? "sr-only" : "block text-sm text-quiet"}>
        {label}
      </label>
      <div className="relative">
        <Field
          id={id}
          rows={long ? 1 : undefined}
          className={`block w-full rounded border bg-ground px-2 py-1 text-bone ${mono ? "font-mono" : ""} ${
            long ? "field-sizing-content resize-none [overflow-wrap:anywhere]" : ""
          } ${problem ? "border-fault" : "border-rule"}`}
          value={draft ?? value}
          title={long ? undefined : (draft ?? value)}
          spellCheck={false}
          autoComplete="off"
          aria-invalid={problem !== null}
          aria-describedby={problem ? `${id}-problem` : undefined}
          onChange={(e) => {
            if (draft === null) setBase(value);
            // what is pasted may end its line, which no field here means
            setDraft(e.target.value.replace(/[\r\n]+/g, ""));
          }}
          onBlur={() => draft !== null && void offer(draft)}
          onKeyDown={(e) => {
            if (e.key === "Enter") {
              e.preventDefault();
              if (draft !== null) void offer(draft);
            }
            if (e.key === "Escape" && (draft !== null || problem)) {
              e.stopPropagation();
              setDraft(null);
              setProblem(null);
            }
          }}
        />
        {kept && (
          <span
            role="status"
            className="absolute top-1 right-1 flex items-center gap-1 rounded bg-ground px-1 text-sm text-in"
          >
            <Check size={14} aria-hidden /> Saved
          </span>
        )}
      </div>
      {!problem && hint?.problem && hint.of === draft && (
        <p role="status" className="mt-1 text-sm text-caution">
          {hint.problem}{" "}
          {hint.mend && (
            <button
              className="rounded border border-caution px-2 font-mono text-bone"
              onMouseDown={(e) => e.preventDefault()}
              onClick={() => void offer(hint.mend!)}
            >
              Use {hint.mend}
            </button>
          )}
        </p>
      )}
      {problem && (
        <p id={`${id}-problem`} role="alert" className="mt-1 text-sm text-fault">
          {problem.message}{" "}
          {problem.mend && (
            <button
              className="rounded border border-fault px-2 font-mono text-bone"
              onMouseDown={(e) => e.preventDefault()}
              onClick={() => void offer(problem.mend!)}
            >
              Use {problem.mend}
            </button>
          )}
          <span className="block text-quiet">
            Still in use: <span className={mono ? "font-mono" : ""}>{value || "nothing"}</span> (Esc brings it
            back)
          </span>
        </p>
      )}
    </div>
  );
}
