/** 12.5 as 1250, by its digits: money is never a binary fraction. NaN for no price. */
export function cents(text: string): number {
	const t = text.trim().replace(",", ".");
	if (t === "") return 0;
	const m = /^(\d{1,6})(?:\.(\d{1,2}))?$/.exec(t);
	if (!m) return Number.NaN;
	return Number(`${m[1]}${(m[2] ?? "").padEnd(2, "0")}`);
}

/** The same for what may be less than nothing. */
export function signedCents(text: string): number {
	const t = text.trim();
	return /^[-−]/.test(t) ? -cents(t.slice(1)) : cents(t);
}

/** 1250 as 12.50. */
export function money(c: number): string {
	const a = Math.abs(c);
	return `${c < 0 ? "−" : ""}${Math.floor(a / 100)}.${String(a % 100).padStart(2, "0")}`;
}
