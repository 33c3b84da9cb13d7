import type { Control, Form, FormOf } from "../api/types";

/** What the view of a form is given. */
export interface ViewOf<K extends Form["kind"] = Form["kind"]> {
  id: string;
  control: Control;
  form: FormOf<K>;
  /** Whether hands move it; while building they do not. */
  live: boolean;
}
