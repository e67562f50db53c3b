import { collect } from "./collect";
import { openPanel, type Target } from "./panel";

/** Opens the reader on the page it is run in. */
export default function readPage(target: Target) {
  openPanel(document, target, (keepsTexts) => collect(document, keepsTexts));
}
