import { useIsMutating } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useReached } from "../api/reach";

/** What takes longer than this is said to be saved, ms; and how long it is said that it was. */
const soon = 250;
const stays = 1800;

/** That there is no network, and what becomes of what was entered; nothing where there is one. */
export function CutOff() {
	const sending = useIsMutating() > 0;
	if (useReached()) return null;
	return (
		<p
			role="status"
			className="bg-warn-wash px-4 py-2 text-center font-semibold text-warn"
			data-reach="cut off"
		>
			<span aria-hidden="true">⚠ </span>
			{sending
				? "No network. Your answer is kept here and will be sent."
				: "No network. What you type is kept on this device."}
		</p>
	);
}

/** What goes on, where the finger is: no network, what waits to be sent, saving, saved. */
export function GoesOn() {
	const reached = useReached();
	const said = useSaving(useIsMutating() > 0);
	if (!reached) return <CutOff />;
	return (
		<p
			role="status"
			className="pointer-events-none absolute right-3 bottom-full mb-1 bg-band px-3 py-1 text-[0.9375rem] font-semibold empty:hidden"
			data-saving={said}
		>
			{said === "saving" ? "Saving …" : said === "saved" ? "Saved ✓" : null}
		</p>
	);
}

/** Saving, once it takes a while; then saved, for a moment. */
function useSaving(busy: boolean): "" | "saving" | "saved" {
	const [said, setSaid] = useState<"" | "saving" | "saved">("");
	const was = useRef(false);
	useEffect(() => {
		const before = was.current;
		was.current = busy;
		if (busy) {
			const t = setTimeout(() => setSaid("saving"), soon);
			return () => clearTimeout(t);
		}
		if (!before) return;
		setSaid((s) => (s === "saving" ? "saved" : ""));
		const t = setTimeout(() => setSaid(""), stays);
		return () => clearTimeout(t);
	}, [busy]);
	return said;
}
