import type { LucideIcon } from "lucide-react";

export interface NextStep {
  title: string;
  text: string;
  Icon: LucideIcon;
  act: () => void;
}

/** What to do where there is nothing yet: each way to begin, one press away, the usual one first. */
export function NextSteps({ title, steps }: { title: string; steps: NextStep[] }) {
  return (
    <section aria-label={title} className="p-6">
      <h2 className="mb-4 text-xl font-bold">{title}</h2>
      <ul className="grid max-w-4xl grid-cols-2 gap-4 max-sm:grid-cols-1">
        {steps.map(({ title: name, text, Icon, act }, i) => (
          <li key={name}>
            <button
              className={`flex h-full w-full items-start gap-4 rounded-lg border-2 bg-panel p-5 text-left hover:bg-raised ${
                i === 0 ? "border-bone" : "border-rule"
              }`}
              onClick={act}
            >
              <Icon size={28} className="mt-1 flex-none" aria-hidden />
              <span>
                <strong className="block text-lg">{name}</strong>
                <span className="text-quiet">{text}</span>
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
