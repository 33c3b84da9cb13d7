import type { Problem, Track } from "../api/types";
import { clock } from "../live/position";
import { readTime } from "../requests/tracks";
import { EditField } from "../ui/EditField";

interface Props {
  label: string;
  seconds: number;
  /** By which frames are counted, where somebody writes them. */
  rate: Track["rate"];
  onCommit: (seconds: number) => Promise<Problem[]>;
}

/** A time on a track: seconds, minutes and seconds, or frames; the server reads it. */
export function TimeField({ label, seconds, rate, onCommit }: Props) {
  const offer = async (text: string): Promise<Problem[]> => {
    const fault = (message: string): Problem[] => [{ part: null, field: "", message, mend: null }];
    try {
      const read = await readTime(text, rate);
      return read.seconds === null ? fault(read.problem ?? "This is no time") : onCommit(read.seconds);
    } catch (e) {
      return fault(e instanceof Error ? e.message : "The server does not answer");
    }
  };
  return <EditField label={label} mono value={clock(seconds)} onCommit={offer} />;
}
