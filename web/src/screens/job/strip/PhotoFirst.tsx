import type { View } from "../../../api/types";
import { Button } from "../../../parts/Button";
import { Refusal } from "../../../parts/Refusal";
import { usePhotoLines } from "./usePhotoLines";

/** The camera first: many pictures in a row, each a line; words come later. */
export function PhotoFirst({ view }: { view: View }) {
	const lines = usePhotoLines(view);
	return (
		<div className="my-2">
			<label
				className={`inline-flex min-h-12 cursor-pointer items-center border-2 border-ink px-5 font-semibold focus-within:outline-3 focus-within:outline-now ${lines.progress ? "opacity-60" : ""}`}
			>
				{lines.progress
					? `picture ${lines.progress.done + 1} of ${lines.progress.of} …`
					: "Pictures first"}
				<input
					type="file"
					accept="image/jpeg,image/png,image/webp"
					capture="environment"
					multiple
					disabled={lines.progress !== null}
					className="sr-only"
					onChange={(e) => {
						const files = [...(e.target.files ?? [])];
						e.target.value = "";
						if (files.length > 0) lines.take(files);
					}}
				/>
			</label>
			<Refusal error={lines.error} />
			{lines.left > 0 && !lines.progress && (
				<Button className="mt-2" onClick={lines.again}>
					Send the other {lines.left} again
				</Button>
			)}
		</div>
	);
}
