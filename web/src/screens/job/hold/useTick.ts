import { useEffect, useState } from "react";

/** The time now, every second. */
export function useTick(): number {
	const [now, setNow] = useState(() => Date.now());
	useEffect(() => {
		const every = setInterval(() => setNow(Date.now()), 1000);
		return () => clearInterval(every);
	}, []);
	return now;
}
