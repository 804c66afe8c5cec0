import type { Handle, ServerInit } from '@sveltejs/kit';
import { building } from '$app/environment';
import { closeOffice, officeOf } from '$lib/server/office';
import { Problem, problemResponse } from '$lib/server/problem';

/** Opens the data folder before the first request; a folder that cannot be used ends the start with what to do. */
export const init: ServerInit = async () => {
	if (building) return;
	try {
		await officeOf();
	} catch (error) {
		console.error(`\nSkarn did not start.\n${(error as Error).message}\n`);
		process.exit(3);
	}
	process.on('sveltekit:shutdown', () => void closeOffice());
};

/** What scripts/front.mjs lets through: addresses of the API that there are not, and other methods, are problems as well. */
export const handle: Handle = async ({ event, resolve }) => {
	const { pathname } = event.url;
	const isApi = pathname === '/api' || pathname.startsWith('/api/');
	const response =
		isApi && event.route.id === null
			? problemResponse(new Problem(404, 'not-found', `There is no ${pathname} in this API.`), pathname)
			: asProblem(isApi, pathname, event.request.method, await resolve(event));
	response.headers.set('x-content-type-options', 'nosniff');
	response.headers.set('referrer-policy', 'same-origin');
	response.headers.set('cross-origin-opener-policy', 'same-origin');
	response.headers.set('cross-origin-resource-policy', 'same-origin');
	return response;
};

function asProblem(isApi: boolean, pathname: string, method: string, response: Response): Response {
	if (!isApi || response.status !== 405) return response;
	const allow = response.headers.get('allow') ?? '';
	const problem = problemResponse(
		new Problem(405, 'wrong-method', `${method} is not for ${pathname}; it takes ${allow}.`),
		pathname
	);
	problem.headers.set('allow', allow);
	return problem;
}
