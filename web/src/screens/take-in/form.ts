import { useMemo } from "react";
import { newKey } from "../../api/key";
import type { Customer, FieldError, Layout, Road } from "../../api/types";
import { useDraft } from "../../app/draft";

export type Form = {
	/** Kept with the draft: sending it twice makes one job. */
	key: string;
	customer: Customer | null;
	name: string;
	phone: string;
	object: string;
	exposure: string;
	stands: "" | "inner" | "middle" | "outer";
	steady: string;
	leaf: boolean;
	power: boolean;
	gas: boolean;
	vehicle: boolean;
	moves: "" | "road" | "trailer" | "machine";
	water: boolean;
	layout: Layout;
	old: boolean;
	strike: boolean;
	stamp: string;
	family: string;
	road: Road;
	like: string;
	story: string;
	place: "bench" | "site";
	promised: string;
};

function emptyForm(): Form {
	return {
		key: newKey(),
		customer: null,
		name: "",
		phone: "",
		object: "",
		exposure: "",
		stands: "",
		steady: "",
		leaf: false,
		power: false,
		gas: false,
		vehicle: false,
		moves: "",
		water: false,
		layout: { across: 1, down: 1, behind: false },
		old: false,
		strike: false,
		stamp: "",
		family: "",
		road: { id: "size", how: "", came: "broken", part: {} },
		like: "",
		story: "",
		place: "bench",
		promised: "",
	};
}

export type QuestionProps = {
	form: Form;
	set: (change: Partial<Form>) => void;
	error: (field: string) => FieldError | undefined;
};

export function useForm(): [Form, (change: Partial<Form>) => void, () => void] {
	const empty = useMemo(emptyForm, []);
	const [form, put, clear] = useDraft<Form>("take-in", empty);
	// Another content is another request, so it goes under another key.
	return [form, (change) => put({ ...form, ...change, key: newKey() }), clear];
}

/** In heat it counts where the pane stands; panes behind one another say it themselves. */
export function asksPlace(f: Form): boolean {
	return (
		["fire", "kiln", "oven"].includes(f.exposure) &&
		f.steady.trim() === "" &&
		!f.layout.behind
	);
}

/** What is sent: the answers as the program takes them. */
export function bodyOf(f: Form) {
	const steady =
		f.steady.trim() === "" ? undefined : Number(f.steady.replace(",", "."));
	return {
		customer_id: f.customer?.id,
		name: f.customer ? undefined : f.name,
		phone: f.customer ? undefined : f.phone,
		object: f.object,
		exposure: f.exposure,
		stands: asksPlace(f) ? f.stands : "",
		steady: steady === undefined || Number.isNaN(steady) ? undefined : steady,
		leaf: f.leaf,
		power: f.power,
		gas: f.gas,
		vehicle: f.vehicle,
		moves: f.moves,
		water: f.water,
		layout: f.layout,
		old: f.old,
		strike: f.strike,
		stamp: f.stamp,
		family: f.family,
		road: f.road,
		story: f.story,
		place: f.place,
		like: f.like,
	};
}
