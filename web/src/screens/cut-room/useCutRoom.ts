import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, got, type Refused } from "../../api/client";
import type { CutGroup, CutPin, CutRoom, CutView } from "../../api/types";

type Call = () => Promise<CutRoom>;

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

/** What waits to be cut, and what is done in the cut room. */
export function useCutRoom() {
	const client = useQueryClient();
	const room = useQuery<CutRoom, Refused>({
		queryKey: ["cut room"],
		queryFn: () => got(api.GET("/api/cut-room")),
		refetchInterval: 5000,
	});
	const write = useMutation<CutRoom, Refused, Call>({
		mutationFn: (call) => call(),
		onSuccess: (next) => {
			client.setQueryData(["cut room"], next);
			void client.invalidateQueries({ queryKey: ["stores"] });
			void client.invalidateQueries({ queryKey: ["today"] });
			void client.invalidateQueries({ queryKey: ["job"] });
		},
		onError: (e) => {
			if (e.conflict) void client.invalidateQueries({ queryKey: ["cut room"] });
		},
	});
	const at = (plan: CutView) => ({
		sheet: plan.next?.sheet ?? 0,
		path: plan.next?.path ?? "",
		version: plan.version,
	});
	const planOf = (g: CutGroup, pins: CutPin[]) =>
		got(
			api.POST("/api/cut-room/plans", {
				body: { ...glassOf(g), pins },
			}),
		);
	return {
		room,
		pending: write.isPending,
		error: write.error,
		plan: (g: CutGroup, pins: CutPin[] = []) =>
			write.mutate(() => planOf(g, pins)),
		cut: (p: CutView) =>
			write.mutate(() =>
				got(
					api.PUT("/api/cut-room/plans/{id}/cut", {
						params: { path: { id: p.id } },
						body: at(p),
					}),
				),
			),
		/** What broke is booked, and what is left is planned anew. */
		broke: (g: CutGroup, p: CutView) =>
			write.mutate(async () => {
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
			}),
		/** The panes are cut here by hand, and sized for that. */
		here: (panes: { job: number; pane: number }[]) =>
			write.mutate(async () => {
				for (const p of panes)
					await got(
						api.PUT("/api/jobs/{id}/cut", {
							params: { path: { id: p.job }, query: { pane: p.pane } },
						}),
					);
				return got(api.GET("/api/cut-room"));
			}),
		undo: (p: CutView) =>
			write.mutate(() =>
				got(
					api.PUT("/api/cut-room/plans/{id}/undo", {
						params: { path: { id: p.id } },
						body: { version: p.version },
					}),
				),
			),
	};
}

export type CutTools = ReturnType<typeof useCutRoom>;
