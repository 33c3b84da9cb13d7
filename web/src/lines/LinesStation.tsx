import { Outlet } from "react-router";
import { ViewTabs } from "../ui/ViewTabs";

/** What the pages say: line by line, from target to target, and against what each target could do. */
export function LinesStation() {
  return (
    <div className="flex min-h-0 min-w-0 flex-1 flex-col">
      <ViewTabs
        label="Views of the lines"
        views={[
          { to: "/lines", name: "All lines" },
          { to: "/lines/forwards", name: "Forwards" },
          { to: "/lines/values", name: "Named values" },
          { to: "/lines/coverage", name: "Coverage" },
        ]}
      />
      <Outlet />
    </div>
  );
}
