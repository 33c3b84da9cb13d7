import { useShow } from "../live/show";
import { timeOfDay } from "../ui/time";

/** Says that the server is not there, since when, and what that means; and afterwards, what was lost meanwhile. */
export function LostBanner() {
  const lostSince = useShow((s) => s.lostSince);
  const unsent = useShow((s) => s.unsent);
  const touches = unsent === 1 ? "1 touch was" : `${unsent} touches were`;
  if (lostSince)
    return (
      <div role="alert" className="bg-fault px-4 py-2 text-center font-bold text-ink">
        Not connected since {timeOfDay(lostSince)}; what you do now is not sent.{" "}
        {unsent > 0 && `${touches} not sent. `}Trying again …
      </div>
    );
  if (unsent === 0) return null;
  return (
    <div role="alert" className="bg-caution px-4 py-1 text-center font-bold text-ink">
      Connected again. Meanwhile {touches} not sent, and will not be.{" "}
      <button className="underline" onClick={() => useShow.setState({ unsent: 0 })}>
        Understood
      </button>
    </div>
  );
}
