import { useMutation } from "@tanstack/react-query";
import { useDeferredValue } from "react";
import type { Refused } from "../../api/refused";
import {
	outlineFile,
	useOutlineFile,
	useOutlineSum,
	useShape,
	useShapes,
} from "../../api/sums";
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
	const q = useShape(kind, count);
	return (count ?? 0) > 0 ? q.data : undefined;
}

/** The outline sum: what was asked, what came of it, files in and out. */
export function useOutline() {
	const [form, set, clear] = useDraft<OutlineIn>("outline", empty);
	const shapes = useShapes();
	const asked = useDeferredValue(form);
	const result = useOutlineSum(asked);
	const read = useOutlineFile();
	const save = useMutation<void, Refused, Format>({
		mutationFn: async (format) => {
			const blob = await outlineFile(format, form);
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
