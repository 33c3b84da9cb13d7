import { Link } from "react-router";
import { reports } from "../requests/proof";
import { useLook } from "../requests/useLook";
import { dayAndTime } from "../ui/time";
import { Counts } from "./verdicts";

/** All reports of the show, the newest first. */
export function Reports() {
  const { found, trouble } = useLook("reports", reports);
  return (
    <main className="mx-auto w-full max-w-5xl min-h-0 flex-1 overflow-auto p-5 max-md:px-2">
      <h1 className="mb-3 text-2xl font-bold">Reports</h1>
      {trouble && (
        <p role="alert" className="text-fault">
          {trouble}
        </p>
      )}
      {found?.length === 0 && (
        <p className="text-lg text-quiet">
          No report yet.{" "}
          <Link className="underline" to="/proof">
            Start a proof
          </Link>
          , and what came of it is kept here.
        </p>
      )}
      <ul className="flex flex-col gap-2">
        {found?.map((line) => (
          <li key={line.number}>
            <Link
              to={`/proof/reports/${line.number}`}
              className="flex flex-wrap items-baseline gap-x-5 rounded-lg border border-rule bg-panel px-4 py-2 hover:bg-raised"
            >
              <b className="text-lg">Report {line.number}</b>
              <span>{dayAndTime(new Date(line.endedAt).toISOString())}</span>
              <span className="text-quiet">
                {line.chosen}, {line.by || "somebody"}
                {line.stopped && ", stopped before its end"}
              </span>
              <span className="ml-auto flex flex-wrap gap-x-5">
                <Counts counts={line.counts} />
              </span>
              <span className="basis-full text-sm text-quiet">
                {line.signed ? `Signed by ${line.signed.name}` : "Not signed"}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </main>
  );
}
