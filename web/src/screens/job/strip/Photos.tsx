import { useAddPhoto, useDropPhoto } from "../../../api/strip";
import type { View } from "../../../api/types";
import { Refusal } from "../../../parts/Refusal";

/** Pictures of one entry of the strip log, and the camera to take one. */
export function Photos({
	view,
	entry,
	what,
}: {
	view: View;
	entry: string;
	what: string;
}) {
	const id = view.job.id;
	const add = useAddPhoto(view, entry);
	const drop = useDropPhoto(view);
	const mine = view.job.photos.filter((p) => p.entry === entry);
	return (
		<div className="flex flex-wrap items-end gap-3">
			{mine.map((p, n) => (
				<figure key={p.id} data-photo={p.id}>
					<a
						href={`/api/jobs/${id}/photos/${p.id}`}
						target="_blank"
						rel="noreferrer"
					>
						<img
							src={`/api/jobs/${id}/photos/${p.id}/thumb`}
							alt={`${what}, ${n + 1}, by ${p.by}`}
							width={96}
							className="h-auto border border-ink"
						/>
					</a>
					{!view.job.signed && (
						<button
							type="button"
							className="min-h-11 text-[0.9375rem] underline underline-offset-4"
							onClick={() => drop.mutate(p.id)}
						>
							take away
						</button>
					)}
				</figure>
			))}
			{!view.job.signed && (
				<label className="inline-flex min-h-11 cursor-pointer items-center text-[0.9375rem] underline underline-offset-4 focus-within:outline-3 focus-within:outline-now">
					{add.isPending ? "keeping it …" : "take a picture"}
					<input
						type="file"
						accept="image/jpeg,image/png,image/webp"
						capture="environment"
						className="sr-only"
						onChange={(e) => {
							const file = e.target.files?.[0];
							e.target.value = "";
							if (file) add.mutate(file);
						}}
					/>
				</label>
			)}
			<Refusal error={add.error ?? drop.error} />
		</div>
	);
}
