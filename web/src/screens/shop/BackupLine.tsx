import { useBackup, useMakeBackup } from "../../api/shop";
import { when } from "../../app/when";
import { Button } from "../../parts/Button";
import { Refusal } from "../../parts/Refusal";

const megabytes = (bytes: number) =>
	bytes < 1e6
		? `${Math.ceil(bytes / 1e3)} kB`
		: `${(bytes / 1e6).toFixed(1)} MB`;

/** The last good backup, and another one now. */
export function BackupLine({ owner }: { owner: boolean }) {
	const last = useBackup();
	const make = useMakeBackup();
	const b = last.data;
	return (
		<section>
			<h2 className="text-2xl font-semibold">Backup</h2>
			{b && (
				<p className={`mt-2 ${b.old ? "text-stop" : ""}`}>
					{b.at ? (
						<>
							{b.old && <strong className="font-semibold">Old: </strong>}
							The last good one is from {when(b.at)}, {megabytes(b.bytes)}.
							<span className="block text-[0.9375rem] break-all text-ink-2">
								{b.file}
							</span>
						</>
					) : (
						"None has been made yet."
					)}
				</p>
			)}
			<p className="mt-1 text-[0.9375rem] text-ink-2">
				Each night everything goes into one file, is read back and kept. Carry a
				copy out of the house now and then.
			</p>
			{owner && (
				<div className="mt-3 flex items-center gap-4">
					<Button disabled={make.isPending} onClick={() => make.mutate()}>
						{make.isPending ? "Writing …" : "Make one now"}
					</Button>
					{make.isSuccess && <span role="status">Made and read back.</span>}
				</div>
			)}
			<Refusal error={make.error} />
		</section>
	);
}
