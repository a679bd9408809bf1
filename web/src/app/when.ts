// Made once: making one takes a hundred times as long as using it, and the days write some
// hundreds of times of the day.
function format(how: Intl.DateTimeFormatOptions) {
	const f = new Intl.DateTimeFormat("en-GB", how);
	return (at: number | string | Date) => f.format(new Date(at));
}

/** The time of the day: 16:00. */
export const clock = format({
	hour: "2-digit",
	minute: "2-digit",
	hour12: false,
});

/** Thu */
export const weekday = format({ weekday: "short" });

/** Thu, 3 Dec */
export const dayName = format({
	weekday: "short",
	day: "numeric",
	month: "short",
});

/** Thu 3 */
export const dayInWeek = format({ weekday: "short", day: "numeric" });

/** Thursday 3 December */
export const longDay = format({
	weekday: "long",
	day: "numeric",
	month: "long",
});

/** A day with its year: 3 Apr 2027. */
export const dayOf = format({
	day: "numeric",
	month: "short",
	year: "numeric",
});

const dayAndMonth = format({ day: "numeric", month: "short" });

function sameDay(a: Date, b: Date): boolean {
	return a.toDateString() === b.toDateString();
}

/** A moment as people say it: today 16:00, tomorrow 9:30, Thu 16:00, 3 Dec. */
export function when(iso: string, now = new Date()): string {
	const at = new Date(iso);
	const hour = clock(at);
	const tomorrow = new Date(now);
	tomorrow.setDate(now.getDate() + 1);
	const yesterday = new Date(now);
	yesterday.setDate(now.getDate() - 1);
	if (sameDay(at, now)) return `today ${hour}`;
	if (sameDay(at, tomorrow)) return `tomorrow ${hour}`;
	if (sameDay(at, yesterday)) return `yesterday ${hour}`;
	const days = (at.getTime() - now.getTime()) / 86_400_000;
	if (days > 0 && days < 6.5) {
		return `${weekday(at)} ${hour}`;
	}
	return `${dayAndMonth(at)} ${hour}`;
}

/** Minutes as people say them: 25 min, 2 h 10. */
export function span(minutes: number): string {
	const h = Math.floor(minutes / 60);
	const m = minutes % 60;
	if (h === 0) return `${m} min`;
	return m === 0 ? `${h} h` : `${h} h ${String(m).padStart(2, "0")}`;
}

/** How late something is, as people say it: minutes, hours, from two days on days. */
export function lateBy(minutes: number): string {
	if (minutes < 90) return `${minutes} min`;
	const hours = Math.round(minutes / 60);
	if (hours < 48) return `${hours} h`;
	return `${Math.round(hours / 24)} days`;
}

const half = 30 * 60_000;

/** The next half hour: a promise is one that people can say. */
export function sayable(iso: string): string {
	return new Date(Math.ceil(Date.parse(iso) / half) * half).toISOString();
}

/** A day of the calendar, 2027-03-31, as one says it. */
export function localDay(day: string): string {
	return dayName(new Date(`${day}T12:00`).getTime());
}
