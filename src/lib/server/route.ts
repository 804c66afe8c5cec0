import { json, type RequestEvent } from '@sveltejs/kit';
import { officeOf, type Office } from './office.ts';
import { Problem, problemResponse } from './problem.ts';

/** A route of the API: returns a value to be sent as JSON, or a whole response; a thrown `Problem` becomes RFC 9457. */
export function route<E extends RequestEvent>(answer: (event: E, office: Office) => Promise<unknown>) {
	return async (event: E): Promise<Response> => {
		try {
			const value = await answer(event, await officeOf());
			return value instanceof Response ? value : json(value);
		} catch (error) {
			if (error instanceof Problem) return problemResponse(error, event.url.pathname);
			console.error(error);
			return problemResponse(new Problem(500, 'internal', 'An error on the server; its log says more.'), event.url.pathname);
		}
	};
}
