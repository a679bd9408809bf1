import { newKey } from "../../../api/key";
import {
	useAddStrip,
	useBack,
	useChangeStrip,
	useCopyStrip,
	useDropStrip,
	useMoveStrip,
} from "../../../api/strip";
import type { Spot, StripEntered, StripEntry, View } from "../../../api/types";
import { useDraft } from "../../../app/draft";

export type StripDraft = {
	key: string;
	kind: StripEntry["kind"];
	what: string;
	where: string;
	spot: Spot | null;
	how: StripEntry["held"]["how"];
	drive: string;
	size: string;
	thread: "" | "machine" | "self-tapping" | "wood";
	length: string;
	toGlass: string;
	washers: boolean;
	bends: number;
	count: number;
	loosen: boolean;
	seized: boolean;
	captures: string[];
	under: string[];
	facing: string;
	fate: StripEntry["fate"];
};

const empty: StripDraft = {
	key: "",
	kind: "fasteners",
	what: "",
	where: "",
	spot: null,
	how: "screw",
	drive: "",
	size: "",
	thread: "",
	length: "",
	toGlass: "",
	washers: false,
	bends: 0,
	count: 1,
	loosen: false,
	seized: false,
	captures: [],
	under: [],
	facing: "",
	fate: "back",
};

function entryOf(d: StripDraft): StripEntered {
	const driven = d.how === "screw" || d.how === "bolt" || d.how === "nut";
	return {
		id: "",
		in: 0,
		kind: d.kind,
		what: d.what,
		where: d.where,
		spot: d.spot ?? undefined,
		count: d.count,
		loosen: d.loosen,
		seized: d.seized,
		captures: d.captures,
		under: d.under,
		facing: d.facing,
		fate: d.fate,
		held: driven
			? {
					how: d.how,
					drive: d.drive,
					size: d.size,
					thread: d.thread,
					washers: d.washers,
				}
			: { how: d.how, ...(d.how === "tab" ? { bends: d.bends } : {}) },
		...(driven ? { length_said: d.length, to_glass_said: d.toGlass } : {}),
	};
}

/** The strip log: noting what comes off, and putting it back. */
export function useStrip(view: View) {
	const id = view.job.id;
	const [draft, put, clear] = useDraft<StripDraft>(`strip:${id}`, empty);
	const add = useAddStrip(view);
	const drop = useDropStrip(view);
	const change = useChangeStrip(view);
	const move = useMoveStrip(view);
	const back = useBack(view);
	const copy = useCopyStrip(view);
	return {
		draft,
		// Another content is another request.
		set: (c: Partial<StripDraft>) => put({ ...draft, ...c, key: newKey() }),
		add: {
			isPending: add.isPending,
			error: add.error,
			mutate: (d: StripDraft) =>
				add.mutate({ key: d.key, body: entryOf(d) }, { onSuccess: clear }),
		},
		drop,
		change,
		move,
		back,
		copy,
	};
}

export type StripTools = ReturnType<typeof useStrip>;
