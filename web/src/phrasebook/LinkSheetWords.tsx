import type { Phrasebook } from "../api/types";

type Sheet = Phrasebook["sheet"];

/** What a phrasebook says about reaching the target, as one line of words. */
export function LinkSheetWords({ sheet }: { sheet: Sheet }) {
  const words = [
    sheet.port !== null && `receives on ${sheet.port}`,
    sheet.transport === "UDP"
      ? "UDP"
      : sheet.transport === "TCP_SLIP"
        ? "TCP with SLIP"
        : "TCP, length first",
    sheet.answersTo === "NOBODY"
      ? "answers nobody"
      : sheet.answersTo === "SET_PORT"
        ? "answers to a set address and port"
        : "answers to the sender",
    sheet.keepAlive !== null && `wants ${sheet.keepAlive.address} every ${sheet.keepAlive.everySeconds} s`,
    sheet.messagesPerSecond !== null && `at most ${sheet.messagesPerSecond} a second`,
    !sheet.takesBundles && "no bundles",
    sheet.dialect === "osc-bare" && "addresses without a slash",
    sheet.partners !== null && `${sheet.partners} ${sheet.partners === 1 ? "partner" : "partners"} at most`,
    sheet.versions !== "" && `true for ${sheet.versions}`,
  ].filter(Boolean);
  return (
    <p className="mb-2 min-w-0 flex-1 text-quiet">
      <b className="text-bone">Link sheet:</b> {words.join(" · ")}
    </p>
  );
}
