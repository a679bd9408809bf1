import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { keepView } from "../../../api/call";
import { newKey } from "../../../api/key";
import { Refused } from "../../../api/refused";
import { postPhoto, postStrip } from "../../../api/strip";
import type { View } from "../../../api/types";

/** How a line is called that has a picture and no words yet. */
export const unnamed = /^picture \d+$/;

type Progress = { done: number; of: number };

/** A picture with its keys and its words: sent again it is the same line. */
type Sent = { file: File; line: string; photo: string; what: string };

/** Pictures first: each becomes a line of the strip log, named when hands are clean. */
export function usePhotoLines(view: View) {
	const client = useQueryClient();
	const [progress, setProgress] = useState<Progress | null>(null);
	const [error, setError] = useState<Refused | null>(null);
	const [left, setLeft] = useState<Sent[]>([]);
	async function send(all: Sent[]) {
		setError(null);
		let now = view;
		for (const [n, one] of all.entries()) {
			setProgress({ done: n, of: all.length });
			try {
				now = await line(now, one);
				void keepView(client, now);
			} catch (e) {
				// What was kept stays; the rest can be sent again.
				setLeft(all.slice(n));
				setProgress(null);
				if (e instanceof Refused) setError(e);
				return;
			}
		}
		setLeft([]);
		setProgress(null);
	}
	return {
		take: (files: File[]) =>
			void send(
				files.map((file, n) => ({
					file,
					line: newKey(),
					photo: newKey(),
					what: `picture ${view.job.strip.length + n + 1}`,
				})),
			),
		again: () => void send(left),
		left: left.length,
		progress,
		error,
	};
}

/** One line with its picture. */
async function line(view: View, { file, what, ...keys }: Sent): Promise<View> {
	const noted = await postStrip(view, keys.line, {
		id: "",
		in: 0,
		kind: "part",
		what,
		held: { how: "gravity" },
		count: 1,
		fate: "back",
	});
	const mine = noted.job.strip.filter((r) => r.entry.what === what);
	return postPhoto(view, mine.at(-1)?.entry.id ?? "", keys.photo, file);
}
