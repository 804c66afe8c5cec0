import { Problem } from '../problem.ts';
import { wayOut } from './open.ts';

/** The code that PostgreSQL gives to an error (Appendix A of its documentation), however it is wrapped. */
function sqlState(error: unknown): { code: string; message: string } | undefined {
	for (let at = error; at instanceof Error; at = at.cause) {
		const { code } = at as { code?: unknown };
		if (typeof code === 'string' && /^[0-9A-Z]{5}$/.test(code)) return { code, message: at.message };
	}
	return undefined;
}

/** What the database has refused or could not read, as a problem that says what to do. */
export function ofDatabase(error: unknown, folder: string): Problem | undefined {
	if (error instanceof Problem) return undefined;
	const state = sqlState(error);
	const message = state?.message ?? (error as Error)?.message ?? '';
	const isDamaged =
		(state && /^(XX00[12]|58030)$/.test(state.code)) || /invalid page|could not read block|corrupted/i.test(message);
	if (isDamaged) return new Problem(500, 'damaged', `The data folder ${folder} is damaged: ${message}. ${wayOut(folder)}`);
	// classes 22 and 23: values that do not fit, and constraints
	if (state && /^2[23]/.test(state.code)) return new Problem(422, 'not-sound', `The database does not take this: ${message}.`);
	return undefined;
}
