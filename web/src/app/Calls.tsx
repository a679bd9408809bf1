import { useEffect, useRef } from "react";
import { useToday } from "../api/hooks";

/** Calls when a clock is out, where the browser is allowed to. */
export function Calls() {
	const clocks = useToday().data?.clocks;
	const called = useRef(new Set<string>());
	useEffect(() => {
		if (!("Notification" in window)) return;
		const now = Date.now();
		const waits = (clocks ?? [])
			.filter((c) => c.kind !== "comes" && Date.parse(c.at) > now)
			.map((c) => {
				const key = `${c.kind} ${c.job} ${c.pane} ${c.title} ${c.at}`;
				return setTimeout(
					() => {
						if (
							Notification.permission !== "granted" ||
							called.current.has(key)
						)
							return;
						called.current.add(key);
						new Notification(c.object, {
							body: `${c.title}: ${c.may}`,
							tag: key,
						});
					},
					Math.min(Date.parse(c.at) - now, 2 ** 31 - 1),
				);
			});
		return () => {
			for (const w of waits) clearTimeout(w);
		};
	}, [clocks]);
	return null;
}
