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

const LOOPBACK = /^(localhost|127(\.\d+){3}|\[::1\])(:\d+)?$/;

/** Names under which this server may be asked, beside the loopback ones: comma-separated in SKARN_HOSTS. */
const allowedHosts = (process.env.SKARN_HOSTS ?? '')
	.split(',')
	.map((host) => host.trim())
	.filter(Boolean);

/**
 * Refuses a foreign Host (DNS rebinding) and writes that another site's page sends. A write without an Origin does not
 * come from a page: seats and scripts send none.
 */
export const handle: Handle = async ({ event, resolve }) => {
	const host = event.request.headers.get('host') ?? '';
	const refuse = (detail: string) => problemResponse(new Problem(403, 'foreign-origin', detail), event.url.pathname);
	if (!LOOPBACK.test(host) && !allowedHosts.includes(host))
		return refuse(`Skarn does not answer as "${host}". Use its loopback address, or name the host in SKARN_HOSTS.`);
	const origin = event.request.headers.get('origin');
	const writes = !['GET', 'HEAD'].includes(event.request.method);
	if (writes && origin !== null && !sameHost(origin, host)) return refuse(`A page of ${origin} may not write here.`);

	const response = await resolve(event);
	response.headers.set('x-content-type-options', 'nosniff');
	response.headers.set('referrer-policy', 'same-origin');
	response.headers.set('cross-origin-opener-policy', 'same-origin');
	response.headers.set('cross-origin-resource-policy', 'same-origin');
	return response;
};

function sameHost(origin: string, host: string): boolean {
	try {
		return new URL(origin).host === host;
	} catch {
		return false;
	}
}
