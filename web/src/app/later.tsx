import {
	type ComponentType,
	type LazyExoticComponent,
	lazy,
	type ReactNode,
	Suspense,
	useRef,
} from "react";

/** A named part of another file that is loaded when it is first shown. */
export function later<K extends string, P>(
	load: () => Promise<{ [name in K]: ComponentType<P> }>,
	name: K,
): LazyExoticComponent<ComponentType<P>> {
	return lazy(() => load().then((file) => ({ default: file[name] })));
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
	return opened.current ? <Suspense>{children}</Suspense> : null;
}
