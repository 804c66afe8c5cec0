interface Test {
	readonly file: string;
	readonly fullTitle: string;
	readonly err?: { readonly message: string };
}

/** What Mocha reports of a run, with its exit code. */
export interface Report {
	readonly status: number | null;
	readonly passes: readonly Test[];
	readonly failures: readonly Test[];
}

export function judged(
	name: string,
	first: Report | undefined,
	again: (file: string) => Report | undefined
): { passed: number; failed: number; failures: string[]; flaky: string[] };
