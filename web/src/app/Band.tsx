import { useQueryClient } from "@tanstack/react-query";
import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";
import { NavLink, useLocation, useNavigate } from "react-router";
import { api, got } from "../api/client";
import { setTheme, useTheme } from "./theme";
import { useInSight } from "./useInSight";
import { useWho } from "./who";

const places = [
	{ to: "/", name: "Today" },
	{ to: "/days", name: "Days" },
	{ to: "/jobs", name: "Jobs" },
	{ to: "/take-in", name: "Take in" },
	{ to: "/cut-room", name: "Cut room" },
	{ to: "/stores", name: "Stores" },
	{ to: "/records", name: "Records" },
	{ to: "/sums", name: "Sums" },
	{ to: "/book", name: "Book" },
	{ to: "/shop", name: "Shop" },
];

/**
 * The dark band along the bottom edge, within reach of a thumb. On a job it
 * carries the tape and folds the ways into a menu; elsewhere it shows them.
 */
export function Band({ children }: { children?: ReactNode }) {
	const row = useInSight<HTMLElement>(useLocation().pathname);
	return (
		<footer className="on-band flex min-h-[72px] shrink-0 items-stretch gap-3 bg-band px-3 text-on-band sm:px-6">
			<ShopMenu folded={children !== undefined} />
			{children ?? (
				<nav
					ref={row}
					aria-label="Main"
					className="flex flex-1 items-stretch gap-1 overflow-x-auto"
				>
					{places.map((p) => (
						<NavLink
							key={p.to}
							to={p.to}
							end={p.to === "/"}
							className={({ isActive }) =>
								`flex min-w-16 items-center justify-center border-t-4 px-3 font-semibold whitespace-nowrap xl:px-5 ${isActive ? "border-tape" : "border-transparent text-on-band-2 hover:text-on-band"}`
							}
						>
							{p.name}
						</NavLink>
					))}
				</nav>
			)}
		</footer>
	);
}

function ShopMenu({ folded }: { folded: boolean }) {
	const { shop, account } = useWho();
	const theme = useTheme();
	const go = useNavigate();
	const client = useQueryClient();
	async function leave() {
		await got(api.DELETE("/api/session"));
		client.clear();
		go("/");
		window.location.reload();
	}
	const item =
		"flex min-h-12 cursor-pointer items-center px-4 outline-none data-[highlighted]:bg-tape data-[highlighted]:text-on-tape";
	return (
		<DropdownMenu.Root modal={false}>
			<DropdownMenu.Trigger className="flex min-w-12 shrink-0 items-center gap-2 text-left font-semibold">
				<img src="/shard.svg" alt="" className="size-8" />
				<span className="hidden md:block">
					{shop.name}
					<span className="block text-sm font-normal text-on-band-2">
						{account.name}
					</span>
				</span>
				<span className="sr-only">, menu</span>
				<span aria-hidden="true">▴</span>
			</DropdownMenu.Trigger>
			<DropdownMenu.Portal>
				<DropdownMenu.Content
					side="top"
					align="start"
					sideOffset={6}
					className="on-band z-50 min-w-56 border border-on-band-2 bg-band py-2 text-on-band"
				>
					{folded &&
						places.map((p) => (
							<DropdownMenu.Item
								key={p.to}
								className={item}
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
