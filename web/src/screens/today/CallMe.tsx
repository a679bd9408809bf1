import { useState } from "react";

/** Asks whether this device may call when a clock is out; says how it stands. */
export function CallMe() {
	const can = "Notification" in window;
	const [state, setState] = useState(
		can ? Notification.permission : "unsupported",
	);
	if (state === "granted")
		return <p className="text-ink-2">This device calls when one is out.</p>;
	if (state !== "default")
		return (
			<p className="text-ink-2">
				This browser does not call; here they always stand.
			</p>
		);
	return (
		<button
			type="button"
			className="min-h-11 text-ink-2 underline underline-offset-4"
			onClick={() => void Notification.requestPermission().then(setState)}
		>
			call me on this device when one is out
		</button>
	);
}
