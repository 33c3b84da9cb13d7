import { NavLink } from "react-router";

interface Props {
  label: string;
  views: {
    to: string;
    name: string;
    /** How many things want to be looked at there. */
    count?: number;
  }[];
}

/** The views of a station, each with an address of its own; the first is the station's. */
export function ViewTabs({ label, views }: Props) {
  return (
    <nav
      aria-label={label}
      className="flex flex-none gap-1 overflow-x-auto border-b border-rule px-5 pt-2 whitespace-nowrap max-md:px-2 print:hidden"
    >
      {views.map((view, i) => (
        <NavLink
          key={view.to}
          to={view.to}
          end={i === 0}
          className={({ isActive }) =>
            `rounded-t px-4 py-1.5 text-lg ${isActive ? "bg-raised font-bold" : "text-quiet"}`
          }
        >
          {view.name}
          {(view.count ?? 0) > 0 && (
            <span className="ml-2 rounded bg-fault px-1.5 text-sm font-bold text-ink">{view.count}</span>
          )}
        </NavLink>
      ))}
    </nav>
  );
}
