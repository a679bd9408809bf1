import { useCallback, useState } from "react";
import { adopt } from "./adopt";

/**
 * State that is also kept on the device, so that nothing typed is lost when a
 * page is reloaded or a tablet runs flat. A draft of an earlier version of the
 * page gives what still fits it.
 */
export function useDraft<T>(
	name: string,
	empty: T,
): [T, (v: T) => void, () => void] {
	const key = `draft:${name}`;
	const [held, hold] = useState<{ key: string; value: T }>(() => ({
		key,
		value: load(key, empty),
	}));
	// Another name is another draft.
	const value = held.key === key ? held.value : load(key, empty);
	const set = useCallback(
		(v: T) => {
			hold({ key, value: v });
			try {
				localStorage.setItem(key, JSON.stringify(v));
			} catch {
				// The device is full: the page goes on without a draft.
			}
		},
		[key],
	);
	const clear = useCallback(() => {
		hold({ key, value: empty });
		localStorage.removeItem(key);
	}, [key, empty]);
	return [value, set, clear];
}

/** What a device has kept under a key, as far as it still fits. */
export function load<T>(key: string, empty: T): T {
	const text = localStorage.getItem(key);
	if (text === null) return empty;
	try {
		return adopt(JSON.parse(text), empty);
	} catch {
		return empty;
	}
}
