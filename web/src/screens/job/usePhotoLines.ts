import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, got, newKey, Refused } from "../../api/client";
import { keepView, on } from "../../api/hooks";
import type { View } from "../../api/types";

/** How a line is called that has a picture and no words yet. */
export const unnamed = /^picture \d+$/;

type Progress = { done: number; of: number };

/** Pictures first: each becomes a line of the strip log, named when hands are clean. */
export function usePhotoLines(view: View) {
	const client = useQueryClient();
	const [progress, setProgress] = useState<Progress | null>(null);
	const [error, setError] = useState<Refused | null>(null);
	const [left, setLeft] = useState<File[]>([]);
	async function take(files: File[]) {
		setError(null);
		let now = view;
		for (const [n, file] of files.entries()) {
			setProgress({ done: n, of: files.length });
			try {
				now = await line(now, file);
				keepView(client, now);
			} catch (e) {
				// What was kept stays; the rest can be sent again.
				setLeft(files.slice(n));
				setProgress(null);
				if (e instanceof Refused) setError(e);
				return;
			}
		}
		setLeft([]);
		setProgress(null);
	}
	return {
		take: (files: File[]) => void take(files),
		again: () => void take(left),
		left: left.length,
		progress,
		error,
	};
}

/** One line with its picture. */
async function line(view: View, file: File): Promise<View> {
	const number = view.job.strip.length + 1;
	const noted = await got(
		api.POST("/api/jobs/{id}/strip", {
			params: { ...on(view), header: { "Idempotency-Key": newKey() } },
			body: {
				id: "",
				in: 0,
				kind: "part",
				what: `picture ${number}`,
				held: { how: "gravity" },
				count: 1,
				fate: "back",
			},
		}),
	);
	const entry = noted.job.strip.at(-1)?.entry.id ?? "";
	return got(
		api.POST("/api/jobs/{id}/photos", {
			params: {
				path: { id: view.job.id },
				query: { entry },
				header: { "Idempotency-Key": newKey() },
			},
			body: file as unknown as string,
			bodySerializer: (b) => b as unknown as Blob,
			headers: { "Content-Type": "application/octet-stream" },
		}),
	);
}
