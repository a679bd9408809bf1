import { type Sent, useRead, useWrite } from "./call";
import { api, got } from "./client";
import type { Due, Found, Passport } from "./types";

const due = ["reminders"];

/** Objects, panes, jobs and people with these words in them. */
export function useSearch(words: string) {
	return useRead<Found>(
		["search", words],
		() => got(api.GET("/api/search", { params: { query: { words } } })),
		{ enabled: words.length > 1, placeholderData: (before) => before },
	);
}

/** What is to be looked at again. */
export function useReminders() {
	return useRead<Due>(due, () => got(api.GET("/api/reminders")));
}

export function useChangeReminder(id: number) {
	return useWrite(
		(body: Sent<"/api/reminders/{id}", "put">): Promise<Due> =>
			got(api.PUT("/api/reminders/{id}", { params: { path: { id } }, body })),
		{ is: due, asks: [["today"]], moved: [due] },
	);
}

/** The address under which a calendar reads the reminders. */
export function useRemindersLink() {
	return useWrite(
		(what: "make" | "withdraw"): Promise<Due> =>
			got(
				what === "make"
					? api.POST("/api/reminders/link")
					: api.DELETE("/api/reminders/link"),
			),
		{ is: due },
	);
}

/** What goes with an object, for whoever has its code. */
export function usePassport(token: string) {
	return useRead<Passport>(
		["passport", token],
		() =>
			got(api.GET("/api/passport/{token}", { params: { path: { token } } })),
		{ retry: false, staleTime: 60_000 },
	);
}
