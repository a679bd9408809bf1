import { useWho } from "./who";

/** What the page is called, in the window and in the list of pages one has been to. */
export function Title({ of }: { of: string }) {
	const { shop } = useWho();
	return <title>{`${of} · ${shop.name}`}</title>;
}
