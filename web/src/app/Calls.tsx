import { useEffect, useRef } from "react";
import { useToday } from "../api/days";

/** The longest that a browser waits, ms. */
const longest = 2 ** 31 - 1;

/** Calls when a clock is out, where the browser is allowed to. */
export function Calls() {
	const clocks = useToday().data?.clocks;
	const called = useRef(new Set<string>());
	useEffect(() => {
		if (!("Notification" in window)) return;
		const now = Date.now();
		const waits = (clocks ?? [])
			.filter((c) => {
				const left = Date.parse(c.at) - now;
				return c.kind !== "comes" && left > 0 && left <= longest;
			})
			.map((c) => {
				const key = `${c.kind} ${c.job} ${c.pane} ${c.title} ${c.at}`;
				return setTimeout(() => {
					if (Notification.permission !== "granted" || called.current.has(key))
						return;
					called.current.add(key);
					new Notification(c.object, {
						body: `${c.title}: ${c.may}`,
						tag: key,
					});
				}, Date.parse(c.at) - now);
			});
		return () => {
			for (const w of waits) clearTimeout(w);
		};
	}, [clocks]);
	return null;
}
