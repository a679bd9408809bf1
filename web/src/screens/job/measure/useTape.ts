import { useCallback, useDeferredValue, useEffect, useState } from "react";
import { useLength } from "../../../api/lengths";
import {
	type ReadingBefore,
	useReadingBack,
	useReadingWrite,
} from "../../../api/panes";
import type { Refused } from "../../../api/refused";
import type { Instrument, PlaceInfo, Reading, View } from "../../../api/types";
import { useDraft } from "../../../app/draft";

function readingAt(view: View, place: string): Reading | undefined {
	return view.pane.readings.find((r) => r.place === place);
}

/** The next place of the walk without a reading, needed ones first. */
function nextPlace(view: View, from: string): string {
	const { walk } = view.reckoning;
	const start = walk.findIndex((p) => p.place === from);
	const round = [...walk.slice(start + 1), ...walk.slice(0, start + 1)];
	const open = round.filter((p) => !readingAt(view, p.place));
	return (open.find((p) => p.needed) ?? open[0] ?? round[0])?.place ?? from;
}

function firstPlace(view: View): string {
	return nextPlace(view, view.reckoning.walk.at(-1)?.place ?? "");
}

/** The behaviour of the tape line: what is typed, where it goes, what came of it. */
export function useTape(view: View) {
	// The place stays where it is until somebody moves it: a reading that
	// arrives from another screen must not pull it from under a hand.
	// Another shape, family or road has another walk, which begins anew.
	const walk = `${view.pane.family} ${view.pane.shape.kind} ${view.pane.shape.count ?? 0} ${view.reckoning.road.id} ${view.reckoning.road.how}`;
	const [picked, setPicked] = useState(() => ({
		walk,
		place: firstPlace(view),
	}));
	const known = view.reckoning.walk.some((p) => p.place === picked.place);
	const place = picked.walk === walk && known ? picked.place : firstPlace(view);
	const [touched, setTouched] = useState(false);
	// It stays the same function, so that what it is handed to is not drawn anew.
	const pick = useCallback(
		(p: string) => {
			setPicked({ walk, place: p });
			setTouched(true);
		},
		[walk],
	);
	const info: PlaceInfo | undefined = view.reckoning.walk.find(
		(p) => p.place === place,
	);
	const [text, setText, clearText] = useDraft(
		`tape:${view.pane.id}:${place}`,
		"",
	);
	const [hand, setHand] = useState<Instrument | null>(null);
	const instrument = (hand ?? info?.instrument ?? "tape") as Instrument;
	const [undo, setUndo] = useState<ReadingBefore | null>(null);
	const live = readingAt(view, place);

	const asked = useDeferredValue(text.trim());
	const understood = useLength(asked, {
		instrument,
		place,
		job: view.job.id,
		unit: view.unit,
	});

	const keep = useReadingWrite(view, (next, r) => {
		setUndo({
			place: r.place,
			before: readingAt(view, r.place),
			version: readingAt(next, r.place)?.version ?? 0,
		});
		localStorage.removeItem(`draft:tape:${view.pane.id}:${r.place}`);
		clearText();
		setHand(null);
		const on = nextPlace(next, r.place);
		setPicked({ walk, place: on });
		// What nobody needs is asked for only where somebody picks it.
		setTouched(
			next.reckoning.walk.some((p) => p.place === on && p.needed) &&
				!readingAt(next, on),
		);
	});
	const back = useReadingBack(view, {
		after: (_, u) => {
			setUndo(null);
			pick(u.place);
		},
		failed: () => setUndo(null),
	});

	// A refusal belongs to the text that was refused, not to the next one.
	const { reset } = keep;
	// biome-ignore lint/correctness/useExhaustiveDependencies: what was typed and where is what clears it
	useEffect(() => reset(), [text, place, instrument, reset]);

	return {
		place,
		/** Somebody picked a dimension or is typing: it is lit at any station. */
		busy: touched || text !== "",
		info,
		text,
		setText,
		instrument,
		setInstrument: setHand,
		live,
		understood: asked === text.trim() ? understood.data : undefined,
		wrong: (asked === text.trim() && text.trim() !== ""
			? understood.error
			: null) as Refused | null,
		refused: keep.error,
		pending: keep.isPending || back.isPending,
		pick,
		send: () => {
			if (text.trim() !== "") {
				// Entered once more after it was asked about: it is so.
				const sure = keep.error !== null && keep.variables?.text === text;
				keep.mutate({
					text,
					version: live?.version ?? 0,
					place,
					instrument,
					sure,
				});
			}
		},
		leaveTheirs: () => {
			clearText();
			keep.reset();
		},
		undo,
		takeBack: () => undo && back.mutate(undo),
		removeLive: () =>
			live && back.mutate({ place, before: undefined, version: live.version }),
	};
}

export type Tape = ReturnType<typeof useTape>;
