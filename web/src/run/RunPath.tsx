import { PathStrip } from "../layout/path/PathStrip";
import { usePageLines } from "../layout/pageLines";
import { partOf, useShow } from "../live/show";
import { useTouched } from "../live/touched";

/** While the page is played: the path of the control that was touched here last, live and to be changed in place. */
export function RunPath({ page }: { page: string }) {
  const parts = useShow((s) => s.parts);
  const touched = useTouched((s) => s.control);
  const lines = usePageLines(page);
  const held = touched ? partOf(parts, "control", touched) : undefined;
  if (!held)
    return (
      <p className="flex-none border-t-2 border-rule bg-panel px-4 py-3 text-quiet">
        Touch a control to see its path here.
      </p>
    );
  return <PathStrip held={held} selected={1} lines={lines} playing />;
}
