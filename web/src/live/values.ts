import type { ControlValue, Trace } from "../api/types";
import { Channels } from "./channels";

/** The latest value of each control. */
export const values = new Channels<ControlValue>();

/** The latest path of each control that is watched. */
export const traces = new Channels<Trace>();
