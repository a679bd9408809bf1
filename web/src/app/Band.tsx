import { type ReactNode, Suspense, useState } from "react";
import { NavLink } from "react-router";
import { GoesOn } from "./GoesOn";
import { parted } from "./later";
import { places } from "./places";
import { useWho } from "./who";

const ShopMenu = parted(() => import("./ShopMenu"), "ShopMenu");

/**
 * The dark band along the bottom edge, within reach of a thumb. On a job it
 * carries the line; the ways of the program stand below it on a phone, and
 * fold into a menu beside it where there is room for one.
 */
export function Band({ children }: { children?: ReactNode }) {
	const folded = children !== undefined;
	return (
		<footer className="on-band relative shrink-0 bg-band text-on-band">
			<GoesOn />
			<div
				className={`flex max-h-[44dvh] min-h-[72px] items-stretch gap-3 overflow-y-auto sm:pl-6 ${folded ? "" : "max-sm:hidden sm:pr-6"}`}
			>
				<Menu
					all={folded}
					className={`min-w-12 shrink-0 items-center gap-2 text-left font-semibold ${folded ? "flex max-sm:hidden" : "hidden lg:flex"}`}
				>
					<ShopMark />
				</Menu>
				{children ?? <Ways />}
			</div>
			<div
				className={`flex items-stretch border-t border-on-band-2/40 px-1 sm:hidden ${folded ? "min-h-12" : "min-h-14"}`}
			>
				<Ways />
			</div>
		</footer>
	);
}

function ShopMark() {
	const { shop, account } = useWho();
	return (
		<>
			<img src="/shard.svg" alt="" className="size-8" />
			<span className="hidden xl:block">
				{shop.name}
				<span className="block text-sm font-normal text-on-band-2">
					{account.name}
				</span>
			</span>
			<span className="sr-only">, menu</span>
			<span aria-hidden="true">▴</span>
		</>
	);
}

const way =
	"flex min-w-11 flex-1 items-center justify-center border-t-4 text-center text-[0.9375rem] leading-5 font-semibold sm:px-3 sm:text-[1.0625rem] lg:flex-none lg:whitespace-nowrap xl:px-5";

/** The ways of the program, as many as there is room for, and More. */
function Ways() {
	return (
		<nav
			aria-label="Main"
			className="flex min-w-0 flex-1 items-stretch sm:gap-1"
		>
			{places.map((p) => (
				<NavLink
					key={p.to}
					to={p.to}
					end={p.to === "/"}
					className={({ isActive }) =>
						`${way} ${p.inBand} ${isActive ? "border-tape" : "border-transparent text-on-band-2 hover:text-on-band"}`
					}
				>
					{p.name}
				</NavLink>
			))}
			<Menu
				all={false}
				className={`${way} border-transparent text-on-band-2 hover:text-on-band lg:hidden`}
			>
				More
			</Menu>
		</nav>
	);
}

/** What opens the menu; the menu itself is loaded behind it. */
function Menu({
	all,
	className,
	children,
}: {
	/** With all the ways: there are none beside it. */
	all: boolean;
	className: string;
	children: ReactNode;
}) {
	const [open, setOpen] = useState(false);
	// It is loaded when somebody reaches for it, and put in its place by the press: a key that was
	// changed under a finger would not hear it.
	const [wanted, setWanted] = useState(false);
	const plain = (
		<button
			type="button"
			aria-haspopup="menu"
			aria-expanded={false}
			className={className}
			onPointerEnter={() => void import("./ShopMenu")}
			onFocus={() => void import("./ShopMenu")}
			onClick={() => {
				setWanted(true);
				setOpen(true);
			}}
		>
			{children}
		</button>
	);
	if (!wanted) return plain;
	return (
		<Suspense fallback={plain}>
			<ShopMenu all={all} className={className} open={open} onOpen={setOpen}>
				{children}
			</ShopMenu>
		</Suspense>
	);
}
