import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { askAgain } from "../../api/call";
import { useLaySash } from "../../api/panes";
import type { SashIn } from "../../api/types";
import { Button } from "../../parts/Button";
import { SendToJob } from "./SendToJob";

/** Lays the lights of a sash on the panes of a job that stand as they do. */
export function LaySash({
	sash,
	disabled,
}: {
	sash: SashIn;
	disabled: boolean;
}) {
	const [open, setOpen] = useState(false);
	const client = useQueryClient();
	const go = useNavigate();
	const lay = useLaySash();
	return (
		<>
			<Button disabled={disabled} onClick={() => setOpen(true)}>
				Lay the lights on a job's panes
			</Button>
			<SendToJob
				title="Lay the lights on a job's panes"
				open={open}
				onClose={() => {
					setOpen(false);
					lay.reset();
				}}
				onePane={false}
				error={lay.error}
				busy={lay.isPending}
				onSend={(view) =>
					lay.mutate(
						{ view, ...sash },
						{
							onSuccess: () => {
								askAgain(client, [["job", view.job.id]]);
								go(`/jobs/${view.job.id}/measure?pane=${view.pane.id}`);
							},
						},
					)
				}
			/>
		</>
	);
}
