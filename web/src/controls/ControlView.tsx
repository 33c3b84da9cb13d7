import type { Control } from "../api/types";
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

/** A control in its form. */
export function ControlView(props: { id: string; control: Control; live: boolean }) {
  const { form } = props.control;
  switch (form.kind) {
    case "fader":
      return <FaderView {...props} />;
    case "button":
      return <ButtonView {...props} />;
    case "tap":
      return <TapView {...props} />;
    case "knob":
      return <KnobView {...props} />;
    case "choice":
      return <ChoiceView {...props} form={form} />;
    case "meter":
      return <MeterView {...props} />;
    case "lamp":
      return <LampView {...props} form={form} />;
    case "readout":
      return <ReadoutView {...props} />;
    case "cross":
      return <CrossView {...props} />;
    case "pad":
      return <PadView {...props} />;
    case "colour":
      return <ColourView {...props} form={form} />;
    case "motion":
      return <MotionView {...props} form={form} />;
    case "tilt":
      return <TiltView {...props} form={form} />;
    case "wheel":
      return <WheelView {...props} form={form} />;
    case "line":
      return <LineView {...props} />;
    case "needle":
      return <NeedleView {...props} />;
    case "clock":
      return <ClockView {...props} />;
    case "picture":
      return <PictureView {...props} />;
    case "targetEnd":
      return <TargetEndView {...props} form={form} />;
    case "cueKey":
      return <CueKeyView {...props} form={form} />;
    case "trackKey":
      return <TrackKeyView {...props} form={form} />;
    case "trackDisplay":
      return <TrackDisplayView {...props} form={form} />;
    case "songKey":
      return <SongKeyView {...props} form={form} />;
    case "songDisplay":
      return <SongDisplayView {...props} form={form} />;
    case "cueDisplay":
      return <CueDisplayView {...props} form={form} />;
    case "pageKey":
      return <PageKeyView {...props} form={form} />;
  }
}
