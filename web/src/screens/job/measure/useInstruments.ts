import { useEffect, useRef, useState } from "react";
import { usePress } from "../../../api/instruments";
import type { InstrumentEvent } from "../../../api/types";

export type Day = "good" | "low" | "drop";

/** The tray's line to the instruments; a browser reconnects it by itself. */
export function useInstruments(
	open: boolean,
	onReading: (e: InstrumentEvent) => void,
) {
	const [last, setLast] = useState<Record<string, InstrumentEvent>>({});
	const [linked, setLinked] = useState(false);
	const key = usePress();
	const take = useRef(onReading);
	useEffect(() => {
		take.current = onReading;
	});
	useEffect(() => {
		if (!open) return;
		const source = new EventSource("/api/instruments/stream");
		source.addEventListener("hello", () => setLinked(true));
		source.addEventListener("error", () => setLinked(false));
		source.addEventListener("reading", (m) => {
			const e = JSON.parse(m.data) as InstrumentEvent;
			setLast((l) => ({ ...l, [e.name]: e }));
			if (e.has && e.name !== "climate") take.current(e);
		});
		return () => {
			source.close();
			setLinked(false);
		};
	}, [open]);
	const press = (name: InstrumentEvent["name"], truth: number, day: Day) =>
		key.mutate({ name, truth, low: day === "low", drop: day === "drop" });
	return { last, linked, error: key.error, press };
}
