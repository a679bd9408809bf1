import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { useCatalogue } from "../../api/book";
import { askAgain } from "../../api/call";
import { useTakeIn } from "../../api/jobs";
import type { FieldError } from "../../api/types";
import { Page } from "../../app/Page";
import { useHead } from "../../app/useHead";
import { Button } from "../../parts/Button";
import { Refusal } from "../../parts/Refusal";
import { bodyOf, useForm } from "./form";
import { HeldQuestion } from "./HeldQuestion";
import { StoryQuestion } from "./StoryQuestion";
import { WhatQuestion } from "./WhatQuestion";
import { WhoseQuestion } from "./WhoseQuestion";

const questions = [
	{ title: "Whose is it?", fields: ["name", "phone", "customer_id"] },
	{
		title: "What is it, and how hot does it get?",
		fields: ["object", "exposure", "steady", "short", "stamp", "layout.across"],
	},
	{ title: "What holds the pane?", fields: ["family", "like"] },
	{
		title: "What happened, and what is to be done?",
		fields: [
			"story",
			"place",
			"promised_at",
			"road.id",
			"road.how",
			"road.came",
		],
	},
];

/** Four short questions, one at a time; every answer is kept as it is given. */
export function TakeInScreen() {
	const [form, set, clear] = useForm();
	const [step, setStep] = useState(0);
	const head = useHead<HTMLHeadingElement>(step);
	const catalogue = useCatalogue();
	const go = useNavigate();
	const client = useQueryClient();
	const take = useTakeIn();
	const send = () =>
		take.mutate(
			{ key: form.key, promised: form.promised, ...bodyOf(form) },
			{
				onSuccess: ({ id }) => {
					clear();
					askAgain(client, [[]]);
					go(`/jobs/${id}`);
				},
				onError: (e) => {
					const at = questions.findIndex((q) =>
						q.fields.some((f) => e.field(f)),
					);
					if (at >= 0) setStep(at);
				},
			},
		);
	const error = (f: string): FieldError | undefined => take.error?.field(f);
	const shown = questions.some((q) => q.fields.some((f) => error(f)));
	const answered = [
		form.customer !== null || form.name.trim() !== "",
		form.object.trim() !== "" && form.exposure !== "",
		form.family !== "",
		true,
	];
	const props = { form, set, error };
	const last = step === questions.length - 1;
	return (
		<Page title="Take in a pane">
			<ol className="mb-6 flex gap-1" aria-label="Questions">
				{questions.map((q, n) => (
					<li key={q.title} className="flex-1">
						<button
							type="button"
							disabled={n > 0 && !answered.slice(0, n).every(Boolean)}
							aria-current={n === step ? "step" : undefined}
							aria-label={`Question ${n + 1}: ${q.title}`}
							onClick={() => setStep(n)}
							className={`h-11 w-full border-t-4 text-left text-[0.9375rem] ${n === step ? "border-now font-semibold text-now" : n < step ? "border-ink" : "border-rule text-ink-2"}`}
						>
							<span className="max-sm:sr-only">{q.title}</span>
							<span aria-hidden="true" className="sm:hidden">
								{n + 1}
							</span>
						</button>
					</li>
				))}
			</ol>
			<form
				className="max-w-[56em]"
				onSubmit={(e) => {
					e.preventDefault();
					if (last) send();
					else if (answered[step]) setStep(step + 1);
				}}
			>
				<h2
					ref={head}
					tabIndex={-1}
					className="mb-4 text-[1.875rem] leading-tight font-semibold outline-none"
				>
					{questions[step]?.title}
				</h2>
				{step === 0 && <WhoseQuestion {...props} />}
				{step === 1 && (
					<WhatQuestion
						{...props}
						exposures={catalogue.data?.exposures ?? []}
					/>
				)}
				{step === 2 && <HeldQuestion {...props} catalogue={catalogue.data} />}
				{step === 3 && <StoryQuestion {...props} catalogue={catalogue.data} />}
				{!shown && <Refusal error={take.error} />}
				<div className="mt-7 flex flex-wrap gap-3">
					<Button
						kind="now"
						type="submit"
						disabled={!answered[step] || take.isPending}
					>
						{last ? "Start the job" : "Next"}
					</Button>
					{step > 0 && (
						<Button kind="quiet" onClick={() => setStep(step - 1)}>
							Back
						</Button>
					)}
				</div>
			</form>
		</Page>
	);
}
