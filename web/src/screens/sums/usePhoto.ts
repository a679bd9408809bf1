import { useMutation } from "@tanstack/react-query";
import { useDeferredValue, useEffect, useState } from "react";
import type { Refused } from "../../api/refused";
import { examplePhoto, usePhotoSum } from "../../api/sums";
import type { PhotoIn, Point } from "../../api/types";

export type Sheet = PhotoIn["sheet"];

export const sheets: { name: string; sheet: Sheet }[] = [
	{ name: "A4 upright", sheet: { w: 210, h: 297 } },
	{ name: "A4 lying", sheet: { w: 297, h: 210 } },
	{ name: "Letter upright", sheet: { w: 215.9, h: 279.4 } },
	{ name: "Letter lying", sheet: { w: 279.4, h: 215.9 } },
];

/** The corners of the sheet in the order in which they are asked. */
export const cornerNames = [
	"the upper left corner of the sheet",
	"the upper right corner of the sheet",
	"the lower right corner of the sheet",
	"the lower left corner of the sheet",
];

export type Picture = { url: string; w: number; h: number };

type Marks = { corners: Point[]; points: { px: Point; curve: boolean }[] };

const none: Marks = { corners: [], points: [] };

/** A photo on this device with its marks, and what follows from them. */
export function usePhoto() {
	const [picture, setPicture] = useState<Picture | null>(null);
	const [sheet, setSheet] = useState<Sheet>({ w: 210, h: 297 });
	const [error, setError] = useState(3);
	const [curve, setCurve] = useState(false);
	// Every state of the marks is kept, so that each tap can be taken back.
	const [history, setHistory] = useState<Marks[]>([none]);
	const marks = history.at(-1) ?? none;
	const put = (m: Marks) => setHistory([...history, m]);
	const open = useMutation<Picture, Refused | Error, Blob>({
		mutationFn: load,
		onSuccess: (p) => {
			setPicture(p);
			setHistory([none]);
		},
	});
	useEffect(
		() => () => {
			if (picture) URL.revokeObjectURL(picture.url);
		},
		[picture],
	);
	const body: PhotoIn = {
		sheet,
		corners: marks.corners,
		points: marks.points,
		error,
	};
	const asked = useDeferredValue(body);
	const result = usePhotoSum(
		asked,
		marks.corners.length === 4 && marks.points.length >= 3,
	);
	const example = async () => {
		const blob = await examplePhoto();
		setSheet({ w: 210, h: 297 });
		open.mutate(blob);
	};
	return {
		picture,
		sheet,
		setSheet,
		error,
		setError,
		curve,
		setCurve,
		marks,
		open,
		example,
		result,
		/** What the next tap marks. */
		next:
			cornerNames[marks.corners.length] ??
			(marks.points.length === 0
				? "the lower left corner of the opening"
				: curve
					? "a point on the curve, half way along it"
					: "the next corner of the opening, anticlockwise"),
		tap: (px: Point) => {
			if (marks.corners.length < 4) {
				put({ ...marks, corners: [...marks.corners, px] });
				return;
			}
			put({ ...marks, points: [...marks.points, { px, curve }] });
			setCurve(false);
		},
		move: (of: "corners" | "points", n: number, px: Point) =>
			put(
				of === "corners"
					? {
							...marks,
							corners: marks.corners.map((c, i) => (i === n ? px : c)),
						}
					: {
							...marks,
							points: marks.points.map((p, i) => (i === n ? { ...p, px } : p)),
						},
			),
		undo: () => history.length > 1 && setHistory(history.slice(0, -1)),
		afresh: () => setHistory([none]),
	};
}

export type Photo = ReturnType<typeof usePhoto>;

/** Reads a picture of this device, turned as it was taken. */
function load(blob: Blob): Promise<Picture> {
	const url = URL.createObjectURL(blob);
	const img = new Image();
	return new Promise((done, fail) => {
		img.onload = () => done({ url, w: img.naturalWidth, h: img.naturalHeight });
		img.onerror = () =>
			fail(new Error("This is no picture that can be shown."));
		img.src = url;
	});
}
