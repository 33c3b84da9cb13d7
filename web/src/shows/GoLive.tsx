import type { ReactNode } from "react";
import { useShow } from "../live/show";
import { goLive } from "../requests/shows";
import { Confirm } from "../ui/Confirm";
import { report } from "../ui/notices";

interface Props {
  show: string;
  name: string;
  /** The show that is live now, where it is known. */
  live?: string;
  children: ReactNode;
}

/** Gives a show the sockets, after it was said what that does. The show that goes live is the one to work on. */
export function GoLive({ show, name, live, children }: Props) {
  const go = async () => {
    const { problems } = await goLive(show);
    await report(Promise.resolve(problems));
    // who looks at it already has gone on meanwhile, and stays where they are: that it is live is told to them
    if (problems.length === 0 && useShow.getState().showId !== show) location.assign(`/?show=${show}#/rig`);
  };
  return (
    <Confirm
      title={`Go live with “${name}”?`}
      text={`${live ? `“${live}”` : "The show that is live now"} releases its targets: they receive nothing more from it, and faders in anybody's hand stop. “${name}” takes over with its own targets. Nothing is sent until somebody touches a control.`}
      action="Go live"
      onConfirm={() => void go()}
    >
      {children}
    </Confirm>
  );
}
