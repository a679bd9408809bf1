import {
	type QueryClient,
	type QueryKey,
	type UseMutationResult,
	type UseQueryOptions,
	useMutation,
	useQuery,
	useQueryClient,
} from "@tanstack/react-query";
import { useRef } from "react";
import { newKey } from "./key";
import type { Refused } from "./refused";
import type { paths } from "./schema.gen";
import type { View } from "./types";

/** What a call takes as its body. */
export type Sent<
	P extends keyof paths,
	M extends "post" | "put",
> = paths[P][M] extends {
	requestBody?: { content: { "application/json": infer B } };
}
	? Omit<B, "$schema">
	: never;

type ReadHow<T> = Omit<UseQueryOptions<T, Refused>, "queryKey" | "queryFn">;

/** A read: what is asked for, kept under its key. */
export function useRead<T>(
	key: QueryKey,
	call: () => Promise<T>,
	how?: ReadHow<T>,
) {
	return useQuery<T, Refused>({ queryKey: key, queryFn: call, ...how });
}

/** A sum: what is refused is not asked again, and the one before stands until the next is there. */
export function useSum<T>(
	key: QueryKey,
	call: () => Promise<T>,
	enabled = true,
) {
	return useQuery<T, Refused>({
		queryKey: key,
		queryFn: call,
		enabled,
		retry: false,
		placeholderData: (before) => before,
	});
}

/** Asks again for everything under these keys. */
export function askAgain(client: QueryClient, keys: QueryKey[]) {
	for (const queryKey of keys) void client.invalidateQueries({ queryKey });
}

/** A file is told by its name, its size and its age. */
function told(_: string, value: unknown) {
	return value instanceof File
		? [value.name, value.size, value.lastModified]
		: value;
}

/**
 * The key of a creating call. The same content sent again carries the same key, until it is known
 * what came of it: so a retry doubles nothing, and another content is another request.
 */
function useOnce() {
	const held = useRef(new Map<string, string>());
	const said = (input: unknown) => JSON.stringify(input, told) ?? "";
	return {
		keyOf(input: unknown): string {
			const key = held.current.get(said(input)) ?? newKey();
			held.current.set(said(input), key);
			return key;
		},
		known(input: unknown, error?: Refused) {
			const status = error?.problem.status ?? 200;
			if (status > 0 && status < 500) held.current.delete(said(input));
		},
	};
}

/** What a write changes beside its own answer. */
type Changes<In, Out> = {
	/** What its answer is, from now on. */
	is?: QueryKey;
	/** What is asked again. */
	asks?: QueryKey[];
	/** What is asked again when somebody was quicker, or whenever it is refused. */
	moved?: QueryKey[];
	refused?: QueryKey[];
	/** What else follows, whatever becomes of the part that asked. */
	after?: (answer: Out, input: In) => void | Promise<void>;
	failed?: () => void;
};

/** Keeps an answer as what stands; what was asked before it came is older, and is let go. */
async function put(client: QueryClient, key: QueryKey, answer: unknown) {
	await client.cancelQueries({ queryKey: key, exact: true });
	client.setQueryData(key, answer);
}

/** A write: what is sent, with a key of its own, and what it changes. */
export function useWrite<In, Out>(
	call: (input: In, key: string) => Promise<Out>,
	{
		is,
		asks = [],
		moved = [],
		refused = [],
		after,
		failed,
	}: Changes<In, Out> = {},
): UseMutationResult<Out, Refused, In> {
	const client = useQueryClient();
	const once = useOnce();
	return useMutation<Out, Refused, In>({
		mutationFn: (input) => call(input, once.keyOf(input)),
		onSuccess: async (answer, input) => {
			once.known(input);
			if (is) await put(client, is, answer);
			askAgain(client, asks);
			await after?.(answer, input);
		},
		onError: (e, input) => {
			once.known(input, e);
			failed?.();
			askAgain(client, refused);
			if (e.conflict) askAgain(client, moved);
		},
	});
}

/** The job and the pane of a call, from what lies on the table. */
export function on<More extends object>(view: View, more?: More) {
	return {
		path: { id: view.job.id, ...(more as More) },
		query: { pane: view.pane.id },
	};
}

/** The head of a creating call. */
export function keyed(key: string) {
	return { header: { "Idempotency-Key": key } };
}

/** Puts a job on the screen as it is now; its other panes are read again. */
export async function keepView(client: QueryClient, view: View) {
	const id = view.job.id;
	const fresh = [view.pane.id, ...(view.pane.number === 1 ? [0] : [])];
	await Promise.all(fresh.map((pane) => put(client, ["job", id, pane], view)));
	void client.invalidateQueries({
		queryKey: ["job", id],
		predicate: (q) => !fresh.includes(Number(q.queryKey[2])),
	});
	askAgain(client, [["today"], ["jobs"]]);
}

/** A write on a job: its answer is the job as it is now. */
export function useJobWrite<In>(
	view: View,
	call: (input: In, key: string) => Promise<View>,
	{ after, failed }: Pick<Changes<In, View>, "after" | "failed"> = {},
): UseMutationResult<View, Refused, In> {
	const client = useQueryClient();
	return useWrite(call, {
		after: async (next, input) => {
			await keepView(client, next);
			after?.(next, input);
		},
		failed,
		moved: [["job", view.job.id]],
	});
}

/** A file as the body of a call. */
export function fileOf(file: Blob) {
	return {
		body: file as unknown as string,
		bodySerializer: (b: unknown) => b as Blob,
		headers: { "Content-Type": "application/octet-stream" },
	};
}
