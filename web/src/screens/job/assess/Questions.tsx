import type { Evidence, Question } from "../../../api/types";
import { Pick } from "../../../parts/Pick";

type Props = {
	questions: Question[];
	evidence: Evidence;
	disabled: boolean;
	/** The question to ask first, when something says which. */
	lead: string | undefined;
	/** The line along the bottom asks it too, where there is room. */
	lined?: boolean;
	onAnswer: (question: string, answer: string) => void;
};

/** One question at a time; what was answered stands as words, the rest waits. */
export function Questions({
	questions,
	evidence,
	disabled,
	lead,
	lined = false,
	onAnswer,
}: Props) {
	const open = questions.filter((q) => !evidence[q.id]);
	const first = open.find((q) => q.id === lead) ?? open[0];
	const rest = open.filter((q) => q !== first);
	return (
		<div>
			<ul>
				{questions
					.filter((q) => evidence[q.id])
					.map((q) => (
						<li key={q.id} className="flex flex-wrap items-center gap-x-2">
							<span className="text-ink-2">{q.ask}</span>
							<strong className="text-wax">
								{q.answers.find((a) => a.id === evidence[q.id])?.say}
							</strong>
							{!disabled && (
								<button
									type="button"
									className="min-h-11 px-1 underline underline-offset-4"
									onClick={() => onAnswer(q.id, "")}
								>
									not so<span className="sr-only">: {q.ask}</span>
								</button>
							)}
						</li>
					))}
			</ul>
			{!disabled && first && (
				<div className={lined ? "sm:hidden" : ""}>
					<Ask question={first} onAnswer={onAnswer} />
				</div>
			)}
			{!disabled && rest.length > 0 && (
				<details>
					<summary className="min-h-11 cursor-pointer content-center underline underline-offset-4">
						{rest.length} other things to look at
					</summary>
					{rest.map((q) => (
						<Ask key={q.id} question={q} onAnswer={onAnswer} />
					))}
				</details>
			)}
		</div>
	);
}

function Ask({
	question,
	onAnswer,
}: {
	question: Question;
	onAnswer: (question: string, answer: string) => void;
}) {
	return (
		<div className="py-2" data-ask={question.id}>
			<p className="mb-1 font-semibold">{question.ask}</p>
			<Pick
				label={question.ask}
				value=""
				onChange={(a) => onAnswer(question.id, a)}
				options={question.answers.map((a) => ({ value: a.id, label: a.say }))}
			/>
		</div>
	);
}
