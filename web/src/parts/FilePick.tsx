/** A file from the device, read as text; the words are the target. */
export function FilePick({
	label,
	accept,
	onText,
}: {
	label: string;
	accept: string;
	onText: (text: string, name: string) => void;
}) {
	return (
		<label className="relative inline-block min-h-12 cursor-pointer content-center underline underline-offset-4">
			{label}
			<input
				type="file"
				accept={accept}
				className="sr-only"
				onChange={(e) => {
					const file = e.target.files?.[0];
					if (file) void file.text().then((t) => onText(t, file.name));
					e.target.value = "";
				}}
			/>
		</label>
	);
}
