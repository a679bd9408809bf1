import { useState } from "react";
import type { Catalogue, Own, Value } from "../../api/types";
import { useWho } from "../../app/who";
import { OwnForm } from "./OwnForm";
import { originOf } from "./origin";

type Props = {
	book: Catalogue;
	kind: Own["kind"];
	id: string;
	item: string;
	name: string;
	unit: string;
	value?: Value;
	/** Of what, for the button's name. */
	of: string;
};

/** One value with its origin; an owner may lay the shop's own over it. */
export function ValueRow({
	book,
	kind,
	id,
	item,
	name,
	unit,
	value,
	of,
}: Props) {
	const { account } = useWho();
	const [open, setOpen] = useState(false);
	const field = book.fields[kind]?.find((f) =>
		f.item.endsWith("*")
			? item.startsWith(f.item.slice(0, -1))
			: f.item === item,
	);
	const laid = book.own.find(
		(o) => o.kind === kind && o.id === id && o.item === item,
	);
	const mayChange = field && account.role === "owner";
	if (!value && !mayChange) return null;
	return (
		<>
			<tr
				className={open ? "" : "border-b border-rule"}
				data-value={`${id}/${item}`}
			>
				<th scope="row" className="py-1 pr-3 text-left font-normal">
					{name}
				</th>
				<td className="font-figure pr-4 text-right font-semibold whitespace-nowrap">
					{value ? `${value.v} ${unit}` : "–"}
				</td>
				<td
					className={`text-[0.9375rem] ${laid ? "font-semibold text-now" : "text-ink-2"}`}
				>
					{!value
						? "the book has none"
						: laid && value.o.kind !== "shop"
							? originOf({
									kind: "shop",
									name: laid.sheet,
									by: laid.by,
									at: laid.at,
								})
							: originOf(value.o)}
					{laid && laid.was !== undefined && (
						<span className="block font-normal text-ink-2">
							the book says {laid.was} {unit}
						</span>
					)}
				</td>
				<td className="text-right">
					{mayChange && (
						<button
							type="button"
							aria-expanded={open}
							onClick={() => setOpen(!open)}
							className="min-h-11 min-w-11 px-2 text-[0.9375rem] underline underline-offset-4"
						>
							{open ? "leave it" : "change"}
							<span className="sr-only">
								{" "}
								{name} of {of}
							</span>
						</button>
					)}
				</td>
			</tr>
			{open && field && (
				<tr className="border-b border-rule">
					<td colSpan={4} className="pb-4">
						<OwnForm
							at={{ kind, id, item }}
							unit={field.unit}
							value={value?.v}
							laid={laid}
							onDone={() => setOpen(false)}
						/>
					</td>
				</tr>
			)}
		</>
	);
}
