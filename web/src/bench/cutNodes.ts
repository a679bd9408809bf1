import type { CutNode, CutView } from "../api/types";

/** What a sheet or a tube is cut into, and its cuts, each with the way to it. */
export function cutNodes(plan: CutView, sheet: number) {
	const made = new Set(
		plan.made.filter((m) => m.sheet === sheet).map((m) => m.path),
	);
	const leaves: { node: CutNode; path: string; free: boolean }[] = [];
	const cuts: { node: CutNode; path: string }[] = [];
	const walk = (node: CutNode, path: string, free: boolean) => {
		if (node.kind !== "cut") {
			leaves.push({ node, path, free });
			return;
		}
		cuts.push({ node, path });
		if (node.a) walk(node.a, `${path}a`, made.has(path));
		if (node.b) walk(node.b, `${path}b`, made.has(path));
	};
	const root = plan.plan.sheets[sheet]?.root;
	if (root) walk(root, "", root.kind === "piece");
	const next = plan.next?.sheet === sheet ? plan.next.path : null;
	return {
		leaves,
		cuts,
		made,
		next,
		now: cuts.find((c) => c.path === next),
	};
}
