/** A number with no more digits than it carries, and a true minus sign. */
export function num(v: number): string {
	const a = Math.abs(v);
	const digits = a !== 0 && a < 0.01 ? 7 : a < 1 ? 4 : 2;
	return v
		.toFixed(digits)
		.replace(/\.?0+$/, "")
		.replace("-", "−");
}
