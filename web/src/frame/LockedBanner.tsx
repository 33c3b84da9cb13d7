import { Lock } from "lucide-react";
import { lock } from "../requests/edits";
import { useShow } from "../live/show";
import { report } from "../ui/notices";

/** Says on every station where one builds that nothing can be changed now. */
export function LockedBanner() {
  const locked = useShow((s) => s.parts.has("lock"));
  if (!locked) return null;
  return (
    <div role="status" className="bg-caution px-4 py-1 text-center font-bold text-ink">
      <Lock size={16} className="inline" aria-hidden /> The show is locked: it can be operated, not changed.{" "}
      <button className="underline" onClick={() => void report(lock(false))}>
        Unlock
      </button>
    </div>
  );
}
