import { Dialog } from "radix-ui";
import type { ReactNode } from "react";
import { Boundary } from "./Boundary";
import { UnreadWithin } from "./unread";

/** A sheet laid over the right of the table; Escape or "Close" lifts it. */
export function SheetDialog({
	title,
	open,
	onClose,
	children,
}: {
	title: string;
	open: boolean;
	onClose: () => void;
	children: ReactNode;
}) {
	return (
		<Dialog.Root open={open} onOpenChange={(v) => !v && onClose()}>
			<Dialog.Portal>
				<Dialog.Overlay className="fixed inset-0 z-40 bg-black/45" />
				<Dialog.Content
					aria-describedby={undefined}
					className="fixed inset-y-0 right-0 z-50 flex w-full max-w-[520px] flex-col border-l-2 border-ink bg-ground"
				>
					<header className="flex items-center justify-between gap-4 border-b border-rule px-6 py-3">
						<Dialog.Title className="text-xl font-semibold">
							{title}
						</Dialog.Title>
						<Dialog.Close className="min-h-12 px-3 font-semibold underline underline-offset-4">
							Close
						</Dialog.Close>
					</header>
					<section
						aria-label={title}
						// biome-ignore lint/a11y/noNoninteractiveTabindex: a part that scrolls must be reached by the keyboard
						tabIndex={0}
						className="flex-1 overflow-y-auto px-6 py-5"
					>
						<Boundary what={title || "This sheet"}>
							<UnreadWithin>{children}</UnreadWithin>
						</Boundary>
					</section>
				</Dialog.Content>
			</Dialog.Portal>
		</Dialog.Root>
	);
}
