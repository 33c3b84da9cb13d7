import { useEffect, useState } from "react";
import { Later } from "../later";
import { notify } from "../ui/notices";

/** The path strip and the panel that says why: fetched once the page stands. */
export const beside = new Later(() => import("./besidePage"));

/** They, as soon as they are here; the page is played on meanwhile, and where they cannot be fetched. */
export function useBeside(wanted: boolean) {
  const [here, setHere] = useState(beside.here);
  useEffect(() => {
    if (!wanted || here) return;
    let looking = true;
    beside.fetch().then(
      (part) => looking && setHere(part),
      () =>
        looking &&
        notify("This could not be loaded: the server cannot be reached. Try again once it is back"),
    );
    return () => {
      looking = false;
    };
  }, [wanted, here]);
  return here;
}
