import {
	type ComponentType,
	createElement,
	type FunctionComponent,
	lazy,
	type ReactNode,
	Suspense,
	useRef,
} from "react";
import { ask } from "../api/reach";

type File<K extends string, P extends object> = () => Promise<{
	[name in K]: ComponentType<P>;
}>;

// Every part that lies in a file of its own, in the order in which the program came upon it.
const parts: (() => Promise<unknown>)[] = [];

/** How long a part that did not come is waited for until it is asked for again, ms; how often, where the program answers. */
const again = 1000;
const tries = 3;

/** A part that is loaded when it is shown: without a network it waits for one. */
export function behind<T>(load: () => Promise<T>): () => Promise<T> {
	const patient = async () => {
		for (let n = 1; ; n++) {
			try {
				return await load();
			} catch (e) {
				if ((await ask()) && n >= tries) throw e;
				await new Promise((done) => setTimeout(done, again));
			}
		}
	};
	parts.push(patient);
	return patient;
}

/** Loads all parts, one after another, also those that a part has behind it: from then on nothing waits for a network. */
export async function loadTheRest() {
	for (let n = 0; n < parts.length; n++)
		await parts[n]?.().catch(() => undefined);
}

/** A named part of another file; whoever shows it says what stands there until it is loaded. */
export function parted<K extends string, P extends object>(
	load: File<K, P>,
	name: K,
): ComponentType<P> {
	const part = behind(load);
	return lazy<ComponentType<P>>(() =>
		part().then((file) => ({ default: file[name] })),
	);
}

/** The same, with what stands there until it is loaded: nothing, if nothing is said. */
export function later<K extends string, P extends object>(
	load: File<K, P>,
	name: K,
	until?: ReactNode,
): ComponentType<P> {
	const Part = parted(load, name);
	// biome-ignore lint/correctness/noComponentHookFactories: it is called once for each part, beside the imports
	return function Later(props: P) {
		return (
			<Suspense fallback={until}>
				{createElement<P>(Part as FunctionComponent<P>, props)}
			</Suspense>
		);
	};
}

/** What a sheet needs is loaded when it is first opened, and stays. */
export function Once({
	open,
	children,
}: {
	open: boolean;
	children: ReactNode;
}) {
	const opened = useRef(false);
	opened.current ||= open;
	return opened.current ? children : null;
}
