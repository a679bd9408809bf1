import { type Sent, useWrite } from "./call";
import { api, got } from "./client";
import type { InstrumentEvent } from "./types";

/** Presses the key of an instrument on the tray. */
export const usePress = () =>
	useWrite(
		({
			name,
			...body
		}: { name: InstrumentEvent["name"] } & Sent<
			"/api/instruments/{name}/press",
			"post"
		>): Promise<unknown> =>
			got(
				api.POST("/api/instruments/{name}/press", {
					params: { path: { name } },
					body,
				}),
			),
	);
