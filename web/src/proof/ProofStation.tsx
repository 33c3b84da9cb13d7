import { NavLink, Outlet } from "react-router";

const VIEWS = [
  { to: "/proof", name: "Prove" },
  { to: "/proof/reports", name: "Reports" },
  { to: "/proof/ready", name: "Ready check" },
];

/** Send every line and compare what is answered; what was proved; what is not ready. */
export function ProofStation() {
  return (
    <div className="flex min-h-0 min-w-0 flex-1 flex-col">
      <nav
        aria-label="Views of the proof"
        className="flex flex-none gap-1 overflow-x-auto border-b border-rule px-5 pt-2 whitespace-nowrap max-md:px-2 print:hidden"
      >
        {VIEWS.map((view) => (
          <NavLink
            key={view.to}
            to={view.to}
            end={view.to === "/proof"}
            className={({ isActive }) =>
              `rounded-t px-4 py-1.5 text-lg ${isActive ? "bg-raised font-bold" : "text-quiet"}`
            }
          >
            {view.name}
          </NavLink>
        ))}
      </nav>
      <div className="flex min-h-0 min-w-0 flex-1 flex-col">
        <Outlet />
      </div>
    </div>
  );
}
