import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { type Sent, useRead, useWrite } from "./call";
import { api, got } from "./client";
import type { Own } from "./types";

/** How often a screen asks whether the shop's own values have changed, ms. */
const bookEvery = 10_000;

/** What the program knows, with the shop's own values over it. */
export function useCatalogue() {
	const client = useQueryClient();
	const book = useRead(
		["book revision"],
		() => got(api.GET("/api/book/revision")),
		{ refetchInterval: bookEvery },
	);
	const revision = book.data?.revision;
	const seen = useRef(revision);
	useEffect(() => {
		if (seen.current !== undefined && seen.current !== revision) {
			void client.invalidateQueries({ queryKey: ["catalogue"] });
		}
		seen.current = revision;
	}, [client, revision]);
	return useRead(["catalogue"], () => got(api.GET("/api/catalogue")), {
		staleTime: Number.POSITIVE_INFINITY,
	});
}

type At = { kind: Own["kind"]; id: string; item: string };
const changes = { asks: [[]], moved: [["catalogue"]] };

/** Lays the shop's own value over the book's. */
export function useLayOwn(path: At) {
	return useWrite(
		(body: Sent<"/api/book/{kind}/{id}/{item}", "put">): Promise<unknown> =>
			got(api.PUT("/api/book/{kind}/{id}/{item}", { params: { path }, body })),
		changes,
	);
}

/** Takes it off again. */
export function useDropOwn(path: At) {
	return useWrite(
		(version: number): Promise<unknown> =>
			got(
				api.DELETE("/api/book/{kind}/{id}/{item}", {
					params: { path, query: { version } },
				}),
			),
		changes,
	);
}
