import { useRef } from "react";
import { useStoresFile } from "../../api/stores";
import { Refusal } from "../../parts/Refusal";

/** The stores as a CSV file, out and in; what is wrong is said row by row. */
export function StoresFile() {
	const input = useRef<HTMLInputElement>(null);
	const bring = useStoresFile();
	return (
		<div>
			<p className="flex flex-wrap gap-x-5 text-ink-2">
				<a
					className="min-h-12 content-center underline underline-offset-4"
					href="/api/stores/file.csv"
				>
					all of it as CSV
				</a>
				<label className="relative min-h-12 cursor-pointer content-center underline underline-offset-4">
					take in a CSV file
					<input
						ref={input}
						type="file"
						accept=".csv,text/csv"
						className="sr-only"
						onChange={(e) => {
							const file = e.target.files?.[0];
							if (file)
								void base64(file).then((all) => bring.mutate({ file: all }));
							e.target.value = "";
						}}
					/>
				</label>
			</p>
			{bring.data && bring.data.added > 0 && (
				<p role="status">{bring.data.added} rows were taken in.</p>
			)}
			{bring.data && bring.data.rows.length > 0 && (
				<div role="alert" className="border-l-4 border-stop pl-3 text-stop">
					<p>
						<strong>Nothing was taken in.</strong>
					</p>
					{bring.data.rows.slice(0, 20).map((r) => (
						<p key={`${r.row} ${r.field}`}>
							row {r.row}, {r.field}: {r.why}; {r.cure}.
						</p>
					))}
				</div>
			)}
			<Refusal error={bring.error} />
		</div>
	);
}

async function base64(file: File): Promise<string> {
	const bytes = new Uint8Array(await file.arrayBuffer());
	let s = "";
	for (const b of bytes) s += String.fromCharCode(b);
	return btoa(s);
}
