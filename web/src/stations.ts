/** The stations of the work, from the rig to the wire: all that a device which only plays a page does without. */
export { Frame } from "./frame/Frame";
export { Glossary } from "./frame/Glossary";
export { HistoryStation } from "./history/HistoryStation";
export { LayoutStation } from "./layout/LayoutStation";
export { LinesStation } from "./lines/LinesStation";
export { Phrasebooks } from "./phrasebook/Phrasebooks";
export { ReadyCheck } from "./proof/ReadyCheck";
export { Hosts } from "./rig/Hosts";
export { Links } from "./rig/Links";
export { Machine } from "./rig/Machine";
export { RigStation } from "./rig/RigStation";
export { Sheet } from "./rig/Sheet";
export { ShowsStation } from "./shows/ShowsStation";
export { WireStation } from "./wire/WireStation";
