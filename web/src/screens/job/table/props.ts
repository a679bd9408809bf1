import type { Ask, View } from "../../../api/types";
import type { AskTools } from "../line/useAsk";

/** What the picture of a station is given. */
export type TableProps = { view: View; ask: Ask; tools: AskTools };
