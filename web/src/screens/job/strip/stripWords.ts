import type { StripEntry } from "../../../api/types";
import type { Option } from "../../../parts/Pick";

/** What sort of thing came off. */
export const kinds: StripEntry["kind"][] = [
	"fasteners",
	"part",
	"trim",
	"seal",
	"wire",
	"shield",
	"pane",
];

/** What becomes of it. */
export const fates: Option<StripEntry["fate"]>[] = [
	{ value: "back", label: "goes back" },
	{ value: "renew", label: "renew" },
	{ value: "repair", label: "repair" },
	{ value: "lost", label: "lost" },
	{ value: "substitute", label: "replaced by …" },
	{ value: "off", label: "foreign: stays off" },
];
