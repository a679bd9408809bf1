import { useState } from "react";
import type { FieldError } from "../api/types";
import { Button } from "./Button";
import { TextField } from "./Field";

/** A few words why, before something out of the ordinary is done. */
export function ReasonForm({
	ask,
	act,
	kind,
	error,
	onAct,
	onLeave,
}: {
	ask: string;
	act: string;
	kind?: "stop";
	error?: FieldError;
	onAct: (reason: string) => void;
	onLeave: () => void;
}) {
	const [reason, setReason] = useState("");
	return (
		<div className="flex flex-col gap-2 py-2">
			<TextField
				label={ask}
				value={reason}
				onChange={setReason}
				error={error}
				maxLength={500}
				autoFocus
			/>
			<div className="flex gap-2">
				<Button
					kind={kind ?? "plain"}
					disabled={reason.trim() === ""}
					onClick={() => onAct(reason)}
				>
					{act}
				</Button>
				<Button kind="quiet" onClick={onLeave}>
					Not so
				</Button>
			</div>
		</div>
	);
}
