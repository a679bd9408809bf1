import { useLoad } from "../../api/rounds";
import { PartLines } from "../../parts/PartLines";

/** What goes into the van: parts by stop, tools once, what takes two, what to mind. */
export function LoadList({ id }: { id: number }) {
	const load = useLoad(id);
	if (load.isPending) return <p role="status">Looking what goes in …</p>;
	if (load.isError) return <p role="alert">{load.error.message}</p>;
	const { each, load: l } = load.data;
	return (
		<div className="mt-3" data-load={id}>
			{each
				.filter((e) => e.parts.length > 0)
				.map((e) => (
					<section key={e.object} aria-label={`For ${e.object}`}>
						<h4 className="mt-2 font-semibold">For {e.object}</h4>
						<PartLines parts={e.parts} />
					</section>
				))}
			<h4 className="mt-2 font-semibold">Tools</h4>
			<p>{l.tools.map((t) => t.what).join(", ") || "nothing beside hands"}.</p>
			{l.two.length > 0 && (
				<>
					<h4 className="mt-2 font-semibold text-two">Two people</h4>
					<ul>
						{l.two.map((t) => (
							<li key={t}>{t}</li>
						))}
					</ul>
				</>
			)}
			{l.mind.length > 0 && (
				<p className="mt-2 text-ink-2">Mind: {l.mind.join(", ")}.</p>
			)}
		</div>
	);
}
