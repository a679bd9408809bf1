import { useRef } from "react";
import { api, got } from "../api/client";

/** The zone of the device: a promise is made in the town where it is kept. */
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** What was typed for a time, as the program understands it; errors name the field. */
export function momentOf(field: string, text: string) {
	return got(api.POST("/api/moments", { body: { field, text, zone } }));
}

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
