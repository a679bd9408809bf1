const systems: [RegExp, string][] = [
	[/iPad/, "iPad"],
	[/iPhone/, "iPhone"],
	[/Android/, "Android device"],
	[/Windows/, "Windows computer"],
	[/Mac OS/, "Mac"],
	[/CrOS/, "Chromebook"],
	[/Linux/, "Linux computer"],
];

const browsers: [RegExp, string][] = [
	[/Edg\//, "Edge"],
	[/Firefox\//, "Firefox"],
	[/Chrom(e|ium)\//, "Chrome"],
	[/Safari\//, "Safari"],
];

const first = (list: [RegExp, string][], agent: string) =>
	list.find(([r]) => r.test(agent))?.[1];

/** What a person calls the device that a browser's own line stands for. */
export function deviceName(agent: string): string {
	const system = first(systems, agent);
	const browser = first(browsers, agent);
	if (system && browser) return `${system}, ${browser}`;
	return system ?? browser ?? (agent || "A program without a name");
}
