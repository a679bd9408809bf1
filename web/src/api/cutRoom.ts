import { useRead, useWrite } from "./call";
import { api, got } from "./client";
import type { CutGroup, CutPin, CutRoom, CutView } from "./types";

type Call = () => Promise<CutRoom>;
const key = ["cut room"];

const glassOf = ({ material, thickness, outside }: CutGroup) => ({
	material,
	thickness,
	outside,
});

/** A glass in an address: annealed-4, borosilicate-2.4-12.7 for a tube. */
export function glassKey(g: CutGroup): string {
	return Object.values(glassOf(g))
		.filter((v) => v !== undefined)
		.join("-");
}

const at = (plan: CutView) => ({
	sheet: plan.next?.sheet ?? 0,
	path: plan.next?.path ?? "",
	version: plan.version,
});

const planOf = (g: CutGroup, pins: CutPin[]) =>
	got(api.POST("/api/cut-room/plans", { body: { ...glassOf(g), pins } }));

const cut = (p: CutView) =>
	got(
		api.PUT("/api/cut-room/plans/{id}/cut", {
			params: { path: { id: p.id } },
			body: at(p),
		}),
	);

/** What broke is booked, and what is left is planned anew. */
async function broke(g: CutGroup, p: CutView): Promise<CutRoom> {
	const after = await got(
		api.PUT("/api/cut-room/plans/{id}/broke", {
			params: { path: { id: p.id } },
			body: at(p),
		}),
	);
	const left = after.groups.find((o) => glassKey(o) === glassKey(g));
	return left && left.panes.length > 0 && left.stock.length > 0
		? planOf(g, [])
		: after;
}

/** The panes are cut here by hand, and sized for that. */
async function here(panes: { job: number; pane: number }[]): Promise<CutRoom> {
	for (const p of panes)
		await got(
			api.PUT("/api/jobs/{id}/cut", {
				params: { path: { id: p.job }, query: { pane: p.pane } },
			}),
		);
	return got(api.GET("/api/cut-room"));
}

const undo = (p: CutView) =>
	got(
		api.PUT("/api/cut-room/plans/{id}/undo", {
			params: { path: { id: p.id } },
			body: { version: p.version },
		}),
	);

/** What waits to be cut, and what is done in the cut room. */
export function useCutRoom() {
	const room = useRead<CutRoom>(key, () => got(api.GET("/api/cut-room")), {
		refetchInterval: 5000,
	});
	const write = useWrite((call: Call) => call(), {
		is: key,
		asks: [["stores"], ["today"], ["job"]],
		moved: [key],
	});
	return {
		room,
		pending: write.isPending,
		error: write.error,
		plan: (g: CutGroup, pins: CutPin[] = []) =>
			write.mutate(() => planOf(g, pins)),
		cut: (p: CutView) => write.mutate(() => cut(p)),
		broke: (g: CutGroup, p: CutView) => write.mutate(() => broke(g, p)),
		here: (panes: { job: number; pane: number }[]) =>
			write.mutate(() => here(panes)),
		undo: (p: CutView) => write.mutate(() => undo(p)),
	};
}

export type CutTools = ReturnType<typeof useCutRoom>;

/** What is worth keeping of a glass, and what is likely to be asked of it. */
export const useSpares = (group: CutGroup, shaped: boolean) =>
	useRead(
		["spares", group.material, shaped, group.plan?.version],
		() =>
			got(
				api.GET("/api/cut-room/spares", {
					params: { query: { material: group.material, shaped, sure: 0.95 } },
				}),
			),
		{ placeholderData: (before) => before },
	);
