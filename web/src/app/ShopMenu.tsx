import { useQueryClient } from "@tanstack/react-query";
import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";
import { useNavigate } from "react-router";
import { signOut } from "../api/session";
import { places } from "./places";
import { setTheme, useTheme } from "./theme";
import { useWho } from "./who";

const item =
	"flex min-h-12 cursor-pointer items-center px-4 outline-none data-[highlighted]:bg-tape data-[highlighted]:text-on-tape";

/** The ways that the band has no room for, light and dark, and the way out. */
export function ShopMenu({
	all,
	children,
	className,
	open,
	onOpen,
}: {
	/** Every way, not only those that the band has no room for. */
	all: boolean;
	/** What is pressed to open it. */
	children: ReactNode;
	className: string;
	open: boolean;
	onOpen: (open: boolean) => void;
}) {
	const { account } = useWho();
	const theme = useTheme();
	const go = useNavigate();
	const client = useQueryClient();
	async function leave() {
		await signOut();
		client.clear();
		go("/");
		window.location.reload();
	}
	return (
		<DropdownMenu.Root modal={false} open={open} onOpenChange={onOpen}>
			<DropdownMenu.Trigger className={className}>
				{children}
			</DropdownMenu.Trigger>
			<DropdownMenu.Portal>
				<DropdownMenu.Content
					side="top"
					align="start"
					sideOffset={6}
					collisionPadding={4}
					className="on-band z-50 max-h-(--radix-dropdown-menu-content-available-height) min-w-56 overflow-y-auto border border-on-band-2 bg-band py-2 text-on-band"
				>
					{places.map((p) => (
						<DropdownMenu.Item
							key={p.to}
							className={`${item} ${all ? "" : p.inMore}`}
							onSelect={() => go(p.to)}
						>
							{p.name}
						</DropdownMenu.Item>
					))}
					<DropdownMenu.Item
						className={item}
						onSelect={() => setTheme(theme === "dark" ? "light" : "dark")}
					>
						{theme === "dark" ? "Light table" : "Dark table"}
					</DropdownMenu.Item>
					<DropdownMenu.Item className={item} onSelect={() => void leave()}>
						Sign out {account.name}
					</DropdownMenu.Item>
				</DropdownMenu.Content>
			</DropdownMenu.Portal>
		</DropdownMenu.Root>
	);
}
