import { useQuery } from "@tanstack/react-query";
import { api, got } from "../../../api/client";
import { when } from "../../../app/when";
import { Sheet } from "../../../parts/Sheet";

/** Who changed what, newest first. */
export function HistorySheet({
	id,
	open,
	onClose,
}: {
	id: number;
	open: boolean;
	onClose: () => void;
}) {
	const history = useQuery({
		queryKey: ["history", id],
		queryFn: () =>
			got(api.GET("/api/jobs/{id}/history", { params: { path: { id } } })),
		enabled: open,
		staleTime: 0,
	});
	return (
		<Sheet title="What happened" open={open} onClose={onClose}>
			{history.isError && <p role="alert">{history.error.message}</p>}
			<ol>
				{history.data?.map((e, n) => (
					<li
						// biome-ignore lint/suspicious/noArrayIndexKey: the trail only grows at its head, and is read afresh
						key={n}
						className="grid grid-cols-[8.5rem_1fr] gap-3 border-b border-rule py-2"
					>
						<span className="text-ink-2">{when(e.at)}</span>
						<span>
							{e.said}
							<span className="block text-ink-2">{e.by}</span>
						</span>
					</li>
				))}
			</ol>
		</Sheet>
	);
}
