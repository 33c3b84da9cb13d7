import type { Problem, ScaleMark } from "../api/types";
import { EditField } from "./EditField";
import { readMarks, writtenMarks } from "./marks";

interface Props {
  label: string;
  marks: ScaleMark[];
  put: (marks: ScaleMark[]) => Promise<Problem[]>;
}

/** The marks of a scale: each a number of the target and what people call it. */
export function MarksField({ label, marks, put }: Props) {
  return (
    <EditField
      label={label}
      value={writtenMarks(marks)}
      onCommit={(text) => {
        const read = readMarks(text);
        if (read) return put(read);
        const message = "Each mark is a number and what to call it, such as 0 off; 0.562 0 dB; 1 +10";
        return Promise.resolve([{ part: null, field: "", message, mend: null }]);
      }}
    />
  );
}
