/** A way of the program: where it leads, and from which width on the band has room for it. */
export type Place = {
	to: string;
	name: string;
	/** How it is shown in the band. */
	inBand: string;
	/** How it is shown behind More: only where the band has no room for it. */
	inMore: string;
};

const always = { inBand: "", inMore: "hidden" };
const phone = { inBand: "max-phone:hidden", inMore: "phone:hidden" };
const wide = { inBand: "max-lg:hidden", inMore: "" };

export const places: Place[] = [
	{ to: "/", name: "Today", ...always },
	{ to: "/jobs", name: "Jobs", ...always },
	{ to: "/take-in", name: "Take in", ...phone },
	{ to: "/days", name: "Days", ...phone },
	{ to: "/sums", name: "Sums", ...phone },
	{ to: "/cut-room", name: "Cut room", ...wide },
	{ to: "/stores", name: "Stores", ...wide },
	{ to: "/records", name: "Records", ...wide },
	{ to: "/book", name: "Book", ...wide },
	{ to: "/shop", name: "Shop", ...wide },
];
