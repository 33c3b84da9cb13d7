import type { Phrase, ProofRule } from "../api/types";
import { setProofValues } from "../requests/phrasebooks";
import { EditField } from "../ui/EditField";
import { Check, NumberField } from "../ui/fields";
import { report } from "../ui/notices";
import type { PutPhrase } from "./put";

/** How long a proof presses what says nothing of it, in seconds. */
const PRESSED = 0.2;

/** What a proof may do with a phrase. */
export function ProofFields({ id, phrase, put }: { id: string; phrase: Phrase; put: PutPhrase }) {
  const { proof } = phrase;
  const set = (field: keyof ProofRule, change: Partial<ProofRule>) =>
    put(`proof/${field}`, (p) => ({ ...p, proof: { ...p.proof, ...change } }));
  const range = proof.low === null ? "" : `${proof.low} to ${proof.high}`;
  return (
    <>
      <h3 className="mt-3 font-bold">In a proof</h3>
      <EditField
        label="Values at the venue, such as 0.2 to 0.4 (empty: near the present one)"
        value={range}
        onCommit={(text) => setProofValues(id, text)}
      />
      <Check
        label="All its values may be sent at the venue, too"
        checked={proof.sweep}
        onChange={(sweep) => void report(set("sweep", { sweep }))}
      />
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label="Seconds between messages, at least (0: none)"
          value={proof.spacing ?? 0}
          onCommit={(n) => set("spacing", { spacing: n || null })}
        />
        <NumberField
          label="Seconds that it is pressed at the venue"
          value={proof.pressed ?? PRESSED}
          onCommit={(n) => set("pressed", { pressed: n === PRESSED ? null : n })}
        />
        <NumberField
          label="Most times a line is sent (0: no limit)"
          whole
          value={proof.most ?? 0}
          onCommit={(n) => set("most", { most: n || null })}
        />
      </div>
    </>
  );
}
