import { Outlet } from "react-router";
import { ViewTabs } from "../ui/ViewTabs";
import { useFindings } from "../findings/findings";
import { counts } from "../findings/found";
import { useWatchOpen } from "./watch";

/** Send every line and compare what is answered; what was proved; what is not ready; what goes wrong while the show plays. */
export function ProofStation() {
  const open = useWatchOpen();
  const findings = useFindings().filter(counts).length;
  return (
    <div className="flex min-h-0 min-w-0 flex-1 flex-col">
      <ViewTabs
        label="Views of the proof"
        views={[
          { to: "/proof", name: "Prove" },
          { to: "/proof/reports", name: "Reports" },
          { to: "/proof/findings", name: "Findings", count: findings },
          { to: "/proof/ready", name: "Ready check" },
          { to: "/proof/watch", name: "Watch", count: open },
        ]}
      />
      <div className="flex min-h-0 min-w-0 flex-1 flex-col">
        <Outlet />
      </div>
    </div>
  );
}
