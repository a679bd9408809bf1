import { useVan } from "../../../api/jobs";
import type { View } from "../../../api/types";
import { PartLines } from "../../../parts/PartLines";
import { Sheet } from "../../../parts/Sheet";

/** What goes into the van for what is left of the job. */
export function VanSheet({
	view,
	open,
	onClose,
}: {
	view: View;
	open: boolean;
	onClose: () => void;
}) {
	const { id } = view.job;
	const load = useVan(view, open);
	const l = load.data;
	return (
		<Sheet title="What to take along" open={open} onClose={onClose}>
			{load.isError && <p role="alert">{load.error.message}</p>}
			{l && (
				<div className="flex flex-col gap-6" data-van={id}>
					{l.parts.length > 0 && (
						<section aria-label="Panes and parts">
							<h3 className="font-semibold">Panes and parts</h3>
							<PartLines parts={l.parts} />
						</section>
					)}
					<section aria-label="Tools">
						<h3 className="font-semibold">Tools</h3>
						{l.tools.length === 0 && (
							<p className="text-ink-2">Nothing is left to be done there.</p>
						)}
						<ul>
							{l.tools.map((t) => (
								<li key={t.what} className="border-b border-rule py-1.5">
									<strong className="font-semibold">{t.what}</strong>
									<span className="block text-ink-2">{t.why}</span>
								</li>
							))}
						</ul>
					</section>
					{l.two.length > 0 && (
						<section aria-label="Two people">
							<h3 className="font-semibold text-two">Two people</h3>
							<ul className="list-['–_'] pl-4">
								{l.two.map((t) => (
									<li key={t}>{t}</li>
								))}
							</ul>
						</section>
					)}
					{l.mind.length > 0 && (
						<p className="text-ink-2">Mind: {l.mind.join(", ")}.</p>
					)}
				</div>
			)}
		</Sheet>
	);
}
