import {
	type ComponentType,
	createElement,
	type FunctionComponent,
	lazy,
	type ReactNode,
	Suspense,
	useRef,
} from "react";

type File<K extends string, P extends object> = () => Promise<{
	[name in K]: ComponentType<P>;
}>;

/** A named part of another file, loaded when it is first shown; whoever shows it says what stands there until then. */
export function parted<K extends string, P extends object>(
	load: File<K, P>,
	name: K,
): ComponentType<P> {
	return lazy<ComponentType<P>>(() =>
		load().then((file) => ({ default: file[name] })),
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
