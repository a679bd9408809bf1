import { useQueryClient } from "@tanstack/react-query";
import {
	askAgain,
	on,
	type Sent,
	useJobWrite,
	useRead,
	useWrite,
} from "./call";
import { api, got } from "./client";
import type {
	Held,
	Instrument,
	Layout,
	PaneObject,
	Reading,
	View,
} from "./types";

/** How the pane is held, its shape, its stack. */
export const useHeldWrite = (view: View) =>
	useJobWrite(view, (body: Held) =>
		got(api.PUT("/api/jobs/{id}/pane", { params: on(view), body })),
	);

/** What the object is, and what it sees. */
export const useChangeObject = (view: View) =>
	useJobWrite(view, (body: PaneObject) =>
		got(api.PUT("/api/jobs/{id}/object", { params: on(view), body })),
	);

export const useDropPane = (view: View) =>
	useJobWrite(view, (pane: number) =>
		got(
			api.DELETE("/api/jobs/{id}/pane", {
				params: { path: { id: view.job.id }, query: { pane } },
			}),
		),
	);

/** How many panes there are and how they lie; `had` is how many there were when it was asked. */
export const useLayout = (view: View, had: number) =>
	useJobWrite(view, (body: Layout) =>
		got(
			api.PUT("/api/jobs/{id}/layout", {
				params: on(view),
				body: { ...body, had },
			}),
		),
	);

/** Where a pane lies in its object. */
export const useSpot = (view: View) =>
	useJobWrite(
		view,
		(body: Omit<Sent<"/api/jobs/{id}/spot", "put">, "version">) =>
			got(
				api.PUT("/api/jobs/{id}/spot", {
					params: on(view),
					body: { ...body, version: view.pane.version },
				}),
			),
	);

/** What is told of one pane, for those like it. */
export const useAlike = (view: View) =>
	useJobWrite(view, (body: Sent<"/api/jobs/{id}/like", "put">) =>
		got(api.PUT("/api/jobs/{id}/like", { params: on(view), body })),
	);

/** The stack of every pane of the object. */
export const usePackWrite = (view: View) =>
	useJobWrite(view, (stack: Sent<"/api/jobs/{id}/pack", "put">["stack"]) =>
		got(
			api.PUT("/api/jobs/{id}/pack", {
				params: on(view),
				body: {
					stack,
					had: view.panes.length,
					seen: view.panes.map((p) => p.version),
				},
			}),
		),
	);

/** Sizes that somebody told. */
export const useHeard = (view: View) =>
	useJobWrite(view, (body: Sent<"/api/jobs/{id}/heard", "put">) =>
		got(api.PUT("/api/jobs/{id}/heard", { params: on(view), body })),
	);

/** An outline of a sum, laid on a job. */
export const useLayOutline = () =>
	useWrite(
		({
			view,
			...body
		}: Omit<Sent<"/api/jobs/{id}/outline", "put">, "version"> & {
			view: View;
		}): Promise<View> =>
			got(
				api.PUT("/api/jobs/{id}/outline", {
					params: on(view),
					body: { ...body, version: view.pane.version },
				}),
			),
	);

/** A sash of a sum, laid on a job. */
export const useLaySash = () =>
	useWrite(
		({
			view,
			...body
		}: Sent<"/api/jobs/{id}/sash", "put"> & { view: View }): Promise<unknown> =>
			got(api.PUT("/api/jobs/{id}/sash", { params: on(view), body })),
	);

type ReadingSaid = Sent<"/api/jobs/{id}/readings/{place}", "put"> & {
	place: string;
};

/** A reading at its place. */
const putReading = (view: View, { place, ...body }: ReadingSaid) =>
	got(
		api.PUT("/api/jobs/{id}/readings/{place}", {
			params: on(view, { place }),
			body,
		}),
	);

export const useReadingWrite = (
	view: View,
	after: (next: View, said: ReadingSaid) => void,
) => useJobWrite(view, (r: ReadingSaid) => putReading(view, r), { after });

/** What stood at a place before, and the version of what stands there now. */
export type ReadingBefore = {
	place: string;
	before: Reading | undefined;
	version: number;
};

/** Takes a reading back: what stood there before stands there again. */
export function useReadingBack(
	view: View,
	how: { after: (next: View, to: ReadingBefore) => void; failed: () => void },
) {
	const client = useQueryClient();
	return useJobWrite(
		view,
		({ place, before, version }: ReadingBefore) =>
			before
				? putReading(view, {
						place,
						text: before.reading.text,
						instrument: before.instrument as Instrument,
						version,
						sure: true,
					})
				: got(
						api.DELETE("/api/jobs/{id}/readings/{place}", {
							params: {
								path: { id: view.job.id, place },
								query: { version, pane: view.pane.id },
							},
						}),
					),
		{
			after: how.after,
			failed: () => {
				how.failed();
				askAgain(client, [["job", view.job.id]]);
			},
		},
	);
}

/** Panes ranked with other weights. */
export const useWeigh = (
	view: View,
	weights: Sent<"/api/jobs/{id}/weigh", "post">["weights"],
	enabled: boolean,
) =>
	useRead(
		["weigh", view.job.id, view.pane.id, view.job.pulse, weights],
		() =>
			got(
				api.POST("/api/jobs/{id}/weigh", {
					params: on(view),
					body: { weights },
				}),
			),
		{ enabled, placeholderData: (before) => before, retry: false },
	);

/** The sums behind one bar of the picture at Choose. */
export const useStands = (
	view: View,
	aspect: string,
	material: string | undefined,
	enabled: boolean,
) =>
	useRead(
		[
			"stands",
			view.job.id,
			view.pane.id,
			view.job.version,
			view.pane.version,
			aspect,
			material,
		],
		() =>
			got(
				api.GET("/api/jobs/{id}/stands/{aspect}/{material}", {
					params: on(view, { aspect, material: material ?? "" }),
				}),
			),
		{ enabled },
	);

export const putChoice = (
	view: View,
	body: Sent<"/api/jobs/{id}/choice", "put">,
) => got(api.PUT("/api/jobs/{id}/choice", { params: on(view), body }));

export const useChoose = (view: View) =>
	useJobWrite(view, (body: Sent<"/api/jobs/{id}/choice", "put">) =>
		putChoice(view, body),
	);

export const putDiagnosis = (
	view: View,
	body: Sent<"/api/jobs/{id}/diagnosis", "put">,
) => got(api.PUT("/api/jobs/{id}/diagnosis", { params: on(view), body }));

export const useDiagnosisWrite = (view: View) =>
	useJobWrite(view, (body: Sent<"/api/jobs/{id}/diagnosis", "put">) =>
		putDiagnosis(view, body),
	);
