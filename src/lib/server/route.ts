import { json, type RequestEvent } from '@sveltejs/kit';
import { ofDatabase } from './db/trouble.ts';
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
				tellOf(event, value, office);
				return value instanceof Response ? value : json(value);
			} catch (error) {
				const problem = ofDatabase(error, office.store.folder);
				if (problem) console.error(error);
				throw problem ?? error;
			}
		} catch (error) {
			if (error instanceof Problem) return problemResponse(error, pathname);
			console.error(error);
			return problemResponse(new Problem(500, 'internal', 'An error on the server; its log says more.'), pathname);
		}
	};
}

/** After a write that was taken, open pages hear of it. */
function tellOf({ request, params }: RequestEvent, value: unknown, { live }: Office): void {
	const application = params['app'];
	if (application === undefined || request.method === 'GET' || request.method === 'HEAD') return;
	const { revision } = (value as { edit?: { revision?: number } } | undefined)?.edit ?? {};
	live.tell({ application, ...(revision !== undefined && { revision }) });
}
