/** A chance as people say it. */
export function odds(kept: number): string {
	if (kept >= 0.985) return "kept, as good as surely";
	if (kept <= 0.015) return "not kept";
	if (kept < 0.1) return "hardly ever kept";
	return `${Math.floor(kept * 10) * 10} in 100 on time`;
}
