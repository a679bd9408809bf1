import { keyed, on, type Sent, useJobWrite } from "./call";
import { api, got } from "./client";
import type { View } from "./types";

type Done = Omit<Sent<"/api/jobs/{id}/steps/{step}", "put">, "seen">;

/** A step as done, skipped or open, over the answer that is on the screen. */
export const putStep = (view: View, step: string, body: Done) =>
	got(
		api.PUT("/api/jobs/{id}/steps/{step}", {
			params: on(view, { step }),
			body: {
				...body,
				seen: view.pane.ticks.find((t) => t.step === step)?.version ?? 0,
			},
		}),
	);

export const useStep = (view: View) =>
	useJobWrite(view, ({ step, ...body }: Done & { step: string }) =>
		putStep(view, step, body),
	);

/** A step on every pane that is ready for it. */
export const putStepOnAll = (view: View, step: string, dries = false) => {
	const params = on(view, { step });
	return got(
		api.PUT("/api/jobs/{id}/steps/{step}/all", {
			params: { ...params, query: { ...params.query, dries } },
		}),
	);
};

export const useStepOnAll = (view: View) =>
	useJobWrite(view, (step: string) => putStepOnAll(view, step));

/** So many screws more are counted off. */
export const putScrews = (view: View, by: number) =>
	got(
		api.PUT("/api/jobs/{id}/screws", {
			params: on(view),
			body: {
				counted: (view.pane.counted ?? 0) + by,
				version: view.pane.version,
			},
		}),
	);

type Answer = Omit<Sent<"/api/jobs/{id}/checks/{check}", "put">, "seen">;
const seenOf = (view: View, check: string) =>
	view.checks.find((c) => c.key === check)?.version ?? 0;

export const putCheck = (view: View, check: string, body: Answer) =>
	got(
		api.PUT("/api/jobs/{id}/checks/{check}", {
			params: on(view, { check }),
			body: { ...body, seen: seenOf(view, check) },
		}),
	);

export const useCheck = (view: View) =>
	useJobWrite(view, ({ check, ...body }: Answer & { check: string }) =>
		putCheck(view, check, body),
	);

/** A check is open again; `changed` is what was changed since, empty for a slip. */
export const openCheck = (view: View, check: string, changed = "") =>
	got(
		api.DELETE("/api/jobs/{id}/checks/{check}", {
			params: {
				path: { id: view.job.id, check },
				query: {
					pane: view.pane.id,
					seen: seenOf(view, check),
					...(changed === "" ? {} : { changed }),
				},
			},
		}),
	);

export const useOpenCheck = (view: View, check: string) =>
	useJobWrite(view, (changed: string) => openCheck(view, check, changed));

type OnAll = Sent<"/api/jobs/{id}/checks/{check}/all", "put">;

export const putCheckOnAll = (view: View, check: string, body: OnAll) =>
	got(
		api.PUT("/api/jobs/{id}/checks/{check}/all", {
			params: on(view, { check }),
			body,
		}),
	);

export const useCheckOnAll = (view: View, check: string) =>
	useJobWrite(view, (body: OnAll) => putCheckOnAll(view, check, body));

/** The signature, with an owner's word where something stands against it. */
export const useSign = (view: View) =>
	useJobWrite(view, (reason: string, once) =>
		got(
			api.POST("/api/jobs/{id}/ticket", {
				params: { ...on(view), ...keyed(once) },
				body: { override: reason || undefined },
			}),
		),
	);

type Stop = { pane: number; stop: string };
const stopAt = (view: View, { pane, stop }: Stop) => ({
	path: { id: view.job.id, stop },
	query: { pane },
});

/** An owner accepts the risk of a stop. */
export const useAcceptStop = (view: View) =>
	useJobWrite(view, (b: Stop & Sent<"/api/jobs/{id}/stops/{stop}", "put">) =>
		got(
			api.PUT("/api/jobs/{id}/stops/{stop}", {
				params: stopAt(view, b),
				body: { reason: b.reason, beyond: b.beyond },
			}),
		),
	);

export const useUnacceptStop = (view: View) =>
	useJobWrite(view, (b: Stop) =>
		got(api.DELETE("/api/jobs/{id}/stops/{stop}", { params: stopAt(view, b) })),
	);
