import { useShow } from "../live/show";

/** Says that this show is edited beside the live one, and that nothing of it is sent. */
export function NotLiveBanner() {
  const known = useShow((s) => s.showId !== "");
  const live = useShow((s) => s.live);
  if (!known || live) return null;
  return (
    <div role="status" className="bg-caution px-4 py-1 text-center font-bold text-ink">
      This show is not live: edits are kept, nothing is sent and nothing is heard.
    </div>
  );
}
