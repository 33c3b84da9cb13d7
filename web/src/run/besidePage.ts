/** What stands beside a page now and then while it is played: in a file of its own, so that the page is there sooner. */
export { RunPath } from "./RunPath";
export { WhyPanel } from "../why/WhyPanel";
