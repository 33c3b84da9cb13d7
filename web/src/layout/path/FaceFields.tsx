import { ImageUp } from "lucide-react";
import { useRef } from "react";
import { pictures, upload } from "../../requests/pictures";
import type { Control, Face } from "../../api/types";
import { useLook } from "../../requests/useLook";
import { PushButton } from "../../ui/buttons";
import { ICONS } from "../../ui/icons";
import { report } from "../../ui/notices";
import { Select } from "../../ui/Select";
import { FORMS } from "./forms";
import type { Put } from "./put";

const NONE = "none";

const SIZES: { value: Face["textSize"]; text: string }[] = [
  { value: "SMALL", text: "small" },
  { value: "NORMAL", text: "usual" },
  { value: "LARGE", text: "large" },
  { value: "HUGE", text: "huge" },
];
const PLACES: { value: Face["textPlace"]; text: string }[] = [
  { value: "BELOW", text: "below" },
  { value: "ABOVE", text: "above" },
  { value: "HIDDEN", text: "not shown" },
];

const MEANINGS: { value: Face["meaning"]; text: string }[] = [
  { value: "NONE", text: "on" },
  { value: "MUTE", text: "mute" },
  { value: "SOLO", text: "solo" },
  { value: "RECORD", text: "record" },
  { value: "LOCATE", text: "locate" },
  { value: "ALL_OUT", text: "all out, such as blackout" },
];

/** What a control shows beside its value: its label's size and place, an icon or a picture. */
export function FaceFields({ control, put }: { control: Control; put: Put<Control> }) {
  const { face, form } = control;
  const set = (field: string, change: Partial<Face>) =>
    put(`face/${field}`, (before) => ({ face: { ...before.face, ...change } }));
  return (
    <details open={form.kind === "picture"}>
      <summary className="cursor-pointer text-sm text-quiet">Look</summary>
      <div className="mt-2 flex flex-col gap-2">
        {FORMS[form.kind].label && (
          <div className="grid grid-cols-2 gap-2">
            <Select
              label="Text size"
              value={face.textSize}
              options={SIZES}
              onChange={(textSize) => void report(set("textSize", { textSize }))}
            />
            <Select
              label="Text stands"
              value={face.textPlace}
              options={PLACES}
              onChange={(textPlace) => void report(set("textPlace", { textPlace }))}
            />
          </div>
        )}
        {form.kind === "button" && (
          <Select
            label="On means"
            value={face.meaning}
            options={MEANINGS}
            onChange={(meaning) => void report(set("meaning", { meaning }))}
          />
        )}
        {FORMS[form.kind].mark && form.kind !== "picture" && (
          <Select
            label="Icon"
            value={face.icon || NONE}
            onChange={(icon) => void report(set("icon", { icon: icon === NONE ? "" : icon }))}
            options={[
              { value: NONE, text: "no icon" },
              ...Object.keys(ICONS).map((name) => ({ value: name, text: name })),
            ]}
          />
        )}
        {FORMS[form.kind].mark && (
          <PictureField picture={face.picture} put={(picture) => void report(set("picture", { picture }))} />
        )}
      </div>
    </details>
  );
}

interface PictureProps {
  picture: string | null;
  put: (picture: string | null) => void;
}

/** One of the pictures that are here, or a new one from a file. */
function PictureField({ picture, put }: PictureProps) {
  const chosen = useRef<HTMLInputElement>(null);
  const { found, trouble } = useLook("pictures", pictures);
  const here = found ?? [];
  const known = here.some((each) => each.hash === picture);

  const take = async (file: File) => {
    const uploading = upload(file);
    await report(uploading.then((answer) => answer.problems));
    const { hash } = await uploading;
    if (hash) put(hash);
  };

  return (
    <>
      <Select
        label={trouble ? `Picture (${trouble})` : "Picture"}
        value={picture ?? NONE}
        onChange={(value) => put(value === NONE ? null : value)}
        options={[
          { value: NONE, text: "no picture" },
          ...(picture && !known ? [{ value: picture, text: "one that is not in the list" }] : []),
          ...here.map(({ hash, name }) => ({ value: hash, text: name })),
        ]}
      />
      <input
        ref={chosen}
        type="file"
        accept="image/png,image/jpeg"
        aria-label="Picture file"
        className="sr-only"
        tabIndex={-1}
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = "";
          if (file) void take(file);
        }}
      />
      <PushButton className="py-0.5!" onClick={() => chosen.current?.click()}>
        <ImageUp size={16} aria-hidden /> Upload a PNG or JPEG …
      </PushButton>
    </>
  );
}
