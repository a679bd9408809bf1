import { keyed, on, type Sent, useJobWrite, useRead, useWrite } from "./call";
import { api, got } from "./client";
import { useMoments } from "./lengths";
import type { Hold, View } from "./types";

/** How often clocks are looked at again, ms. */
const clockEvery = 60_000;

/** What hardens on the pane, with its clocks as they stand now. */
export const useHold = (view: View, enabled = true) =>
	useRead<Hold>(
		["hold", view.job.id, view.pane.id, view.job.pulse],
		() => got(api.GET("/api/jobs/{id}/hold", { params: on(view) })),
		{
			placeholderData: (before) => before,
			enabled,
			refetchInterval: clockEvery,
		},
	);

// The job is read again, for its waits.
const changes = (view: View) => ({
	asks: [["hold", view.job.id], ["job", view.job.id], ["today"]],
});

export const postCure = (
	view: View,
	once: string,
	body: Sent<"/api/jobs/{id}/cures", "post">,
): Promise<Hold> =>
	got(
		api.POST("/api/jobs/{id}/cures", {
			params: { ...on(view), ...keyed(once) },
			body,
		}),
	);

/** What was laid: its clock begins, now or when it is said to have been laid. */
export function useLay(view: View) {
	const moments = useMoments();
	return useWrite(
		async ({ since, ...body }: Sent<"/api/jobs/{id}/cures", "post">, once) =>
			postCure(view, once, {
				...body,
				since: await moments.of("since", since ?? ""),
			}),
		changes(view),
	);
}

type Versioned = { id: number; version: number };

const at = (view: View, cure: Versioned) => ({
	path: { id: view.job.id, cure: cure.id },
	query: { pane: view.pane.id, version: cure.version },
});

/** Another place, or warmed. */
export const useMoveCure = (view: View, cure: Versioned) =>
	useWrite(
		(body: Sent<"/api/jobs/{id}/cures/{cure}/place", "put">): Promise<Hold> =>
			got(
				api.PUT("/api/jobs/{id}/cures/{cure}/place", {
					params: at(view, cure),
					body,
				}),
			),
		changes(view),
	);

export const useDropCure = (view: View, cure: Versioned) =>
	useWrite(
		(_: undefined): Promise<Hold> =>
			got(
				api.DELETE("/api/jobs/{id}/cures/{cure}", {
					params: at(view, cure),
				}),
			),
		changes(view),
	);

/** The air of a place, read. */
export const useAir = (view: View) =>
	useWrite(
		(body: Sent<"/api/jobs/{id}/air", "post">): Promise<Hold> =>
			got(api.POST("/api/jobs/{id}/air", { params: on(view), body })),
		changes(view),
	);

/** A clock of one's own. */
export const useStartTimer = (view: View) =>
	useJobWrite(view, (body: Sent<"/api/jobs/{id}/timers", "post">, once) =>
		got(
			api.POST("/api/jobs/{id}/timers", {
				params: { ...on(view), ...keyed(once) },
				body,
			}),
		),
	);

const timerAt = (view: View, timer: Versioned) => ({
	path: { id: view.job.id, timer: timer.id },
	query: { pane: view.pane.id, version: timer.version },
});

export const useNextTimer = (view: View, timer: Versioned) =>
	useJobWrite(view, (_: undefined) =>
		got(
			api.PUT("/api/jobs/{id}/timers/{timer}/next", {
				params: timerAt(view, timer),
			}),
		),
	);

export const useDropTimer = (view: View, timer: Versioned) =>
	useJobWrite(view, (_: undefined) =>
		got(
			api.DELETE("/api/jobs/{id}/timers/{timer}", {
				params: timerAt(view, timer),
			}),
		),
	);
