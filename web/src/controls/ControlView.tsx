import type { ComponentType } from "react";
import type { Control, Form } from "../api/types";
import { ButtonView } from "./ButtonView";
import { ChoiceView } from "./ChoiceView";
import { ClockView } from "./ClockView";
import { ColourView } from "./ColourView";
import { CrossView } from "./CrossView";
import { FaderView } from "./FaderView";
import { KnobView } from "./KnobView";
import { LampView } from "./LampView";
import { LineView } from "./LineView";
import { MeterView } from "./MeterView";
import { NeedleView } from "./NeedleView";
import { PadView } from "./PadView";
import { PageKeyView } from "./PageKeyView";
import { PictureView } from "./PictureView";
import { ReadoutView } from "./ReadoutView";
import { TapView } from "./TapView";
import { TargetEndView } from "./TargetEndView";
import { CueDisplayView } from "./CueDisplayView";
import { CueKeyView } from "./CueKeyView";
import { SongDisplayView, SongKeyView } from "./SongViews";
import { TrackDisplayView, TrackKeyView } from "./TrackViews";
import { MotionView } from "./MotionView";
import { TiltView } from "./TiltView";
import { WheelView } from "./WheelView";
import type { ViewOf } from "./view";

const VIEWS: { [K in Form["kind"]]: ComponentType<ViewOf<K>> } = {
  fader: FaderView,
  knob: KnobView,
  cross: CrossView,
  button: ButtonView,
  tap: TapView,
  choice: ChoiceView,
  wheel: WheelView,
  line: LineView,
  pad: PadView,
  tilt: TiltView,
  motion: MotionView,
  colour: ColourView,
  meter: MeterView,
  lamp: LampView,
  readout: ReadoutView,
  needle: NeedleView,
  clock: ClockView,
  picture: PictureView,
  pageKey: PageKeyView,
  targetEnd: TargetEndView,
  cueKey: CueKeyView,
  cueDisplay: CueDisplayView,
  trackKey: TrackKeyView,
  trackDisplay: TrackDisplayView,
  songKey: SongKeyView,
  songDisplay: SongDisplayView,
};

/** A control in its form. */
export function ControlView(props: { id: string; control: Control; live: boolean }) {
  const { form } = props.control;
  // one lookup for all forms: that a form and its view belong together is what the table says
  const View = VIEWS[form.kind] as ComponentType<ViewOf>;
  return <View {...props} form={form} />;
}
