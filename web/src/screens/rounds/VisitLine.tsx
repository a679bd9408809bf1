import { useState } from "react";
import type { Refused } from "../../api/refused";
import type { Site, ToVisit } from "../../api/types";
import { span, when } from "../../app/when";
import { Button } from "../../parts/Button";
import { control, Field, TextField } from "../../parts/Field";
import { Tick } from "../../parts/Tick";

/** A job at a customer's: taken along or not, and where it is. */
export function VisitLine({
	v,
	places,
	chosen,
	onChoose,
	onSite,
	busy,
	error,
}: {
	v: ToVisit;
	places: string[];
	chosen: boolean;
	onChoose: (on: boolean) => void;
	onSite: (site: Site, done: () => void) => void;
	busy: boolean;
	error: Refused | null;
}) {
	const [where, setWhere] = useState(false);
	const can = !v.why && !v.round && v.site.place !== "";
	return (
		<li className="border-b border-rule py-1" data-visit={v.job}>
			<div className="flex flex-wrap items-center justify-between gap-x-4">
				<div className="flex-1 basis-64">
					<Tick checked={chosen} disabled={!can} onChange={onChoose}>
						<strong className="font-semibold">{v.object}</strong>
						<span className="block text-ink-2">
							{v.why ??
								(v.round
									? "in a round already"
									: `${v.what}, ${span(v.minutes)}${v.people > 1 ? `, ${v.people} people` : ""}${v.from ? `, not before ${when(v.from)}` : ""}`)}
						</span>
					</Tick>
				</div>
				{!where && (
					<Button kind="quiet" onClick={() => setWhere(true)}>
						{v.site.place === "" ? "say where it is" : saidSite(v.site)}
					</Button>
				)}
			</div>
			{where && (
				<SiteForm
					site={v.site}
					places={places}
					busy={busy}
					error={error}
					onSite={(s) => onSite(s, () => setWhere(false))}
				/>
			)}
		</li>
	);
}

function saidSite(s: Site): string {
	if (!s.in_from && !s.in_to) return s.place;
	if (!s.in_to) return `${s.place}, from ${s.in_from}`;
	return `${s.place}, ${s.in_from ?? "0:00"} to ${s.in_to}`;
}

function SiteForm({
	site,
	places,
	busy,
	error,
	onSite,
}: {
	site: Site;
	places: string[];
	busy: boolean;
	error: Refused | null;
	onSite: (s: Site) => void;
}) {
	const [s, setS] = useState({
		...site,
		place: site.place || (places[0] ?? ""),
	});
	return (
		<form
			className="flex flex-wrap items-end gap-3 pb-2"
			onSubmit={(e) => {
				e.preventDefault();
				onSite(s);
			}}
		>
			<Field label="Place" error={error?.field("place")}>
				{(a) => (
					<select
						{...a}
						className={control}
						value={s.place}
						onChange={(e) => setS({ ...s, place: e.target.value })}
					>
						{places.map((p) => (
							<option key={p}>{p}</option>
						))}
					</select>
				)}
			</Field>
			<div className="w-28">
				<TextField
					label="In from"
					value={s.in_from ?? ""}
					onChange={(in_from) => setS({ ...s, in_from })}
					placeholder="09:00"
					maxLength={5}
					error={error?.field("in_from")}
				/>
			</div>
			<div className="w-28">
				<TextField
					label="In until"
					value={s.in_to ?? ""}
					onChange={(in_to) => setS({ ...s, in_to })}
					placeholder="16:00"
					maxLength={5}
					error={error?.field("in_to")}
				/>
			</div>
			<Button type="submit" disabled={busy || s.place === ""}>
				There it is
			</Button>
		</form>
	);
}
