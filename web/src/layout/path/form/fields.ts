import type { Control, Form, FormOf, Problem } from "../../../api/types";
import type { HeldOf } from "../../../live/show";

/** What the fields of a form are given. */
export interface FieldsOf<K extends Form["kind"] = Form["kind"]> {
  control: HeldOf<Control>;
  form: FormOf<K>;
  /** Changes some of what the form says; the first names the field. */
  put: (field: string, change: Partial<FormOf<K>>) => Promise<Problem[]>;
}
