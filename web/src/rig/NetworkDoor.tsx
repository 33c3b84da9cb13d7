import { KeyRound } from "lucide-react";
import { useEffect, useState } from "react";
import { renderSVG } from "uqr";
import { CERTIFICATE, changeKey, openDoor, readDoor } from "../requests/network";
import type { Door } from "../api/types";
import { PushButton } from "../ui/buttons";
import { Confirm } from "../ui/Confirm";
import { report } from "../ui/notices";

/** The switch that lets phones and tablets in, where they find us, what they are asked, and how they come to trust us. */
export function NetworkDoor() {
  const [door, setDoor] = useState<Door | null>(null);
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    readDoor()
      .then(setDoor)
      .catch(() => setDoor(null));
  }, []);
  if (!door) return null;

  const act = async (work: ReturnType<typeof openDoor>) => {
    setBusy(true);
    const answer = await work.finally(() => setBusy(false));
    setDoor(answer.door);
    void report(Promise.resolve(answer.problems));
  };

  return (
    <section aria-label="Phones and tablets" className="mb-6 rounded-lg border border-rule bg-panel p-4">
      <div className="flex items-center gap-4">
        <h2 className="flex-1 text-lg font-bold">Phones and tablets</h2>
        <label className="flex items-center gap-2 text-lg">
          <input
            type="checkbox"
            role="switch"
            className="h-5 w-5"
            checked={door.open}
            disabled={busy}
            onChange={(e) => void act(openDoor(e.target.checked))}
          />
          {busy ? "a moment …" : door.open ? "the network is let in" : "let the network in"}
        </label>
      </div>
      {!door.open && (
        <p className="text-quiet">
          Only this machine can open Imperan now. Let the network in, and any phone or tablet that knows the
          show key can open it, encrypted.
        </p>
      )}
      {door.open && (
        <div className="mt-3 flex flex-wrap gap-6">
          {door.addresses.length === 0 && (
            <p className="text-caution">
              This machine has no address on a network now: connect it, then look again.
            </p>
          )}
          {door.addresses.map((address) => (
            <figure key={address} className="flex flex-col items-center gap-2">
              <div
                role="img"
                aria-label={`QR code of ${address}`}
                className="h-44 w-44 rounded bg-white p-1 [&>svg]:h-full [&>svg]:w-full"
                dangerouslySetInnerHTML={{ __html: renderSVG(address, { border: 1 }) }}
              />
              <figcaption className="font-mono text-lg">{address}</figcaption>
            </figure>
          ))}
          <div className="min-w-80 flex-1">
            <p>
              The show key, asked once of each device:{" "}
              <b className="ml-1 font-mono text-2xl tracking-widest">
                {door.key.slice(0, 4)} {door.key.slice(4)}
              </b>
            </p>
            <Confirm
              title="Another key?"
              text="Every phone and tablet is asked again, and those in use are cut off until they show it."
              action="Make another key"
              onConfirm={() => void act(changeKey())}
            >
              <PushButton className="my-2">
                <KeyRound size={16} aria-hidden /> Another key …
              </PushButton>
            </Confirm>
            <h3 className="mt-2 font-bold">Certificate warning on the phone?</h3>
            <ol className="list-decimal pl-5 text-quiet">
              <li>
                The certificate was made on this machine, and no authority signed it. Choose to go on to the
                page.
              </li>
              <li>
                To be sure that it is this machine, compare the certificate's SHA-256 fingerprint:{" "}
                <span className="font-mono text-sm break-all">{door.fingerprint}</span>
              </li>
              <li>
                To stop the warning, open{" "}
                <a className="text-bone underline" href={CERTIFICATE}>
                  the certificate
                </a>{" "}
                on the phone and trust it in its settings.
              </li>
            </ol>
          </div>
        </div>
      )}
    </section>
  );
}
