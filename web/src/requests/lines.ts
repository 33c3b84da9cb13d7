/** The lines of a show as a table, learning, rest values and layouts as files. */
import { post, inTurnPost } from "./edits";
import { asking, askingText, at, read } from "./read";
import type {
  Arrangement,
  ArrangePreview,
  Command,
  Coverage,
  DraftLook,
  FillStart,
  Learned,
  LayoutPreview,
  PageShape,
  RestLine,
  TableLine,
  TablePreview,
} from "../api/types";

export type OnSameName = "KEEP_BOTH" | "REPLACE";

/** A layout or a page in a file, and what is to be done where one of its name is here. */
export interface LayoutInHand {
  text: string;
  onSameName: OnSameName;
}

/** What an arrangement would change. */
export const previewArrangement = (arrangement: Arrangement) =>
  read<ArrangePreview>("arrange/preview", asking(arrangement));
/** What filling across these controls begins with. */
export const fillStart = (controls: string[]) => read<FillStart>("arrange/fill-start", asking(controls));

/** The room of a page on its screen, and what is too small there. */
export const shapeOf = (page: string) => read<PageShape>(`pages/${page}/shape`);

export const linesOf = () => read<TableLine[]>("lines");
export const linesOnPage = (page: string) => read<TableLine[]>(`lines?page=${page}`);
/** What a target can do against what the controls reach of it. */
export const coverageOf = (target: string) => read<Coverage>(`coverage?target=${target}`);
export const linesAsCsv = () => at("lines.csv");
export const previewLines = (table: string) => read<TablePreview>("lines/preview", askingText(table));
export const takeLines = (table: string) => inTurnPost("lines", table);

export const learn = (on: boolean) => post("commands", { kind: "learn", on } satisfies Command);
export const learned = () => read<Learned[]>("learned");

export const previewRest = (controls: string[]) => read<RestLine[]>("rest/preview", asking(controls));

/** What swapping a copy of a layout in would do. */
export const differenceOf = (draft: string) => read<DraftLook>(`layouts/${draft}/difference`);

export const layoutFile = (part: string) => at(`layouts/${part}/file`);
export const previewLayout = ({ text, onSameName }: LayoutInHand) =>
  read<LayoutPreview>(`layouts/preview?onSameName=${onSameName}`, askingText(text));
export const takeLayout = ({ text, onSameName }: LayoutInHand) =>
  inTurnPost(`layouts?onSameName=${onSameName}`, text);
