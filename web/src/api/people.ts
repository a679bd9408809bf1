import { keyed, type Sent, useRead, useWrite } from "./call";
import { api, got } from "./client";
import type { Account } from "./types";

const key = ["people"];

export function usePeople() {
	return useRead(key, () => got(api.GET("/api/people")));
}

export function useAddPerson() {
	return useWrite(
		(body: Sent<"/api/people", "post">, once): Promise<Account> =>
			got(api.POST("/api/people", { params: keyed(once), body })),
		{ asks: [key] },
	);
}

export function useChangePerson(person: Account) {
	return useWrite(
		(change: Partial<Account>): Promise<Account> =>
			got(
				api.PUT("/api/people/{id}", {
					params: { path: { id: person.id } },
					body: {
						role: change.role ?? person.role,
						active: change.active ?? person.active,
						version: person.version,
					},
				}),
			),
		{ asks: [key], refused: [key] },
	);
}

/** A one-time code for somebody who forgot the password. */
export function useOneTimeCode(person: Account) {
	return useWrite((_: undefined) =>
		got(
			api.POST("/api/people/{id}/word", {
				params: { path: { id: person.id } },
			}),
		),
	);
}
