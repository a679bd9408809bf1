import { fileOf, keyed, on, type Sent, useJobWrite, useRead } from "./call";
import { api, got } from "./client";
import type { StripEntered, View } from "./types";

/** A line of the strip log; the key comes with what was typed. */
export const postStrip = (
	view: View,
	once: string,
	body: Sent<"/api/jobs/{id}/strip", "post">,
) =>
	got(
		api.POST("/api/jobs/{id}/strip", {
			params: { ...on(view), ...keyed(once) },
			body,
		}),
	);

export const useAddStrip = (view: View) =>
	useJobWrite(
		view,
		({ key, body }: { key: string; body: StripEntered }, once) =>
			postStrip(view, key || once, body),
	);

export const useDropStrip = (view: View) =>
	useJobWrite(view, (r: { entry: string; version: number }) =>
		got(
			api.DELETE("/api/jobs/{id}/strip/{entry}", {
				params: {
					path: { id: view.job.id, entry: r.entry },
					query: { version: r.version, pane: view.pane.id },
				},
			}),
		),
	);

export const useChangeStrip = (view: View) =>
	useJobWrite(view, (body: { entry: StripEntered; version: number }) =>
		got(
			api.PUT("/api/jobs/{id}/strip/{entry}", {
				params: on(view, { entry: body.entry.id }),
				body,
			}),
		),
	);

type At = { entry: string; version: number };

/** Another place in the order of what came off. */
export const useMoveStrip = (view: View) =>
	useJobWrite(view, ({ entry, ...body }: At & { to: number }) =>
		got(
			api.PUT("/api/jobs/{id}/strip/{entry}/place", {
				params: on(view, { entry }),
				body,
			}),
		),
	);

/** So many pieces of a line are in again. */
export const putBack = (view: View, { entry, ...body }: At & { in: number }) =>
	got(
		api.PUT("/api/jobs/{id}/strip/{entry}/back", {
			params: on(view, { entry }),
			body,
		}),
	);

export const useBack = (view: View) =>
	useJobWrite(view, (b: At & { in: number }) => putBack(view, b));

/** The log of an earlier job of the same object. */
export const useCopyStrip = (view: View) =>
	useJobWrite(view, (from: number) =>
		got(
			api.PUT("/api/jobs/{id}/strip-copy", {
				params: on(view),
				body: { from },
			}),
		),
	);

export const useEarlierStrips = (view: View, enabled: boolean) =>
	useRead(
		["earlier", view.job.id],
		() =>
			got(
				api.GET("/api/jobs/{id}/earlier-strips", {
					params: { path: { id: view.job.id } },
				}),
			),
		{ enabled },
	);

/** A photo of a line. */
export const postPhoto = (
	view: View,
	entry: string,
	once: string,
	file: File,
) =>
	got(
		api.POST("/api/jobs/{id}/photos", {
			params: {
				path: { id: view.job.id },
				query: { entry },
				...keyed(once),
			},
			...fileOf(file),
		}),
	);

export const useAddPhoto = (view: View, entry: string) =>
	useJobWrite(view, (file: File, once) => postPhoto(view, entry, once, file));

export const useDropPhoto = (view: View) =>
	useJobWrite(view, (photo: number) =>
		got(
			api.DELETE("/api/jobs/{id}/photos/{photo}", {
				params: on(view, { photo }),
			}),
		),
	);

/** Something that is put in for now, while the pane is out. */
export const useAddGuest = (view: View) =>
	useJobWrite(view, (body: Sent<"/api/jobs/{id}/guests", "post">, once) =>
		got(
			api.POST("/api/jobs/{id}/guests", {
				params: { ...on(view), ...keyed(once) },
				body,
			}),
		),
	);

export const useChangeGuest = (view: View) =>
	useJobWrite(view, (g: { id: number; out: boolean }) =>
		got(
			api.PUT("/api/jobs/{id}/guests/{guest}", {
				params: on(view, { guest: g.id }),
				body: { out: g.out },
			}),
		),
	);
