import { isRouteErrorResponse, useRouteError } from "react-router";
import { PushButton } from "../ui/buttons";

/** Stands where a part of the application could not be loaded, or could not be shown. */
export function NotLoaded() {
  const error = useRouteError();
  const why = isRouteErrorResponse(error) ? error.statusText : error instanceof Error ? error.message : "";
  return (
    <main className="flex flex-col items-start gap-4 p-8 text-xl">
      <h1 className="text-2xl font-bold">This part of Imperan could not be shown.</h1>
      <p>
        Most likely the server does not answer, or it is a newer one than when this page was opened. What was
        kept is not lost; whatever runs, runs on.
      </p>
      {why && <p className="font-mono text-base text-quiet">{why}</p>}
      <PushButton onClick={() => location.reload()}>Load it again</PushButton>
    </main>
  );
}
