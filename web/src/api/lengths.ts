import { useRef } from "react";
import { useRead } from "./call";
import { api, got } from "./client";
import type { Instrument } from "./types";

/** The zone of the device: a promise is made in the town where it is kept. */
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** A length as it was typed, as the program understands it: empty text is not asked about. */
export function useLength(
	text: string,
	how: { instrument: Instrument; place?: string; job?: number; unit?: string },
) {
	const { instrument, place, job, unit } = how;
	return useRead(
		["length", text, instrument, place, unit],
		() =>
			got(api.POST("/api/lengths", { body: { text, instrument, place, job } })),
		{
			enabled: text !== "",
			retry: false,
			staleTime: Number.POSITIVE_INFINITY,
		},
	);
}

/** What was typed for a time, as the program understands it; errors name the field. */
export function momentOf(field: string, text: string) {
	return got(api.POST("/api/moments", { body: { field, text, zone } }));
}

/** A time while it is typed; `known` words are not asked about. */
export const useMoment = (words: string, known?: string) =>
	useRead(["moment", words], () => momentOf("text", words), {
		enabled: words !== "" && words !== known,
		retry: false,
		staleTime: 30_000,
	});

/**
 * Times as they were typed, once understood: the same words sent again are the
 * same moment, so that a retry is the same request.
 */
export function useMoments() {
	const kept = useRef(new Map<string, string>());
	return {
		of: async (field: string, text: string): Promise<string | undefined> => {
			const words = text.trim();
			if (words === "") return undefined;
			const had = kept.current.get(words);
			if (had) return had;
			const { at } = await momentOf(field, words);
			kept.current.set(words, at);
			return at;
		},
	};
}
