import { useRef, useState } from "react";
import { api, got, newKey } from "../../../api/client";
import { on } from "../../../api/hooks";
import type { Order, Orders, View } from "../../../api/types";
import { useMoments } from "../../../app/moment";
import { when } from "../../../app/when";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { money } from "../../../parts/money";
import { Pick } from "../../../parts/Pick";
import { Refusal } from "../../../parts/Refusal";
import { Tick } from "../../../parts/Tick";
import { WhenField } from "../../../parts/WhenField";
import { Arrival } from "./Arrival";
import { useOrders, useOrderWrite } from "./useOrders";

/** What was ordered, how far it is, and what the job still lacks. */
export function OrdersList({ view }: { view: View }) {
	const orders = useOrders(view);
	const [writing, setWriting] = useState(false);
	if (!orders.data) return null;
	const open = !view.job.signed && !view.job.withdrawn;
	const { lacks } = orders.data;
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
					On no order yet: {lacks.map((l) => l.text).join("; ")}.
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
	const moments = useMoments();
	const move = useOrderWrite<{
		state: "sent" | "confirmed" | "dropped";
		due?: string;
	}>(view, async (body) =>
		got(
			api.PUT("/api/jobs/{id}/orders/{order}/state", {
				params: on(view, { order: order.id }),
				body: {
					state: body.state,
					version: order.version,
					due: body.due ? await moments.of("due", body.due) : undefined,
				},
			}),
		),
	);
	const came = useOrderWrite<void>(view, () =>
		got(
			api.PUT("/api/jobs/{id}/orders/{order}/came", {
				params: on(view, { order: order.id }),
				body: { lines: [], version: order.version },
			}),
		),
	);
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
					<Button disabled={came.isPending} onClick={() => came.mutate()}>
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

/** An order for whatever of it is ticked; something more can be typed. */
function OrderForm({
	view,
	all,
	onDone,
}: {
	view: View;
	all: Orders;
	onDone: () => void;
}) {
	const key = useRef(newKey());
	const [who, setWho] = useState("");
	const [kind, setKind] = useState<"cutter" | "parts" | "maker" | "post">(
		"parts",
	);
	const [days, setDays] = useState("3");
	const [off, setOff] = useState<string[]>([]);
	const [more, setMore] = useState("");
	const write = useOrderWrite<void>(view, () =>
		got(
			api.POST("/api/jobs/{id}/orders", {
				params: { ...on(view), header: { "Idempotency-Key": key.current } },
				body: { kind, who, lines, days: Number(days) },
			}),
		),
	);
	const lines = all.lacks.filter((l) => !off.includes(l.key));
	if (more.trim() !== "") {
		lines.push({
			key: `own-${more.trim().slice(0, 40)}`,
			text: more,
			milli: 1000,
			unit: "pc",
			each: 0,
		});
	}
	const fresh = () => {
		key.current = newKey();
	};
	const badDays = !/^\d{1,3}$/.test(days.trim());
	return (
		<form
			aria-label="An order"
			className="mt-3 flex flex-col gap-3 border-l-4 border-now pl-3"
			onSubmit={(e) => {
				e.preventDefault();
				if (!badDays) write.mutate(undefined, { onSuccess: onDone });
			}}
		>
			{all.lacks.map((l) => (
				<Tick
					key={l.key}
					checked={!off.includes(l.key)}
					onChange={(v) => {
						fresh();
						setOff(v ? off.filter((k) => k !== l.key) : [...off, l.key]);
					}}
				>
					{l.milli / 1000} {l.unit === "m" ? "m" : "×"} {l.text}
				</Tick>
			))}
			<TextField
				label="And"
				placeholder="adhesive, one tube"
				value={more}
				onChange={(v) => {
					fresh();
					setMore(v);
				}}
				maxLength={300}
			/>
			<TextField
				label="From"
				value={who}
				onChange={(v) => {
					fresh();
					setWho(v);
				}}
				error={write.error?.field("who")}
				maxLength={80}
			/>
			<Pick
				label="Source"
				value={kind}
				onChange={(k) => {
					fresh();
					setKind(k);
				}}
				options={[
					{ value: "cutter", label: "cutter" },
					{ value: "parts", label: "parts house" },
					{ value: "maker", label: "maker" },
					{ value: "post", label: "by post" },
				]}
			/>
			<TextField
				label="Days"
				inputMode="numeric"
				value={days}
				onChange={(v) => {
					fresh();
					setDays(v);
				}}
				error={
					badDays
						? { field: "days", why: "a whole number is expected" }
						: undefined
				}
			/>
			<Refusal error={write.error?.field("who") ? null : write.error} />
			<div className="flex gap-2">
				<Button
					type="submit"
					disabled={lines.length === 0 || badDays || write.isPending}
				>
					Write the order
				</Button>
				<Button kind="quiet" onClick={onDone}>
					leave it
				</Button>
			</div>
		</form>
	);
}
