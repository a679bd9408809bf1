import {
	createContext,
	type ReactNode,
	useContext,
	useEffect,
	useId,
	useState,
} from "react";

const Tell = createContext<(field: string, unread: boolean) => void>(
	() => undefined,
);
const Any = createContext(false);

/**
 * A sheet or a form. While one of its fields shows something that is not understood, its keys that
 * save are shut: what stood there before would be sent in its place.
 */
export function UnreadWithin({ children }: { children: ReactNode }) {
	const [fields, setFields] = useState<string[]>([]);
	const [tell] = useState(
		() => (field: string, unread: boolean) =>
			setFields((all) =>
				unread === all.includes(field)
					? all
					: unread
						? [...all, field]
						: all.filter((f) => f !== field),
			),
	);
	return (
		<Tell value={tell}>
			<Any value={fields.length > 0}>{children}</Any>
		</Tell>
	);
}

/** A field says whether what it shows is not understood. */
export function useUnread(unread: boolean) {
	const field = useId();
	const tell = useContext(Tell);
	useEffect(() => {
		tell(field, unread);
		return () => tell(field, false);
	}, [tell, field, unread]);
}

/** Whether a field beside it shows something that is not understood. */
export const useAnyUnread = () => useContext(Any);
