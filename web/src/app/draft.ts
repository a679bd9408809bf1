import { useCallback, useState } from "react";

/**
 * State that is also kept on the device, so that nothing typed is lost when a
 * page is reloaded or a tablet runs flat.
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
			localStorage.setItem(key, JSON.stringify(v));
		},
		[key],
	);
	const clear = useCallback(() => {
		hold({ key, value: empty });
		localStorage.removeItem(key);
	}, [key, empty]);
	return [value, set, clear];
}

function load<T>(key: string, empty: T): T {
	const text = localStorage.getItem(key);
	if (text === null) return empty;
	try {
		return JSON.parse(text) as T;
	} catch {
		return empty;
	}
}
