import { useState } from "react";
import { pictureAt } from "../requests/pictures";
import type { Face } from "../api/types";
import { Icon } from "../ui/icons";

/** The picture of a control, or else its icon; nothing where it has none. */
export function Mark({ face }: { face: Face }) {
  const [gone, setGone] = useState<string | null>(null);
  if (!face.picture) return <Icon name={face.icon} />;
  if (gone === face.picture) return <span className="text-sm text-caution">picture missing</span>;
  return (
    <img
      className="control-picture"
      src={pictureAt(face.picture)}
      alt=""
      draggable={false}
      onError={() => setGone(face.picture)}
    />
  );
}
