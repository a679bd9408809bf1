import type { FieldError, Problem } from "./types";

/** A call that the program refused, with the fields it points at. */
export class Refused extends Error {
	readonly problem: Problem;
	constructor(problem: Problem) {
		super(problem.detail);
		this.problem = problem;
	}
	field(name: string): FieldError | undefined {
		return this.problem.errors?.find((e) => e.field === name);
	}
	get conflict(): boolean {
		return this.problem.status === 409;
	}
}
