import {
  AudioLines,
  ChartNoAxesColumn,
  CircleGauge,
  Clock,
  Compass,
  Disc3,
  Gauge,
  Grid3x3,
  Image,
  LayoutGrid,
  Lightbulb,
  ListChecks,
  ListMusic,
  ListOrdered,
  Move,
  Music,
  Palette as PaletteIcon,
  Piano,
  RectangleVertical,
  Radio,
  Signpost,
  Square,
  StepForward,
  TextCursorInput,
  Timer,
  Type,
  Vibrate,
  MapPin,
} from "lucide-react";
import type { ControlKind } from "../api/types";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { addControl, addPage } from "./actions";
import { place, useSelection } from "./selection";
import { useGoToPage } from "./useGoToPage";

const KINDS: { kind: ControlKind; name: string; Icon: typeof Square }[] = [
  { kind: "FADER", name: "Fader", Icon: RectangleVertical },
  { kind: "BUTTON", name: "Button", Icon: Square },
  { kind: "KNOB", name: "Knob", Icon: CircleGauge },
  { kind: "CHOICE", name: "Choice", Icon: ListChecks },
  { kind: "WHEEL", name: "Wheel", Icon: Disc3 },
  { kind: "XY_PAD", name: "XY pad", Icon: Move },
  { kind: "COLOUR", name: "Colour", Icon: PaletteIcon },
  { kind: "PADS", name: "Pad grid", Icon: LayoutGrid },
  { kind: "MATRIX", name: "Matrix", Icon: Grid3x3 },
  { kind: "PIANO", name: "Piano", Icon: Piano },
  { kind: "LINE", name: "Text line", Icon: TextCursorInput },
  { kind: "TAP", name: "Tap", Icon: Timer },
  { kind: "TILT", name: "Tilt", Icon: Compass },
  { kind: "MOTION", name: "Motion", Icon: Vibrate },
  { kind: "METER", name: "Meter", Icon: ChartNoAxesColumn },
  { kind: "NEEDLE", name: "Needle", Icon: Gauge },
  { kind: "LAMP", name: "Lamp", Icon: Lightbulb },
  { kind: "READOUT", name: "Readout", Icon: Type },
  { kind: "CLOCK", name: "Clock", Icon: Clock },
  { kind: "PICTURE", name: "Picture", Icon: Image },
  { kind: "PAGE_KEY", name: "Page key", Icon: Signpost },
  { kind: "TARGET_END", name: "Address", Icon: MapPin },
  { kind: "CUE_KEY", name: "Cue key", Icon: StepForward },
  { kind: "CUE_DISPLAY", name: "Cue display", Icon: ListOrdered },
  { kind: "TRACK_KEY", name: "Track key", Icon: Music },
  { kind: "TRACK_DISPLAY", name: "Track display", Icon: AudioLines },
  { kind: "SONG_KEY", name: "Song key", Icon: Radio },
  { kind: "SONG_DISPLAY", name: "Song display", Icon: ListMusic },
];

/** The kinds of controls. A click arms one for the next tap on the page; Enter puts it where there is room. Without a page it makes one. */
export function Palette({ page }: { page: string | null }) {
  const goTo = useGoToPage();
  const pageForIt = async () => {
    if (page) return page;
    const { id, problems } = await addPage(null);
    await report(Promise.resolve(problems));
    if (problems.length > 0) return null;
    goTo(id);
    return id;
  };
  const placing = useSelection((s) => s.placing);
  return (
    <section aria-label="Controls" className="flex flex-col gap-2">
      <p className="text-sm text-quiet" role="status">
        {placing ? `Tap a free cell to place it.` : "Choose one, then tap a free cell. Enter places it."}
      </p>
      <div className="grid grid-cols-2 gap-1.5">
        {KINDS.map(({ kind, name, Icon }) => (
          <PushButton
            key={kind}
            aria-pressed={placing === kind}
            className={`justify-start! px-2! whitespace-nowrap ${placing === kind ? "border-select! text-select!" : ""}`}
            onClick={() => void pageForIt().then((there) => place(there && placing !== kind ? kind : null))}
            onKeyDown={(e) => {
              if (e.key !== "Enter") return;
              e.preventDefault();
              void pageForIt().then((there) => (there ? report(addControl(there, kind)) : []));
            }}
          >
            <Icon size={16} aria-hidden /> {name}
          </PushButton>
        ))}
      </div>
    </section>
  );
}
