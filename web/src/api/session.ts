import { type QueryClient, useQuery } from "@tanstack/react-query";
import { askAgain, type Sent, useRead, useWrite } from "./call";
import { api, got } from "./client";
import { backToField, leaveField } from "./lastField";
import { Refused } from "./refused";
import type { Account } from "./types";

const key = ["session"];

/** Who is here, and in which shop. */
export function useSession() {
	return useQuery({
		queryKey: key,
		queryFn: () => got(api.GET("/api/session")),
		refetchInterval: ({ state: { error } }) =>
			isFilling(error) || isAway(error) ? 1000 : false,
	});
}

/** A program that does not answer: it may be starting. */
function isAway(error: unknown) {
	return error instanceof Refused && error.problem.status === 0;
}

/** A made-up shop that is still being filled. */
export function isFilling(error: unknown): error is Refused {
	return error instanceof Refused && error.problem.filled !== undefined;
}

/** A session that has ended leads to the door; behind it the same page goes on. */
export function toTheDoor(client: QueryClient, error: unknown) {
	if (!(error instanceof Refused) || error.problem.status !== 401) return;
	leaveField();
	askAgain(client, [key]);
}

export function useSignIn() {
	return useWrite(
		(body: Sent<"/api/session", "post">): Promise<Account> =>
			got(api.POST("/api/session", { body })),
		{ asks: [key], after: backToField },
	);
}

export async function signOut() {
	await got(api.DELETE("/api/session"));
}

/** A new password for a one-time code. */
export function useReset() {
	return useWrite(
		(body: Sent<"/api/reset", "post">): Promise<Account> =>
			got(api.POST("/api/reset", { body })),
		{ asks: [key] },
	);
}

/** The first start: the shop and its owner. */
export function useSetup() {
	return useWrite(
		(body: Sent<"/api/setup", "post">): Promise<Account> =>
			got(api.POST("/api/setup", { body })),
		{ asks: [key] },
	);
}

/** On which devices somebody is signed in. */
export function useSessions() {
	return useRead(["sessions"], () => got(api.GET("/api/sessions")));
}

export function useEndSession() {
	return useWrite(
		(id: number): Promise<unknown> =>
			got(api.DELETE("/api/sessions/{id}", { params: { path: { id } } })),
		{ asks: [["sessions"]], refused: [["sessions"]] },
	);
}

export function useOwnPassword() {
	return useWrite(
		(body: Sent<"/api/password", "put">): Promise<unknown> =>
			got(api.PUT("/api/password", { body })),
	);
}
