import { useShow } from "../live/show";

/** Says that the server is not there, since when, and what that means. */
export function LostBanner() {
  const lostSince = useShow((s) => s.lostSince);
  if (!lostSince) return null;
  return (
    <div role="alert" className="bg-fault px-4 py-2 text-center font-bold text-ink">
      Not connected since {lostSince.toLocaleTimeString("en-GB")}; what you do now is not sent. Trying again …
    </div>
  );
}
