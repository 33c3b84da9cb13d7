/** Short names for the types made from the server's OpenAPI document. */
import type { components } from "./schema";

type Schemas = components["schemas"];

export type ArgumentSource = Schemas["ArgumentSource"];
export type Arrangement = Schemas["Arrangement"];
export type Body = Schemas["Body"];
export type Cell = Schemas["Cell"];
export type Cells = Schemas["Cells"];
export type ClientFrame = Schemas["ClientFrame"];
export type Control = Schemas["Control"];
export type ControlKind = Schemas["AddControl"]["kind"];
export type ControlValue = Schemas["ControlValue"];
export type Edit = Schemas["Edit"];
export type EditAnswer = Schemas["EditAnswer"];
export type EditLine = Schemas["EditLine"];
export type EditRequest = Schemas["EditRequest"];
export type Form = Schemas["Form"];
export type Held = Schemas["Held"];
export type Link = Schemas["LinkView"];
export type KeepPoint = Schemas["KeepPoint"];
export type Listen = Schemas["Listen"];
export type Page = Schemas["Page"];
export type Part = Schemas["Part"];
export type Preview = Schemas["Preview"];
export type Problem = Schemas["Problem"];
export type Send = Schemas["Send"];
export type ServerFrame = Schemas["ServerFrame"];
export type ShowDone = Schemas["Done"];
export type ShowInfo = Schemas["ShowInfo"];
export type Step = EditRequest["steps"][number];
export type Target = Schemas["Target"];
export type TouchPhase = Schemas["Touched"]["phase"];
export type Trace = Schemas["Trace"];
export type ValueArgument = Schemas["Value"];
export type WireRow = Schemas["WireRow"];
