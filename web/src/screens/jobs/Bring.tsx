import { useState } from "react";
import { useNavigate } from "react-router";
import { useCarried } from "../../api/jobs";
import { Refused } from "../../api/refused";
import { Refusal } from "../../parts/Refusal";

/** A job that another shop carried over, as its JSON document. */
export function Bring() {
	const go = useNavigate();
	const bring = useCarried();
	const [unread, setUnread] = useState<Refused | null>(null);
	const error = unread ?? bring.error;
	async function take(file: File) {
		setUnread(null);
		bring.reset();
		try {
			bring.mutate(JSON.parse(await file.text()), {
				onSuccess: (made) => go(`/jobs/${made.id}`),
			});
		} catch {
			setUnread(
				new Refused({
					title: "No document",
					status: 422,
					detail:
						"This file is not a job document; choose one that was saved as “Job, JSON”.",
				}),
			);
		}
	}
	return (
		<div className="mt-8 max-w-[40em]">
			<label className="inline-flex min-h-12 cursor-pointer items-center underline underline-offset-4 focus-within:outline-3 focus-within:outline-now">
				Bring in a job from a document
				<input
					type="file"
					accept="application/json,.json"
					className="sr-only"
					onChange={(e) => {
						const file = e.target.files?.[0];
						e.target.value = "";
						if (file) void take(file);
					}}
				/>
			</label>
			<Refusal error={error} />
		</div>
	);
}
