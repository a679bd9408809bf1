import type { UseMutationResult } from "@tanstack/react-query";
import { type ReactNode, useEffect } from "react";
import {
	type DefaultValues,
	type FieldValues,
	FormProvider,
	type Path,
	type UseFormReturn,
	useForm,
} from "react-hook-form";
import type { Refused } from "../api/refused";
import { load } from "../app/draft";
import { Refusal } from "../parts/Refusal";
import { UnreadWithin } from "../parts/unread";

/** A form as it is filled, and how its draft is dropped. */
export type Filled<V extends FieldValues> = UseFormReturn<V> & {
	done: () => void;
};

/**
 * The values of a form. Under a name they are kept on the device while they are typed, so that
 * leaving the page loses nothing; `done` drops them.
 */
export function useFilled<V extends FieldValues>(
	values: V,
	draft?: string,
): Filled<V> {
	const key = draft && `draft:form:${draft}`;
	const form = useForm<V>({
		mode: "onChange",
		defaultValues: (key ? keptOf(key, values) : values) as DefaultValues<V>,
	});
	const { watch, reset } = form;
	useEffect(() => {
		if (!key) return;
		const kept = watch((now) => {
			try {
				localStorage.setItem(key, JSON.stringify(now));
			} catch {
				// The device is full: the form goes on without a draft.
			}
		});
		return () => kept.unsubscribe();
	}, [watch, key]);
	return {
		...form,
		done: () => {
			reset(values);
			if (key) localStorage.removeItem(key);
		},
	};
}

/** What was kept of a form, of the fields that it has still. */
function keptOf<V extends FieldValues>(key: string, values: V): V {
	const kept = load(key, values);
	return Object.fromEntries(
		Object.keys(values).map((name) => [name, kept[name]]),
	) as V;
}

/** A field of the program's answer that has another name here. */
type Names = Record<string, string>;

/**
 * A form that is sent: what is wrong stands at its field, all at once, by the form's own check or
 * by the program's answer; what no field can carry stands below its keys.
 */
export function Form<V extends FieldValues, In, Out>({
	filled,
	write,
	body,
	onDone,
	names = {},
	label,
	className = "flex flex-col gap-4",
	children,
}: {
	filled: Filled<V>;
	write: UseMutationResult<Out, Refused, In>;
	/** What is sent, of what was typed. */
	body: (values: V) => In;
	onDone?: (answer: Out) => void;
	names?: Names;
	label?: string;
	className?: string;
	children: ReactNode;
}) {
	const { setError, getValues } = filled;
	const { error } = write;
	const known = (field: string) => (names[field] ?? field) in getValues();
	// An answer is said at its fields once: what is typed since then is another text.
	// biome-ignore lint/correctness/useExhaustiveDependencies: only a new answer
	useEffect(() => {
		for (const e of error?.problem.errors ?? []) {
			const at = names[e.field] ?? e.field;
			if (!(at in getValues())) continue;
			setError(at as Path<V>, {
				type: "answer",
				message: e.cure ? `${e.why}; ${e.cure}` : e.why,
			});
		}
	}, [error]);
	const placed = error?.problem.errors?.some((e) => known(e.field)) ?? false;
	return (
		<FormProvider {...filled}>
			<UnreadWithin>
				<form
					aria-label={label}
					className={className}
					noValidate
					onSubmit={filled.handleSubmit((values) =>
						write.mutate(body(values), {
							onSuccess: (answer) => {
								filled.done();
								onDone?.(answer);
							},
						}),
					)}
				>
					{children}
					<Refusal error={placed ? null : error} />
				</form>
			</UnreadWithin>
		</FormProvider>
	);
}
