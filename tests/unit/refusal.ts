import { FileRefusedError } from '../../core/format/problem.ts';

/** How the work refuses a file. Throws when it does not, and what else it throws. */
export function refusal(work: () => unknown): FileRefusedError {
	try {
		work();
	} catch (error) {
		if (error instanceof FileRefusedError) return error;
		throw error;
	}
	throw new Error('it was read');
}

/** The error with which the work ends. Throws when it does not. */
export async function rejection(work: Promise<unknown>): Promise<Error> {
	try {
		await work;
	} catch (error) {
		return error as Error;
	}
	throw new Error('it was done');
}
