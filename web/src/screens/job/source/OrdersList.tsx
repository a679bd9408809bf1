import { useState } from "react";
import { useCame, useOrderState, useOrders } from "../../../api/orders";
import { useSuppliers } from "../../../api/shop";
import type { Order, Orders, View } from "../../../api/types";
import { later } from "../../../app/later";
import { when } from "../../../app/when";
import { Button } from "../../../parts/Button";
import { money } from "../../../parts/money";
import { Refusal } from "../../../parts/Refusal";
import { WhenField } from "../../../parts/WhenField";

const Arrival = later(() => import("./Arrival"), "Arrival");

const OrderForm = later(() => import("./OrderForm"), "OrderForm");

/** What was ordered, how far it is, and what the job still lacks. */
export function OrdersList({ view }: { view: View }) {
	const orders = useOrders(view);
	const [writing, setWriting] = useState(false);
	if (!orders.data) return null;
	const open = !view.job.signed && !view.job.withdrawn;
	const { lacks, spare } = orders.data;
	return (
		<section aria-label="Orders">
			<h2 className="font-semibold">Orders</h2>
			<ol>
				{orders.data.orders.map((o) => (
					<OrderCard key={o.id} view={view} order={o} all={orders.data} />
				))}
			</ol>
			{lacks.length > 0 && (
				<p className="mt-2 text-[0.9375rem] text-ink-2" data-lacks>
					On no order yet:{" "}
					{lacks
						.map(
							(l) =>
								l.text +
								(spare.includes(l.key)
									? " (the old one goes back, if it is good)"
									: ""),
						)
						.join("; ")}
					.
				</p>
			)}
			{open && !writing && (
				<Button className="mt-2" onClick={() => setWriting(true)}>
					Order what is missing
				</Button>
			)}
			{open && writing && (
				<OrderForm
					view={view}
					all={orders.data}
					onDone={() => setWriting(false)}
				/>
			)}
		</section>
	);
}

function OrderCard({
	view,
	order,
	all,
}: {
	view: View;
	order: Order;
	all: Orders;
}) {
	const [form, setForm] = useState<"came" | "day" | null>(null);
	const [due, setDue] = useState("");
	const move = useOrderState(view, order);
	const came = useCame(view, order.id);
	const open = !view.job.signed && !view.job.withdrawn;
	const loud = order.state === "back" || order.late;
	return (
		<li
			data-supply={order.id}
			className={`mt-2 border-l-4 py-1 pl-3 ${loud ? "border-warn bg-warn-wash" : "border-rule"}`}
		>
			<p>
				<strong>
					{order.id}, {order.who}: {order.says}
				</strong>
				{order.out && order.due && (
					<span>
						{" "}
						· {order.late ? "should be here since" : "due"} {when(order.due)}
					</span>
				)}
			</p>
			<ul className="text-[0.9375rem]">
				{order.lines.map((l) => (
					<li key={l.key}>
						{l.milli / 1000} {l.unit === "m" ? "m" : "×"} {l.text}
						{l.each > 0 && `, ${money(l.each)}`}
						{l.found === "good" && " ✓"}
						{l.found === "wrong" && (
							<strong className="text-stop"> goes back: {l.finding}</strong>
						)}
						{l.found === "missing" && (
							<strong className="text-stop">
								{" "}
								was not in the box{l.finding && `: ${l.finding}`}
							</strong>
						)}
					</li>
				))}
			</ul>
			<div className="flex flex-wrap gap-y-1">
				<a
					className="min-h-12 content-center pr-4 font-semibold text-ink-2 underline underline-offset-4"
					href={`/api/jobs/${view.job.id}/orders/${order.id}/order.pdf`}
				>
					on paper
				</a>
				{open && <Reach who={order.who} number={order.id} />}
				{open && order.state === "to-send" && (
					<Button
						kind="now"
						disabled={move.isPending}
						onClick={() => move.mutate({ state: "sent" })}
					>
						It is sent
					</Button>
				)}
				{open && order.out && (
					<Button
						disabled={came.isPending}
						onClick={() => came.mutate({ lines: [], version: order.version })}
					>
						All of it is here
					</Button>
				)}
				{open && (order.out || order.state === "here") && (
					<Button
						kind="quiet"
						onClick={() => setForm(form === "came" ? null : "came")}
					>
						something is wrong
					</Button>
				)}
				{open && order.out && (
					<Button
						kind="quiet"
						onClick={() => setForm(form === "day" ? null : "day")}
					>
						another day
					</Button>
				)}
				{open && (order.state === "to-send" || order.out) && (
					<Button
						kind="quiet"
						disabled={move.isPending}
						onClick={() => move.mutate({ state: "dropped" })}
					>
						cancel it
					</Button>
				)}
			</div>
			{form === "day" && (
				<form
					className="flex flex-col gap-2 py-2"
					onSubmit={(e) => {
						e.preventDefault();
						move.mutate(
							{ state: "confirmed", due },
							{ onSuccess: () => setForm(null) },
						);
					}}
				>
					<WhenField
						label="They say it comes"
						value={due}
						onChange={setDue}
						error={move.error?.field("due")}
					/>
					<Button type="submit" disabled={due.trim() === "" || move.isPending}>
						Wait for that
					</Button>
				</form>
			)}
			{form === "came" && (
				<Arrival
					view={view}
					order={order}
					looks={all.looks}
					onDone={() => setForm(null)}
				/>
			)}
			<Refusal
				error={move.error?.field("due") ? null : (move.error ?? came.error)}
			/>
		</li>
	);
}

/** How a supplier is reached, where the shop knows them. */
function Reach({ who, number }: { who: string; number: number }) {
	const known = useSuppliers().data?.find(
		(v) => v.name.toLowerCase() === who.toLowerCase(),
	);
	const link =
		"min-h-12 content-center pr-4 text-ink-2 underline underline-offset-4";
	return (
		<>
			{known?.phone && (
				<a className={link} href={`tel:${known.phone.replace(/\s/g, "")}`}>
					{known.phone}
				</a>
			)}
			{known?.mail && (
				<a
					className={link}
					href={`mailto:${known.mail}?subject=${encodeURIComponent(`Order ${number}`)}`}
				>
					{known.mail}
				</a>
			)}
		</>
	);
}
