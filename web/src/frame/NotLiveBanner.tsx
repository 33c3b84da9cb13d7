import { useShow } from "../live/show";
import { GoLive } from "../shows/GoLive";

/** Says that this show is edited beside the live one, and that nothing of it is sent. */
export function NotLiveBanner() {
  const id = useShow((s) => s.showId);
  const name = useShow((s) => s.showName);
  const live = useShow((s) => s.live);
  if (!id || live) return null;
  return (
    <div role="status" className="bg-caution px-4 py-1 text-center font-bold text-ink">
      This show is not live: edits are saved, nothing is sent or received.{" "}
      <GoLive show={id} name={name}>
        <button className="underline">Go live …</button>
      </GoLive>
    </div>
  );
}
