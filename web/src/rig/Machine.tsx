import { partsOf, useShow } from "../live/show";
import { FoundServices } from "./FoundServices";
import { NetworkDoor } from "./NetworkDoor";
import { StrayList } from "./StrayList";
import { UnusedSounds } from "./UnusedSounds";
import { useRig } from "./rig";

/** This machine's own end of the network, and who speaks to it without being in the rig. */
export function Machine() {
  const view = useRig((s) => s.view);
  const parts = useShow((s) => s.parts);
  const targets = partsOf(parts, "target");
  if (!view) return <p className="text-quiet">Looking at the network …</p>;
  const reachedBy = (address: string) =>
    targets.filter((t) => view.targets[t.part.id]?.reaching.some((own) => own.address === address));
  const unreached = targets.filter((t) => view.targets[t.part.id]?.reaching.length === 0);
  return (
    <>
      <h1 className="mb-3 text-2xl font-bold">This machine</h1>
      <NetworkDoor />
      <ul className="grid grid-cols-2 gap-3 max-md:grid-cols-1" aria-label="Network adapters">
        {view.adapters.map((adapter) => (
          <li
            key={adapter.name}
            className="rounded-lg border border-rule bg-panel p-4"
            data-adapter={adapter.name}
          >
            <h2 className="text-lg font-bold">
              {adapter.name}
              {adapter.loopback && (
                <span className="ml-2 font-normal text-quiet">only this machine itself</span>
              )}
            </h2>
            {adapter.addresses.length === 0 && <p className="text-quiet">no IPv4 address</p>}
            {adapter.addresses.map((address) => {
              const own = address.split("/")[0]!;
              const reached = reachedBy(own).map((t) => t.part.body.name);
              return (
                <p key={address}>
                  <span className="font-mono text-xl">{own}</span>
                  <span className="font-mono text-quiet">/{address.split("/")[1]}</span>
                  <span className="ml-3 text-quiet">
                    {reached.length > 0 ? `reaches ${reached.join(", ")}` : "reaches no target"}
                  </span>
                </p>
              );
            })}
          </li>
        ))}
      </ul>
      {unreached.length > 0 && (
        <p className="mt-3 text-caution">
          In none of these networks: {unreached.map((t) => t.part.body.name).join(", ")}.
        </p>
      )}
      <FoundServices />
      <StrayList strays={view.strays} />
      <UnusedSounds />
      <section className="mt-6">
        <h2 className="mb-1 text-lg font-bold">Stand-ins</h2>
        <p className="text-quiet [overflow-wrap:anywhere]">
          The simulated devices of the demo can be seen, touched and made to fail on their own page:{" "}
          <a className="text-bone underline" href={view.standInPage} target="_blank" rel="noreferrer">
            {view.standInPage}
          </a>
        </p>
      </section>
    </>
  );
}
