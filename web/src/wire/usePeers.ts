import { useEffect, useState } from "react";
import { peersOf } from "../requests/captures";

/** The ends that a capture speaks of, `host:port`; none before they are known. */
export function usePeers(capture: string): string[] {
  const [peers, setPeers] = useState<string[]>([]);
  useEffect(() => {
    let wanted = true;
    peersOf(capture).then(
      (told) => wanted && setPeers(told),
      () => wanted && setPeers([]),
    );
    return () => {
      wanted = false;
    };
  }, [capture]);
  return peers;
}
