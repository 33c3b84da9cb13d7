import { Plus, Radar } from "lucide-react";
import { useEffect, useState } from "react";
import { findServices } from "../requests/network";
import { changeRig } from "../requests/rig";
import type { FoundService } from "../api/types";
import { partsOf, useShow } from "../live/show";
import { PushButton } from "../ui/buttons";
import { report } from "../ui/notices";
import { endOf } from "./ends";

const PERIOD_MS = 2000;

/** What announces itself on the network as speaking OSC: looked for on request, added with one press. */
export function FoundServices() {
  const parts = useShow((s) => s.parts);
  const targets = partsOf(parts, "target").map((t) => t.part.body);
  const [looking, setLooking] = useState(false);
  const [found, setFound] = useState<FoundService[]>([]);

  useEffect(() => {
    if (!looking) return;
    const look = () =>
      void findServices()
        .then(setFound)
        .catch(() => setFound([]));
    look();
    const timer = setInterval(look, PERIOD_MS);
    return () => clearInterval(timer);
  }, [looking]);

  const add = ({ name, host, port }: FoundService) =>
    void report(
      changeRig({
        what: "addTarget",
        id: crypto.randomUUID(),
        name,
        place: { host, port },
        answerPort: null,
      }),
    );
  const isThere = (service: FoundService) =>
    targets.some((t) => endOf(t).host === service.host && endOf(t).port === service.port);

  return (
    <section className="mt-6" aria-label="Found on the network">
      <div className="mb-1 flex items-center gap-4">
        <h2 className="text-lg font-bold">Found on the network</h2>
        {!looking && (
          <PushButton onClick={() => setLooking(true)}>
            <Radar size={16} aria-hidden /> Look for targets
          </PushButton>
        )}
        {looking && <span className="text-quiet">looking … it takes some seconds until all have spoken</span>}
      </div>
      {!looking && (
        <p className="text-quiet">Targets that announce themselves can be added with one press.</p>
      )}
      <ul className="flex flex-col gap-2">
        {found.map((service) => (
          <li
            key={`${service.kind} ${service.name} ${service.host}`}
            data-service={`${service.name} ${service.kind}`}
            className="flex items-center gap-3 rounded border border-rule px-3 py-2"
          >
            <b>{service.name}</b>
            <span className="font-mono">
              {service.host}:{service.port}
            </span>
            <span className="flex-1 text-quiet">
              {service.kind === "_osc._udp"
                ? "speaks OSC"
                : "tells what it understands (OSCQuery): import it under Phrasebooks"}
            </span>
            {service.kind === "_osc._udp" &&
              (isThere(service) ? (
                <span className="text-in">in the rig</span>
              ) : (
                <PushButton strong onClick={() => add(service)}>
                  <Plus size={16} aria-hidden /> Add {service.name}
                </PushButton>
              ))}
          </li>
        ))}
      </ul>
    </section>
  );
}
