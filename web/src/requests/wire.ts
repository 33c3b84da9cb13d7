/** What the server keeps of the packets of the live show: it looks through them, and this browser draws what it found. */
import type {
  AddressesFound,
  ExampleLine,
  PlotLine,
  Plotted,
  WireFound,
  WirePacket,
  WireQuery,
} from "../api/types";
import { post } from "./edits";
import { asking, read } from "./read";

/** What was said after a moment, by its address. */
export const wireAddresses = (query: WireQuery, sinceMillis: number) =>
  read<AddressesFound>("wire/addresses", asking({ query, sinceMillis }));

/** The packets that are new or otherwise since a change; or those before one. */
export const wireRows = (query: WireQuery, since: number, before: number | null = null) =>
  read<WireFound>("wire/rows", asking({ query, since, before }));

export const wirePacket = (number: number) => read<WirePacket>(`wire/${number}`);

/** What a target understands, as messages that can be sent. */
export const wireLines = (target: string) => read<ExampleLine[]>(`wire/lines/${target}`);

export const wirePlot = (lines: PlotLine[], seconds: number) =>
  read<Plotted>("wire/plot", asking({ lines, seconds }));

/** Adds the address of a packet to the phrasebook of its target. */
export const phraseFrom = (number: number) => post(`wire/${number}/phrase`);

/** Gives the address of a packet to a control. */
export const linesFrom = (number: number, control: string) => post(`wire/${number}/lines`, { control });
