/** Where a value of the catalogue comes from, in words. */
export function originOf(o: string): string {
	if (o === "sheet") return "typical data sheet, from memory";
	if (o.startsWith("std:")) return `${o.slice(4)}, from memory`;
	if (o.startsWith("own:")) return `set by the shop: ${o.slice(4)}`;
	return "common practice, no source";
}
