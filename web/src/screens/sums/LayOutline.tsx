import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { keepView } from "../../api/call";
import { useLayOutline } from "../../api/panes";
import type { OutlineShape } from "../../api/types";
import { Button } from "../../parts/Button";
import { SendToJob } from "./SendToJob";

/** Lays an outline on a job's table as the opening of a pane. */
export function LayOutline({
	outline,
	doubt,
	disabled,
	pane,
}: {
	outline: OutlineShape;
	doubt: number;
	disabled: boolean;
	/** It is the pane itself that was drawn round, its line taken off already. */
	pane: boolean;
}) {
	const [open, setOpen] = useState(false);
	const client = useQueryClient();
	const go = useNavigate();
	const lay = useLayOutline();
	return (
		<>
			<Button disabled={disabled} onClick={() => setOpen(true)}>
				Lay it on a job's table
			</Button>
			<SendToJob
				title="Lay the outline on a job's table"
				open={open}
				onClose={() => {
					setOpen(false);
					lay.reset();
				}}
				onePane
				error={lay.error}
				busy={lay.isPending}
				onSend={(view) =>
					lay.mutate(
						{
							view,
							outline,
							doubt,
							...(pane ? { trace: { along: "pane", pen: 0, lean: 0 } } : {}),
						},
						{
							onSuccess: (next) => {
								void keepView(client, next);
								go(`/jobs/${next.job.id}/measure?pane=${next.pane.id}`);
							},
						},
					)
				}
			/>
		</>
	);
}
