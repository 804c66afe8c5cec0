import { json, type RequestEvent } from '@sveltejs/kit';
import { wayOut } from './db/open.ts';
import { officeOf, type Office } from './office.ts';
import { isPlainText } from './plain-json.ts';
import { Problem, problemResponse } from './problem.ts';

/** A route of the API: returns a value to be sent as JSON, or a whole response; a thrown `Problem` becomes RFC 9457. */
export function route<E extends RequestEvent>(answer: (event: E, office: Office) => Promise<unknown>) {
	return async (event: E): Promise<Response> => {
		const { pathname, searchParams } = event.url;
		try {
			const said = [...Object.values(event.params), ...searchParams.keys(), ...searchParams.values()];
			if (!said.every((text) => text === undefined || isPlainText(text)))
				throw new Problem(400, 'not-sound', 'The address holds a NUL or half of a character; expected plain text.');
			const office = await officeOf();
			try {
				const value = await answer(event, office);
				return value instanceof Response ? value : json(value);
			} catch (error) {
				throw ofDatabase(error, office.store.folder) ?? error;
			}
		} catch (error) {
			if (error instanceof Problem) return problemResponse(error, pathname);
			console.error(error);
			return problemResponse(new Problem(500, 'internal', 'An error on the server; its log says more.'), pathname);
		}
	};
}

/** The code that PostgreSQL gives to an error (Appendix A of its documentation), however it is wrapped. */
function sqlState(error: unknown): { code: string; message: string } | undefined {
	for (let at = error; at instanceof Error; at = at.cause) {
		const { code } = at as { code?: unknown };
		if (typeof code === 'string' && /^[0-9A-Z]{5}$/.test(code)) return { code, message: at.message };
	}
	return undefined;
}

/** What the database has refused or could not read, as a problem that says what to do. */
function ofDatabase(error: unknown, folder: string): Problem | undefined {
	if (error instanceof Problem) return undefined;
	const state = sqlState(error);
	const message = state?.message ?? (error as Error)?.message ?? '';
	const isDamaged =
		(state && /^(XX00[12]|58030)$/.test(state.code)) || /invalid page|could not read block|corrupted/i.test(message);
	if (isDamaged) {
		console.error(error);
		return new Problem(500, 'damaged', `The data folder ${folder} is damaged: ${message}. ${wayOut(folder)}`);
	}
	// classes 22 and 23: values that do not fit, and constraints
	if (state && /^2[23]/.test(state.code)) {
		console.error(error);
		return new Problem(422, 'not-sound', `The database does not take this: ${message}.`);
	}
	return undefined;
}
