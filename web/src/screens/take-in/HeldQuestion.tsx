import { useState } from "react";
import type { Catalogue, Family } from "../../api/types";
import { useHead } from "../../app/useHead";
import { EdgePicture } from "../../bench/EdgePicture";
import { Button } from "../../parts/Button";
import { control, Field } from "../../parts/Field";
import { Pick } from "../../parts/Pick";

import type { QuestionProps } from "./form";

type Props = QuestionProps & { catalogue?: Catalogue };

/** What holds the pane, by a few plain questions about what can be seen. */
export function HeldQuestion({ form, set, error, catalogue }: Props) {
	const family = catalogue?.families.find((f) => f.id === form.family);
	const head = useHead<HTMLDivElement>(form.family);
	return (
		<div ref={head} tabIndex={-1} className="flex flex-col gap-6 outline-none">
			{catalogue &&
				(family ? (
					<Found
						family={family}
						catalogue={catalogue}
						onAgain={() => set({ family: "" })}
					/>
				) : (
					<Walk catalogue={catalogue} onFound={(id) => set({ family: id })} />
				))}
			<div className="max-w-[28em]">
				<Field
					label="The old pane was, as far as anybody knows"
					error={error("like")}
				>
					{(a) => (
						<select
							{...a}
							className={control}
							value={form.like}
							onChange={(e) => set({ like: e.target.value })}
						>
							<option value="">nobody knows</option>
							{catalogue?.materials
								.filter((m) => !m.other)
								.map((m) => (
									<option key={m.id} value={m.id}>
										{m.name}
									</option>
								))}
						</select>
					)}
				</Field>
			</div>
		</div>
	);
}

/** One question after the other, until a family is found. */
function Walk({
	catalogue,
	onFound,
}: {
	catalogue: Catalogue;
	onFound: (family: string) => void;
}) {
	const [path, setPath] = useState<string[]>([]);
	const key = path.at(-1) ?? catalogue.questions[0]?.key;
	const question = catalogue.questions.find((q) => q.key === key);
	const head = useHead<HTMLHeadingElement>(key);
	if (!question) return null;
	return (
		<section aria-label={question.ask}>
			<div className="mb-2 flex flex-wrap items-center justify-between gap-3">
				<h3
					ref={head}
					tabIndex={-1}
					className="text-lg font-semibold outline-none"
				>
					{question.ask}
				</h3>
				{path.length > 0 && (
					<Button kind="quiet" onClick={() => setPath(path.slice(0, -1))}>
						the question before
					</Button>
				)}
			</div>
			<Pick
				wide
				label={question.ask}
				value=""
				onChange={(say) => {
					const a = question.answers.find((x) => x.say === say);
					if (a?.family) onFound(a.family);
					else if (a?.next) setPath([...path, a.next]);
				}}
				options={question.answers.map((a) => ({
					value: a.say,
					label: a.say,
					hint: a.hint,
					picture: <Picture family={a.picture} catalogue={catalogue} />,
				}))}
			/>
		</section>
	);
}

/** What was found, with a way back. */
function Found({
	family,
	catalogue,
	onAgain,
}: {
	family: Family;
	catalogue: Catalogue;
	onAgain: () => void;
}) {
	return (
		<section
			aria-label="How it is held"
			data-family={family.id}
			className="grid items-center gap-x-8 gap-y-3 border-l-4 border-now pl-4 sm:grid-cols-[15rem_1fr]"
		>
			<Picture family={family.id} catalogue={catalogue} />
			<div>
				<p className="text-xl font-semibold">{family.name}</p>
				<p className="max-w-[38em]">{family.held}</p>
				<p className="text-ink-2">
					Such as {family.objects.slice(0, 3).join(", ")}.
				</p>
				<Button kind="quiet" onClick={onAgain}>
					Something else holds it
				</Button>
			</div>
		</section>
	);
}

function Picture({
	family,
	catalogue,
}: {
	family: string;
	catalogue: Catalogue;
}) {
	const drawing = catalogue.edges[family];
	const usual = catalogue.families.find((f) => f.id === family)?.material;
	const edge = catalogue.materials.find((m) => m.id === usual)?.edge;
	if (!drawing) return null;
	return <EdgePicture drawing={drawing} edge={edge ?? "green"} />;
}
