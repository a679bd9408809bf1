const kept = "letters";

/** Loads the shapes of the letters, and remembers that this device has them. */
export async function letters() {
	await import("./fonts.css");
	try {
		localStorage.setItem(kept, "here");
	} catch {
		// The device keeps nothing: they come a little later each time.
	}
}

/** A device that has them shows them from the first word on. */
export function lettersAtOnce() {
	if (localStorage.getItem(kept) !== null) void letters();
}
