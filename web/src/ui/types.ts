import type { ArgumentSource } from "../api/types";

/** The types of arguments by their names and tags. */
export const TYPES: { value: ArgumentSource["type"]; text: string }[] = [
  { value: "FLOAT32", text: "float (f)" },
  { value: "INT32", text: "int (i)" },
  { value: "TEXT", text: "text (s)" },
  { value: "BOOLEAN", text: "true/false (T, F)" },
  { value: "COLOUR", text: "colour (r)" },
  { value: "FLOAT64", text: "double (d)" },
  { value: "INT64", text: "int64 (h)" },
];
