import { useNavigate } from "react-router";
import type { OutlineShape } from "../../api/types";
import { PlainDrawing } from "../../bench/PlainDrawing";
import { Button } from "../../parts/Button";
import { FigureLine } from "../../parts/FigureLine";
import { LengthField } from "../../parts/LengthField";
import { NumberField } from "../../parts/NumberField";
import { Pick } from "../../parts/Pick";
import { Refusal } from "../../parts/Refusal";
import { LayOutline } from "./LayOutline";
import { PhotoMarks } from "./PhotoMarks";
import { useTakeOutline } from "./useOutline";
import { type Photo, sheets, usePhoto } from "./usePhoto";

/** A template from a photo with a sheet of known size in the plane of the glass. */
export function PhotoSum() {
	const photo = usePhoto();
	const take = useTakeOutline();
	const go = useNavigate();
	const onOutline = (o: OutlineShape, doubt: number) => {
		take(o, doubt);
		go("/sums/outline");
	};
	return (
		<section aria-label="A template from a photo">
			<h2 className="text-2xl font-semibold">A template from a photo</h2>
			<p className="mb-3 max-w-[46em] text-ink-2">
				Tape a sheet of paper into the plane of the glass, stand some steps
				back, take the photo. Mark the sheet's four corners, then walk round the
				opening.
			</p>
			<div className="grid gap-x-10 gap-y-6 xl:grid-cols-[1fr_520px]">
				<div>
					{photo.picture ? (
						<PhotoMarks photo={photo} picture={photo.picture} />
					) : (
						<Start photo={photo} />
					)}
				</div>
				<Side photo={photo} onOutline={onOutline} />
			</div>
		</section>
	);
}

function Start({ photo }: { photo: Photo }) {
	return (
		<div className="lit flex min-h-[280px] flex-col items-start justify-center gap-4 px-8">
			<Choose photo={photo}>Choose a photo</Choose>
			<Button onClick={() => void photo.example()}>
				Try it on a made-up one
			</Button>
			{photo.open.error && (
				<p role="alert" className="text-stop">
					{photo.open.error.message}
				</p>
			)}
			<p className="text-ink-2">The photo stays on this device.</p>
		</div>
	);
}

function Choose({
	photo,
	children,
}: {
	photo: Photo;
	children: React.ReactNode;
}) {
	return (
		<label className="inline-flex min-h-12 cursor-pointer items-center border-2 border-ink px-5 font-semibold focus-within:outline-3 focus-within:outline-now hover:bg-now-wash">
			{children}
			<input
				type="file"
				accept="image/jpeg,image/png,image/webp"
				className="sr-only"
				data-photo-file
				onChange={(e) => {
					const file = e.target.files?.[0];
					e.target.value = "";
					if (file) photo.open.mutate(file);
				}}
			/>
		</label>
	);
}

function Side({
	photo,
	onOutline,
}: {
	photo: Photo;
	onOutline: (o: OutlineShape, doubt: number) => void;
}) {
	const named = sheets.find(
		(s) => s.sheet.w === photo.sheet.w && s.sheet.h === photo.sheet.h,
	);
	const { data, error } = photo.result;
	const ready = data && !error && photo.marks.points.length >= 3;
	return (
		<div className="flex flex-col gap-4">
			<Pick
				label="The sheet"
				value={named?.name ?? "own"}
				options={[
					...sheets.map((s) => ({ value: s.name, label: s.name })),
					{ value: "own", label: "another sheet" },
				]}
				onChange={(name) => {
					const s = sheets.find((x) => x.name === name);
					photo.setSheet(s ? s.sheet : { w: 300, h: 300 });
				}}
			/>
			{!named && (
				<div className="grid grid-cols-2 gap-3">
					<LengthField
						label="its width"
						value={photo.sheet.w}
						onChange={(w) => photo.setSheet({ ...photo.sheet, w })}
					/>
					<LengthField
						label="its height"
						value={photo.sheet.h}
						onChange={(h) => photo.setSheet({ ...photo.sheet, h })}
					/>
				</div>
			)}
			{photo.picture && (
				<>
					<p className="border-l-4 border-now pl-3 text-lg" aria-live="polite">
						Tap <strong data-next>{photo.next}</strong>.
					</p>
					<div className="flex flex-wrap gap-2">
						{photo.marks.corners.length === 4 && (
							<Button
								aria-pressed={photo.curve}
								className={photo.curve ? "bg-now-wash" : ""}
								disabled={
									photo.marks.points.length === 0 ||
									photo.marks.points.at(-1)?.curve
								}
								onClick={() => photo.setCurve(!photo.curve)}
							>
								next one lies on a curve
							</Button>
						)}
						<Button onClick={photo.undo}>take the last tap back</Button>
						<Button kind="quiet" onClick={photo.afresh}>
							mark afresh
						</Button>
						<Choose photo={photo}>another photo</Choose>
					</div>
					<NumberField
						label="a mark may be off by, px of the photo"
						hint="Two or three with the lens; more on a blurred photo."
						value={photo.error}
						onChange={photo.setError}
					/>
				</>
			)}
			<Refusal error={error} />
			{ready && (
				<div data-photo-result>
					<PlainDrawing
						drawing={data.drawing}
						label="the outline in true size"
					/>
					{data.figures.map((f) => (
						<FigureLine key={f.key} figure={f} />
					))}
					<div className="mt-3 flex flex-wrap gap-2">
						<LayOutline
							outline={data.outline}
							doubt={data.doubt}
							pane={false}
							disabled={false}
						/>
						<Button onClick={() => onOutline(data.outline, data.doubt)}>
							Take it as the outline
						</Button>
					</div>
				</div>
			)}
		</div>
	);
}
