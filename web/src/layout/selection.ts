/** What is selected in Build, and which kind of control the next tap places. Selecting sends nothing. */
import { create } from "zustand";
import type { Form } from "../api/types";

interface Selection {
  id: string | null;
  placing: Form["kind"] | null;
}

export const useSelection = create<Selection>()(() => ({ id: null, placing: null }));

export const select = (id: string | null) => useSelection.setState({ id, placing: null });
export const place = (placing: Selection["placing"]) => useSelection.setState({ placing });
