import { useState } from "react";
import { Link } from "react-router";
import { useAsked, useShowOnQuote } from "../../../api/price";
import type { Priced, View } from "../../../api/types";
import { when } from "../../../app/when";
import { useWho } from "../../../app/who";
import { Button } from "../../../parts/Button";
import { TextField } from "../../../parts/Field";
import { Refusal } from "../../../parts/Refusal";
import { Tick } from "../../../parts/Tick";

/** Whether the customer said yes to the last quote, and how they are asked. */
export function Asking({ view, price }: { view: View; price: Priced }) {
	const { shop } = useWho();
	const write = useAsked(view);
	const [name, setName] = useState(view.job.customer.name);
	const { asked } = price;
	if (!asked || asked.stands === "replaced") return null;
	const said = asked.replies.filter((r) => !r.withdrawn_at);
	const open = asked.stands !== "yes" && asked.stands !== "over";
	return (
		<section
			aria-label="The customer's yes"
			className="flex flex-col gap-2"
			data-asked-for={asked.stands}
		>
			<h3 className="font-semibold">The customer's yes</h3>
			<p
				className={
					asked.stands === "call"
						? "border-l-4 border-warn bg-warn-wash px-3 py-1 font-semibold"
						: ""
				}
			>
				{asked.says}
			</p>
			{said.map((r) => (
				<p key={r.id} className="text-ink-2">
					{r.name}, {r.yes ? "yes" : "call me"}, {when(r.at)},{" "}
					{r.by ? `written down by ${r.by}` : "on the page"}
					{r.words && `: “${r.words}”`}
				</p>
			))}
			{asked.link && (
				<p>
					<Link
						to={`/q/${asked.link.token}`}
						className="underline underline-offset-4"
					>
						The page for the customer
					</Link>
					<span className="block text-sm text-ink-2">
						{shop.address
							? "Its code is on the quote's paper."
							: "The paper has no code for it: the shop has set no address of its own."}
					</span>
				</p>
			)}
			{asked.link && <Pictures view={view} shown={asked.photos} />}
			{open && (
				<form
					className="grid grid-cols-[1fr_auto] items-end gap-2"
					onSubmit={(e) => {
						e.preventDefault();
						write.mutate({ yes: true, name });
					}}
				>
					<TextField
						label="Signed on paper, or said, by"
						value={name}
						onChange={setName}
						error={write.error?.field("name")}
						maxLength={120}
					/>
					<Button type="submit" disabled={write.isPending}>
						They said yes
					</Button>
				</form>
			)}
			<Refusal error={write.error?.field("name") ? null : write.error} />
			<div className="flex flex-wrap gap-2">
				{!asked.link && open && (
					<Button
						disabled={write.isPending}
						onClick={() => write.mutate("ask")}
					>
						Make a page for their yes
					</Button>
				)}
				{(asked.link || said.length > 0) && (
					<Button
						kind="quiet"
						disabled={write.isPending}
						onClick={() => write.mutate("stop")}
					>
						{asked.link
							? "withdraw the page and what was said"
							: "take it back"}
					</Button>
				)}
			</div>
		</section>
	);
}

/** Which pictures the customer sees. */
function Pictures({ view, shown }: { view: View; shown: number[] }) {
	const show = useShowOnQuote(view);
	if (view.job.photos.length === 0) return null;
	return (
		<fieldset>
			<legend className="font-semibold">Pictures on the page</legend>
			<div className="flex flex-wrap gap-4">
				{view.job.photos.map((p, n) => (
					<div key={p.id}>
						<img
							src={`/api/jobs/${view.job.id}/photos/${p.id}/thumb`}
							alt={`${n + 1}, by ${p.by}`}
							width={96}
							className="h-auto border border-ink"
						/>
						<Tick
							checked={shown.includes(p.id)}
							disabled={show.isPending}
							onChange={(on) => show.mutate({ photo: p.id, shown: on })}
						>
							{`picture ${n + 1}`}
						</Tick>
					</div>
				))}
			</div>
			<Refusal error={show.error} />
		</fieldset>
	);
}
