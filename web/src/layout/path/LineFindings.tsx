import { Accept, SEVERITIES } from "../../findings/FindingLine";
import { isOpen } from "../../findings/found";
import type { Found } from "../../api/types";
import { mend } from "../../requests/findings";
import { PushButton } from "../../ui/buttons";
import { report } from "../../ui/notices";

/** What the checks say of a line, or of a control, each with the press that sets it right; what is accepted is quiet. */
export function LineFindings({ found }: { found: Found[] }) {
  const open = found.filter(isOpen);
  if (open.length === 0) return null;
  return (
    <ul className="flex flex-col gap-1" aria-label="Findings">
      {open.map((each) => {
        const { Icon, text, border, word } = SEVERITIES[each.severity];
        return (
          <li
            key={`${each.kind} ${each.facts}`}
            data-finding={each.kind}
            className={`rounded border px-2 py-0.5 text-sm ${border} ${text}`}
          >
            <Icon size={14} className="mr-1 inline" aria-label={word} />
            {each.text}{" "}
            {each.remedy !== null && (
              <PushButton className="px-2! py-0! font-mono" onClick={() => void report(mend([each]))}>
                {each.remedy}
              </PushButton>
            )}{" "}
            <Accept found={[each]}>
              <button className="underline">Accept …</button>
            </Accept>
          </li>
        );
      })}
    </ul>
  );
}
