const time: Intl.DateTimeFormatOptions = {
	hour: "2-digit",
	minute: "2-digit",
	hour12: false,
};

function sameDay(a: Date, b: Date): boolean {
	return a.toDateString() === b.toDateString();
}

/** A moment as people say it: today 16:00, tomorrow 9:30, Thu 16:00, 3 Dec. */
export function when(iso: string, now = new Date()): string {
	const at = new Date(iso);
	const clock = at.toLocaleTimeString("en-GB", time);
	const tomorrow = new Date(now);
	tomorrow.setDate(now.getDate() + 1);
	const yesterday = new Date(now);
	yesterday.setDate(now.getDate() - 1);
	if (sameDay(at, now)) return `today ${clock}`;
	if (sameDay(at, tomorrow)) return `tomorrow ${clock}`;
	if (sameDay(at, yesterday)) return `yesterday ${clock}`;
	const days = (at.getTime() - now.getTime()) / 86_400_000;
	if (days > 0 && days < 6.5) {
		return `${at.toLocaleDateString("en-GB", { weekday: "short" })} ${clock}`;
	}
	return `${at.toLocaleDateString("en-GB", { day: "numeric", month: "short" })} ${clock}`;
}

/** Minutes as people say them: 25 min, 2 h 10. */
export function span(minutes: number): string {
	const h = Math.floor(minutes / 60);
	const m = minutes % 60;
	if (h === 0) return `${m} min`;
	return m === 0 ? `${h} h` : `${h} h ${String(m).padStart(2, "0")}`;
}

/** A day with its year: 3 Apr 2027. */
export function dayOf(iso: string): string {
	return new Date(iso).toLocaleDateString("en-GB", {
		day: "numeric",
		month: "short",
		year: "numeric",
	});
}

const half = 30 * 60_000;

/** The next half hour: a promise is one that people can say. */
export function sayable(iso: string): string {
	return new Date(Math.ceil(Date.parse(iso) / half) * half).toISOString();
}
