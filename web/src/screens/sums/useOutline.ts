import { useMutation, useQuery } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import { api, got, type Refused } from "../../api/client";
import type { OutlineIn, OutlineShape } from "../../api/types";
import { useDraft } from "../../app/draft";

export const papers = [
	{ format: "dxf", name: "DXF" },
	{ format: "svg", name: "SVG" },
	{ format: "a4", name: "1:1 on A4" },
	{ format: "letter", name: "1:1 on Letter" },
] as const;

export type Format = (typeof papers)[number]["format"];

const empty: OutlineIn = {
	kind: "round-top",
	measures: { width: "400", spring: "300", rise: "120" },
	inset: "",
	thickness: 4,
	instrument: "tape",
};

/** A shape with a count of its own, for its measures. */
export function useCounted(kind: string, count: number | undefined) {
	const q = useQuery({
		queryKey: ["shape", kind, count],
		queryFn: () =>
			got(
				api.GET("/api/sums/shapes/{kind}", {
					params: { path: { kind }, query: { count } },
				}),
			),
		enabled: (count ?? 0) > 0,
		staleTime: Number.POSITIVE_INFINITY,
		placeholderData: (before) => before,
	});
	return (count ?? 0) > 0 ? q.data : undefined;
}

/** The outline sum: what was asked, what came of it, files in and out. */
export function useOutline() {
	const [form, set, clear] = useDraft<OutlineIn>("outline", empty);
	const shapes = useQuery({
		queryKey: ["shapes"],
		queryFn: () => got(api.GET("/api/sums/shapes")),
		staleTime: Number.POSITIVE_INFINITY,
	});
	const asked = useDeferredValue(form);
	const result = useQuery({
		queryKey: ["outline", asked],
		queryFn: () => got(api.POST("/api/sums/outline", { body: asked })),
		retry: false,
		placeholderData: (before) => before,
	});
	const read = useMutation<OutlineShape, Refused, File>({
		mutationFn: (file) =>
			got(
				api.POST("/api/sums/outline/read", {
					params: {
						query: {
							format: file.name.toLowerCase().endsWith(".svg") ? "svg" : "dxf",
						},
					},
					body: file as unknown as string,
					bodySerializer: (b) => b as unknown as Blob,
					headers: { "Content-Type": "application/octet-stream" },
				}),
			),
		onSuccess: (file) => set({ ...form, kind: "file", file, doubt: 0 }),
	});
	const save = useMutation<void, Refused, Format>({
		mutationFn: async (format) => {
			const blob = await got<Blob>(
				api.POST("/api/sums/outline/file", {
					params: { query: { format } },
					body: form,
					parseAs: "blob",
				}) as Promise<{ data?: Blob; error?: unknown; response: Response }>,
			);
			const a = document.createElement("a");
			a.href = URL.createObjectURL(blob);
			a.download = `outline.${format === "dxf" || format === "svg" ? format : "pdf"}`;
			a.click();
			URL.revokeObjectURL(a.href);
		},
	});
	return { form, set, clear, shapes, result, read, save };
}

/** Makes an outline from elsewhere the one of the outline sum. */
export function useTakeOutline() {
	const [form, set] = useDraft<OutlineIn>("outline", empty);
	return (file: OutlineShape, doubt: number) =>
		set({ ...form, kind: "file", file, doubt, trace: undefined });
}
