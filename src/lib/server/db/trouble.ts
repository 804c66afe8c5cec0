import { Problem } from '../problem.ts';
import { awayIn } from './away.ts';
import { wayOut } from './open.ts';

/** The code that PostgreSQL gives to an error (Appendix A of its documentation), however it is wrapped. */
function sqlState(error: unknown): { code: string; message: string } | undefined {
	for (let at = error; at instanceof Error; at = at.cause) {
		const { code } = at as { code?: unknown };
		if (typeof code === 'string' && /^([0-9A-Z]{5}|ENOSPC|EDQUOT)$/.test(code)) return { code, message: at.message };
	}
	return undefined;
}

/** What the database has refused or could not read, as a problem that says what to do. */
export function ofDatabase(error: unknown, folder: string): Problem | undefined {
	if (error instanceof Problem) return undefined;
	if (awayIn(error))
		return new Problem(503, 'away', 'The database cannot be reached at the moment. Nothing is lost; try again in a moment.');
	const state = sqlState(error);
	const message = state?.message ?? (error as Error)?.message ?? '';
	const isDamaged =
		(state && /^(XX00[12]|58030)$/.test(state.code)) || /invalid page|could not read block|corrupted/i.test(message);
	if (isDamaged) return new Problem(500, 'damaged', `The data folder ${folder} is damaged: ${message}. ${wayOut(folder)}`);
	if ((state && /^(53100|ENOSPC|EDQUOT)$/.test(state.code)) || /no space left on device/i.test(message))
		return new Problem(
			507,
			'full',
			`The disk of ${folder} is full. This change was not saved; earlier changes are safe. Free some space (older back-ups are in ${folder}/backups) and try again.`
		);
	// class 53: resources
	if (state && /^53/.test(state.code))
		return new Problem(
			503,
			'busy',
			`The database lacks resources (${message}), so nothing was saved. Try again in a moment; if it happens often, give the database more memory or connections.`
		);
	// classes 22 and 23: values that do not fit, and constraints
	if (state && /^2[23]/.test(state.code)) return new Problem(422, 'not-sound', `The database rejected this: ${message}.`);
	return undefined;
}
