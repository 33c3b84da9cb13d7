import { NavLink, Outlet } from "react-router";
import { isOpen, useFindings } from "./rig";

const VIEWS = [
  { to: "/rig", name: "Links" },
  { to: "/rig/hosts", name: "Hosts" },
  { to: "/rig/phrasebooks", name: "Phrasebooks" },
  { to: "/rig/machine", name: "This machine" },
  { to: "/rig/sheet", name: "Sheet" },
];

/** The machines, addresses and ports of the show, from four sides. */
export function RigStation() {
  const open = useFindings().filter(isOpen).length;
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <nav
        aria-label="Views of the rig"
        className="flex flex-none gap-1 overflow-x-auto border-b border-rule px-5 pt-2 whitespace-nowrap max-md:px-2 print:hidden"
      >
        {VIEWS.map((view) => (
          <NavLink
            key={view.to}
            to={view.to}
            end={view.to === "/rig"}
            className={({ isActive }) =>
              `rounded-t px-4 py-1.5 text-lg ${isActive ? "bg-raised font-bold" : "text-quiet"}`
            }
          >
            {view.name}
            {view.name === "Hosts" && open > 0 && (
              <span className="ml-2 rounded bg-fault px-1.5 text-sm font-bold text-ink">{open}</span>
            )}
          </NavLink>
        ))}
      </nav>
      <main className="relative mx-auto w-full max-w-[84rem] min-h-0 flex-1 overflow-auto px-5 py-4 max-md:px-2">
        <Outlet />
      </main>
    </div>
  );
}
