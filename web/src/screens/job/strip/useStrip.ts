import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, got, newKey, type Refused } from "../../../api/client";
import { keepView, on, useJobWrite } from "../../../api/hooks";
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
	const client = useQueryClient();
	const [draft, put, clear] = useDraft<StripDraft>(`strip:${id}`, empty);
	const add = useMutation<View, Refused, StripDraft>({
		mutationFn: (d) =>
			got(
				api.POST("/api/jobs/{id}/strip", {
					params: {
						...on(view),
						header: { "Idempotency-Key": d.key || newKey() },
					},
					body: entryOf(d),
				}),
			),
		onSuccess: (next) => {
			keepView(client, next);
			clear();
		},
	});
	const drop = useJobWrite<{ entry: string; version: number }>(view, (r) =>
		got(
			api.DELETE("/api/jobs/{id}/strip/{entry}", {
				params: {
					path: { id, entry: r.entry },
					query: { version: r.version, pane: view.pane.id },
				},
			}),
		),
	);
	const change = useJobWrite<{ entry: StripEntered; version: number }>(
		view,
		(r) =>
			got(
				api.PUT("/api/jobs/{id}/strip/{entry}", {
					params: on(view, { entry: r.entry.id }),
					body: r,
				}),
			),
	);
	const move = useJobWrite<{ entry: string; to: number; version: number }>(
		view,
		({ entry, ...body }) =>
			got(
				api.PUT("/api/jobs/{id}/strip/{entry}/place", {
					params: on(view, { entry }),
					body,
				}),
			),
	);
	const back = useJobWrite<{ entry: string; in: number; version: number }>(
		view,
		({ entry, ...body }) =>
			got(
				api.PUT("/api/jobs/{id}/strip/{entry}/back", {
					params: on(view, { entry }),
					body,
				}),
			),
	);
	const copy = useJobWrite<number>(view, (from) =>
		got(
			api.PUT("/api/jobs/{id}/strip-copy", {
				params: on(view),
				body: { from },
			}),
		),
	);
	return {
		draft,
		// Another content is another request.
		set: (c: Partial<StripDraft>) => put({ ...draft, ...c, key: newKey() }),
		add,
		drop,
		change,
		move,
		back,
		copy,
	};
}

export type StripTools = ReturnType<typeof useStrip>;
