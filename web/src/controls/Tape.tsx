import { fitted } from "./fit";

/** The strip with a control's name; nothing where it has none. Its target may say another name. */
export function Tape({ label }: { label: string }) {
  if (!label) return null;
  return (
    <div className="tape tape-low" data-label={label} style={fitted(label)}>
      {label}
    </div>
  );
}

/** The value as it is sent, and one or two words on what we may believe of it. */
export function Readings() {
  return (
    <div className="readings-line">
      <span className="reading-out">–</span> <span className="reading-state" />
    </div>
  );
}
