import { fileOf, type Sent, useRead, useSum, useWrite } from "./call";
import { api, got } from "./client";
import type { OutlineShape } from "./types";

type Sum<K extends string> = Sent<`/api/sums/${K}` & SumPath, "post">;
type SumPath =
	| "/api/sums/sash"
	| "/api/sums/peel"
	| "/api/sums/hang"
	| "/api/sums/bend"
	| "/api/sums/dew"
	| "/api/sums/photo"
	| "/api/sums/load"
	| "/api/sums/outline"
	| "/api/sums/pack"
	| "/api/sums/thickness"
	| "/api/sums/witness"
	| "/api/sums/turns"
	| "/api/sums/rivet"
	| "/api/sums/brad"
	| "/api/sums/putty"
	| "/api/sums/reuse"
	| "/api/sums/bead";

export const useSashSum = (body: Sum<"sash">) =>
	useSum(["sash", body], () => got(api.POST("/api/sums/sash", { body })));

export const usePeelSum = (body: Sum<"peel">) =>
	useSum(
		["peel", body],
		() => got(api.POST("/api/sums/peel", { body })),
		(body.spots ?? []).length > 0,
	);

export const useHangSum = (body: Sum<"hang">) =>
	useSum(["hang", body], () => got(api.POST("/api/sums/hang", { body })));

export const useBendSum = (body: Sum<"bend">) =>
	useSum(["bend", body], () => got(api.POST("/api/sums/bend", { body })));

export const useDewSum = (body: Sum<"dew">) =>
	useSum(["dew", body], () => got(api.POST("/api/sums/dew", { body })));

export const usePhotoSum = (body: Sum<"photo">, enabled: boolean) =>
	useSum(
		["photo", body],
		() => got(api.POST("/api/sums/photo", { body })),
		enabled,
	);

export const useLoadSum = (body: Sum<"load">) =>
	useSum(["load", body], () => got(api.POST("/api/sums/load", { body })));

export const usePackSum = (body: Sum<"pack">) =>
	useSum(["pack", body], () => got(api.POST("/api/sums/pack", { body })));

export const useWitnessSum = (body: Sum<"witness">, enabled: boolean) =>
	useSum(
		["witness", body],
		() => got(api.POST("/api/sums/witness", { body })),
		enabled,
	);

export const useTurnsSum = (body: Sum<"turns">) =>
	useSum(["turns", body], () => got(api.POST("/api/sums/turns", { body })));

export const useOutlineSum = (body: Sum<"outline">) =>
	useSum(["outline", body], () => got(api.POST("/api/sums/outline", { body })));

/** A thickness as it was typed. */
export const useThickness = (text: string) =>
	useSum(
		["thickness", text],
		() => got(api.POST("/api/sums/thickness", { body: { text } })),
		text !== "",
	);

export const rivetSum = (body: Sum<"rivet">) =>
	got(api.POST("/api/sums/rivet", { body }));
export const bradSum = (body: Sum<"brad">) =>
	got(api.POST("/api/sums/brad", { body }));
export const puttySum = (body: Sum<"putty">) =>
	got(api.POST("/api/sums/putty", { body }));
export const reuseSum = (body: Sum<"reuse">) =>
	got(api.POST("/api/sums/reuse", { body }));
export const beadSum = (body: Sum<"bead">) =>
	got(api.POST("/api/sums/bead", { body }));

/** The shapes that a pane may have. */
export const useShapes = () =>
	useRead(["shapes"], () => got(api.GET("/api/sums/shapes")), {
		staleTime: Number.POSITIVE_INFINITY,
	});

/** A shape with so many corners or points, to begin with. */
export const useShape = (kind: string, count: number | undefined) =>
	useRead(
		["shape", kind, count],
		() =>
			got(
				api.GET("/api/sums/shapes/{kind}", {
					params: { path: { kind }, query: { count } },
				}),
			),
		{
			enabled: (count ?? 0) > 0,
			staleTime: Number.POSITIVE_INFINITY,
			placeholderData: (before) => before,
		},
	);

/** An outline that somebody drew elsewhere. */
export const useOutlineFile = () =>
	useWrite(
		(file: File): Promise<OutlineShape> =>
			got(
				api.POST("/api/sums/outline/read", {
					params: {
						query: {
							format: file.name.toLowerCase().endsWith(".svg") ? "svg" : "dxf",
						},
					},
					...fileOf(file),
				}),
			),
	);

type Packed = Promise<{ data?: Blob; error?: unknown; response: Response }>;

/** An outline as a file, for the saw or for paper. */
export const outlineFile = (
	format: "dxf" | "svg" | "a4" | "letter",
	body: Sum<"outline">,
) =>
	got<Blob>(
		api.POST("/api/sums/outline/file", {
			params: { query: { format } },
			body,
			parseAs: "blob",
		}) as Packed,
	);

/** A picture to try the marks on. */
export const examplePhoto = () =>
	got<Blob>(
		api.GET("/api/sums/photo/example.jpg", { parseAs: "blob" }) as Packed,
	);
