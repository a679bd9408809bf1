import type { ReactNode } from "react";
import { later, Once } from "../app/later";

const SheetDialog = later(() => import("./SheetDialog"), "SheetDialog");

/** A sheet laid over the right of the table; Escape or "Close" lifts it. */
export function Sheet(props: {
	title: string;
	open: boolean;
	onClose: () => void;
	children: ReactNode;
}) {
	return (
		<Once open={props.open}>
			<SheetDialog {...props} />
		</Once>
	);
}
