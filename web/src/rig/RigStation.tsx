import { Outlet } from "react-router";
import { ViewTabs } from "../ui/ViewTabs";
import { useFindings } from "../findings/findings";
import { counts } from "../findings/found";

/** The machines, addresses and ports of the show, from four sides. */
export function RigStation() {
  const open = useFindings().filter((found) => counts(found) && found.area === "RIG").length;
  return (
    <div className="flex min-h-0 min-w-0 flex-1 flex-col">
      <ViewTabs
        label="Views of the rig"
        views={[
          { to: "/rig", name: "Links" },
          { to: "/rig/hosts", name: "Hosts", count: open },
          { to: "/rig/phrasebooks", name: "Phrasebooks" },
          { to: "/rig/machine", name: "This machine" },
          { to: "/rig/sheet", name: "Sheet" },
        ]}
      />
      <main className="relative mx-auto w-full max-w-[84rem] min-h-0 flex-1 overflow-auto px-5 py-4 max-md:px-2">
        <Outlet />
      </main>
    </div>
  );
}
