import { Plus, Trash2 } from "lucide-react";
import { useCallback } from "react";
import type { ArgumentSource, CueAction, CueActionOf, ExampleLine, FadeCurve, Problem } from "../api/types";
import { FORMS } from "../layout/path/forms";
import { isLookedUp, LOOKED_UP, lookedUp, LookedUpFields } from "../layout/path/LookedUpFields";
import { inDraft, nameOf, pageOf } from "../live/laid";
import { partOf, partsOf, useShow } from "../live/show";
import { lookAtTyped } from "../requests/findings";
import { useLook } from "../requests/useLook";
import { wireLines } from "../requests/wire";
import { PushButton } from "../ui/buttons";
import { EditField } from "../ui/EditField";
import { NumberField } from "../ui/fields";
import { report } from "../ui/notices";
import { Select } from "../ui/Select";
import { TYPES } from "../ui/types";

interface Props<A extends CueAction = CueAction> {
  action: A;
  /** Changes it from what it is when the edit's turn comes; the first names the field. */
  put: (field: string, update: (now: CueAction) => CueAction) => Promise<Problem[]>;
}

const NONE = "none";
const NOT_CHOSEN = { value: NONE, text: "not chosen yet" };
const NO_HINT = { problem: null, mend: null };

const CURVES: { value: FadeCurve; text: string }[] = [
  { value: "EVEN", text: "evenly" },
  { value: "SLOW_START", text: "slow at first" },
  { value: "SLOW_END", text: "slow at last" },
  { value: "SLOW_ENDS", text: "slow at both ends" },
];

const DEEDS: { value: CueActionOf<"list">["deed"]; text: string }[] = [
  { value: "GO", text: "go" },
  { value: "PAUSE", text: "pause" },
  { value: "RESUME", text: "resume" },
  { value: "STOP", text: "stop" },
  { value: "RESET", text: "reset" },
];

/** What an action does to what, and how long after its cue it begins. */
export function ActionFields({ action, put }: Props) {
  return (
    <div className="grid grid-cols-4 gap-1.5">
      {action.does === "say" && <LineFields action={action} put={put} />}
      {action.does === "fade" && <LineFields action={action} put={put} />}
      {action.does === "fade" && <FromTo action={action} put={put} />}
      {action.does === "bring" && <BringFields action={action} put={put} />}
      {action.does === "look" && (
        <Chosen
          label="Look"
          kind="look"
          value={action.look}
          set={(look) => put("look", (now) => ({ ...now, look }) as CueAction)}
        />
      )}
      {action.does === "page" && <PageFields action={action} put={put} />}
      {(action.does === "start" || action.does === "hold") && (
        <Chosen
          label="Target"
          kind="target"
          value={action.target}
          set={(target) => put("target", (now) => ({ ...now, target }) as CueAction)}
        />
      )}
      {action.does === "hold" && (
        <Select
          className="col-span-2"
          label="It is"
          value={action.hold ? "hold" : "open"}
          onChange={(to) => void report(put("hold", (now) => ({ ...now, hold: to === "hold" }) as CueAction))}
          options={[
            { value: "hold", text: "held: nothing leaves" },
            { value: "open", text: "let go" },
          ]}
        />
      )}
      {action.does === "list" && (
        <>
          <Chosen
            label="List"
            kind="cueList"
            value={action.list}
            set={(list) => put("list", (now) => ({ ...now, list }) as CueAction)}
          />
          <Select
            className="col-span-2"
            label="Order"
            value={action.deed}
            onChange={(deed) => void report(put("deed", (now) => ({ ...now, deed }) as CueAction))}
            options={DEEDS}
          />
        </>
      )}
      {action.does === "track" && <TrackActionFields action={action} put={put} />}
      {action.does === "songs" && <SongActionFields action={action} put={put} />}
      {"seconds" in action && (
        <>
          <NumberField
            label="In, s"
            value={action.seconds}
            onCommit={(seconds) => put("seconds", (now) => ({ ...now, seconds }) as CueAction)}
          />
          <Select
            className="col-span-2"
            label="Goes"
            value={action.curve}
            onChange={(curve) => void report(put("curve", (now) => ({ ...now, curve }) as CueAction))}
            options={CURVES}
          />
        </>
      )}
      <NumberField
        label="Later, s"
        value={action.delay}
        onCommit={(delay) => put("delay", (now) => ({ ...now, delay }))}
      />
    </div>
  );
}

interface ChosenProps {
  label: string;
  kind: "look" | "target" | "cueList" | "page" | "track" | "setList" | "trackMark" | "song";
  /** In which part it lies. */
  of?: string | null;
  value: string | null;
  set: (id: string | null) => Promise<Problem[]>;
}

function Chosen({ label, kind, value, set, of }: ChosenProps) {
  const parts = useShow((s) => s.parts);
  const all = partsOf(parts, kind, of ?? undefined).filter(
    (p) => kind !== "page" || !inDraft(parts, p.part.id),
  );
  return (
    <Select
      className="col-span-2"
      label={label}
      value={value && parts.has(value) ? value : NONE}
      onChange={(id) => void report(set(id === NONE ? null : id))}
      options={[
        NOT_CHOSEN,
        ...all.map((p) => ({ value: p.part.id, text: p.part.body.name || "without a name" })),
      ]}
    />
  );
}

const TRACK_DEEDS: { value: CueActionOf<"track">["deed"]; text: string }[] = [
  { value: "PLAY", text: "play" },
  { value: "PAUSE", text: "pause" },
  { value: "PLACE", text: "go to the start, or to a mark" },
  { value: "LOOP", text: "loop a section" },
  { value: "LEAVE", text: "leave the loop at its end" },
];

function TrackActionFields({ action, put }: Props<CueActionOf<"track">>) {
  return (
    <>
      <Chosen
        label="Track"
        kind="track"
        value={action.track}
        set={(track) => put("track", (now) => ({ ...now, track, mark: null }) as CueAction)}
      />
      <Select
        className="col-span-2"
        label="Order"
        value={action.deed}
        onChange={(deed) => void report(put("deed", (now) => ({ ...now, deed }) as CueAction))}
        options={TRACK_DEEDS}
      />
      {(action.deed === "PLACE" || action.deed === "LOOP") && action.track && (
        <Chosen
          label={action.deed === "LOOP" ? "Section" : "Mark"}
          kind="trackMark"
          of={action.track}
          value={action.mark}
          set={(mark) => put("mark", (now) => ({ ...now, mark }) as CueAction)}
        />
      )}
    </>
  );
}

const SONG_DEEDS: { value: CueActionOf<"songs">["deed"]; text: string }[] = [
  { value: "NEXT", text: "make the next song ready" },
  { value: "PREVIOUS", text: "make the one before ready" },
  { value: "READY", text: "make one song ready" },
  { value: "ON_AIR", text: "put the one that is ready on air" },
];

function SongActionFields({ action, put }: Props<CueActionOf<"songs">>) {
  return (
    <>
      <Chosen
        label="Set list"
        kind="setList"
        value={action.set}
        set={(set) => put("set", (now) => ({ ...now, set, song: null }) as CueAction)}
      />
      <Select
        className="col-span-2"
        label="Order"
        value={action.deed}
        onChange={(deed) => void report(put("deed", (now) => ({ ...now, deed }) as CueAction))}
        options={SONG_DEEDS}
      />
      {action.deed === "READY" && action.set && (
        <Chosen
          label="Song"
          kind="song"
          of={action.set}
          value={action.song}
          set={(song) => put("song", (now) => ({ ...now, song }) as CueAction)}
        />
      )}
    </>
  );
}

type WithLine = CueActionOf<"say"> | CueActionOf<"fade">;

function LineFields({ action, put }: Props<WithLine>) {
  const { target } = action;
  const look = useCallback(
    async (address: string) => (await lookAtTyped({ target, lines: [address] }))[0] ?? NO_HINT,
    [target],
  );
  const putArguments = (field: string, update: (before: ArgumentSource[]) => ArgumentSource[]) =>
    put(field, (now) =>
      now.does === "say" || now.does === "fade" ? { ...now, arguments: update(now.arguments) } : now,
    );
  return (
    <>
      <Chosen
        label="Target"
        kind="target"
        value={action.target}
        set={(to) => put("target", (now) => ({ ...now, target: to }) as CueAction)}
      />
      {action.does === "say" && target && (
        <PhrasePick
          target={target}
          take={(line) =>
            put(
              "address",
              (now) => ({ ...now, address: line.address, arguments: line.arguments }) as CueAction,
            )
          }
        />
      )}
      <EditField
        className="col-span-2"
        label="Address"
        mono
        value={action.address}
        onCommit={(address) => put("address", (now) => ({ ...now, address }) as CueAction)}
        look={look}
      />
      {action.arguments.map((source, i) => (
        <div key={i} className="col-span-4 flex flex-wrap items-end gap-1">
          {source.from === "value" ? (
            <p className="min-w-24 flex-1 py-1 text-sm text-quiet">Argument {i + 1}: what fades</p>
          ) : (
            <Select
              className="min-w-24 flex-1"
              label={`Argument ${i + 1}`}
              value={source.from}
              onChange={(from) =>
                void report(
                  putArguments(`arguments/${i}`, (all) =>
                    all.map((each, k) =>
                      k !== i
                        ? each
                        : from === "named" || from === "control" || from === "said"
                          ? lookedUp(from, each.type === "COLOUR" ? "FLOAT32" : each.type)
                          : { from: "fixed", type: each.type, text: "1" },
                    ),
                  ),
                )
              }
              options={[{ value: "fixed", text: "fixed" }, ...LOOKED_UP]}
            />
          )}
          <Select
            className="min-w-24 flex-1"
            label="Type"
            value={source.type}
            onChange={(type) =>
              void report(
                putArguments(`arguments/${i}`, (all) =>
                  all.map((each, k) => (k === i ? { ...each, type } : each)),
                ),
              )
            }
            options={TYPES.filter(
              ({ value }) => source.from !== "value" || !["TEXT", "BOOLEAN", "COLOUR"].includes(value),
            )}
          />
          {source.from === "fixed" && (
            <EditField
              className="min-w-24 flex-1"
              label="Is"
              mono
              value={source.text}
              onCommit={(text) =>
                putArguments(`arguments/${i}`, (all) =>
                  all.map((each, k) => (k === i && each.from === "fixed" ? { ...each, text } : each)),
                )
              }
            />
          )}
          {source.from !== "value" && (
            <button
              aria-label={`Remove argument ${i + 1}`}
              className="py-1.5 text-quiet"
              onClick={() => void report(putArguments("arguments", (all) => all.filter((_, k) => k !== i)))}
            >
              <Trash2 size={16} aria-hidden />
            </button>
          )}
          {isLookedUp(source) && (
            <LookedUpFields
              source={source}
              set={(update) =>
                putArguments(`arguments/${i}`, (all) => all.map((each, k) => (k === i ? update(each) : each)))
              }
            />
          )}
        </div>
      ))}
      <div className="col-span-4">
        <PushButton
          className="px-2! py-0! text-sm"
          onClick={() =>
            void report(
              putArguments("arguments", (all) => {
                const fading = all.findIndex((each) => each.from === "value");
                const fresh: ArgumentSource = { from: "fixed", type: "INT32", text: "1" };
                // what is added to a fade stands before its number, as a channel does
                return fading < 0 ? [...all, fresh] : [...all.slice(0, fading), fresh, ...all.slice(fading)];
              }),
            )
          }
        >
          <Plus size={16} aria-hidden /> Argument
        </PushButton>
      </div>
    </>
  );
}

const BY_HAND = "by hand";

/** A message from the phrasebook of a target, to begin with; nothing where it has none. */
function PhrasePick({ target, take }: { target: string; take: (line: ExampleLine) => Promise<Problem[]> }) {
  const { found } = useLook(target, wireLines);
  if (!found || found.length === 0) return null;
  return (
    <Select
      className="col-span-2"
      label="From its phrasebook"
      value={BY_HAND}
      onChange={(phrase) => {
        const line = found.find((each) => each.phrase === phrase);
        if (line) void report(take(line));
      }}
      options={[
        { value: BY_HAND, text: "choose a message …" },
        ...found.map((line) => ({
          value: line.phrase,
          text: line.meaning ? `${line.phrase} · ${line.meaning}` : line.phrase,
        })),
      ]}
    />
  );
}

const WHERE_IT_IS = "where it is";

function FromTo({ action, put }: Props<CueActionOf<"fade">>) {
  const from = (text: string): Promise<Problem[]> => {
    const trimmed = text.trim();
    const commit = (start: number | null) => put("from", (now) => ({ ...now, from: start }) as CueAction);
    if (trimmed === "" || /^w/i.test(trimmed)) return commit(null);
    return Number.isFinite(Number(trimmed))
      ? commit(Number(trimmed))
      : Promise.resolve([{ part: null, field: "", message: `“${text}” is not a number`, mend: WHERE_IT_IS }]);
  };
  return (
    <>
      <EditField
        className="col-span-2"
        label="From"
        mono
        value={action.from === null ? WHERE_IT_IS : String(action.from)}
        onCommit={from}
      />
      <NumberField
        label="To"
        value={action.to}
        onCommit={(to) => put("to", (now) => ({ ...now, to }) as CueAction)}
      />
      <Select
        label="Unknown"
        value={action.unknown}
        onChange={(unknown) => void report(put("unknown", (now) => ({ ...now, unknown }) as CueAction))}
        options={[
          { value: "SKIP", text: "skip" },
          { value: "JUMP", text: "jump" },
        ]}
      />
    </>
  );
}

function BringFields({ action, put }: Props<CueActionOf<"bring">>) {
  const parts = useShow((s) => s.parts);
  const controls = partsOf(parts, "control")
    .filter((c) => FORMS[c.part.body.form.kind].hands && !inDraft(parts, pageOf(parts, c.part.id) ?? ""))
    .map((c) => ({
      value: c.part.id,
      text: `${nameOf(c.part.body)} · ${partOf(parts, "page", pageOf(parts, c.part.id))?.part.body.name ?? ""}`,
    }))
    .sort((a, b) => (a.text < b.text ? -1 : 1));
  const form = partOf(parts, "control", action.control)?.part.body.form;
  const axes = (form && FORMS[form.kind].axes) ?? [""];
  return (
    <>
      <Select
        className="col-span-2"
        label="Control"
        value={action.control && parts.has(action.control) ? action.control : NONE}
        onChange={(id) =>
          void report(
            put("control", (now) => {
              const kind = partOf(parts, "control", id)?.part.body.form.kind;
              const count = (kind && FORMS[kind].axes?.length) ?? 1;
              return now.does === "bring"
                ? {
                    ...now,
                    control: id === NONE ? null : id,
                    to: Array.from({ length: count }, (_, i) => now.to[i] ?? 0.5),
                  }
                : now;
            }),
          )
        }
        options={[NOT_CHOSEN, ...controls]}
      />
      {axes.map((name, axis) => (
        <NumberField
          key={axis}
          label={name ? `To, ${name}, %` : "To, %"}
          value={Math.round((action.to[axis] ?? 0) * 100_000) / 1000}
          onCommit={(percent) =>
            put("to", (now) =>
              now.does === "bring"
                ? { ...now, to: now.to.map((each, i) => (i === axis ? percent / 100 : each)) }
                : now,
            )
          }
        />
      ))}
    </>
  );
}

function PageFields({ action, put }: Props<CueActionOf<"page">>) {
  return (
    <>
      <Chosen
        label="Page"
        kind="page"
        value={action.page}
        set={(page) => put("page", (now) => ({ ...now, page }) as CueAction)}
      />
      <EditField
        className="col-span-2"
        label="For, by name; empty: all that follow"
        value={action.people.join(", ")}
        onCommit={(text) =>
          put(
            "people",
            (now) =>
              ({
                ...now,
                people: text
                  .split(",")
                  .map((name) => name.trim())
                  .filter(Boolean),
              }) as CueAction,
          )
        }
      />
    </>
  );
}
