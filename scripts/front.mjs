// What stands before the application: it sees every request, those for static files and broken ones among them.

const LOOPBACK = /^(localhost|127(\.\d+){3}|\[::1\])(:\d+)?$/;
const READS = ['GET', 'HEAD', 'OPTIONS'];

/** Names under which this server may be asked, beside the loopback ones: comma-separated in SKARN_HOSTS. */
export const hostsFrom = (text = '') =>
	text
		.split(',')
		.map((host) => host.trim())
		.filter(Boolean);

function sameHost(origin, host) {
	try {
		return new URL(origin).host === host;
	} catch {
		return false;
	}
}

/**
 * Why a request is not let through, or undefined. Refused are a foreign Host (DNS rebinding), addresses that cannot be read, what
 * another site's page asks of the API or writes anywhere, and bodies that are not JSON. A write without an Origin does not come
 * from a page: seats and scripts send none.
 * @param {{ method: string, url: string, headers: Record<string, string | string[] | undefined> }} request
 * @param {readonly string[]} hosts
 * @returns {{ status: number, kind: string, title: string, detail: string } | undefined}
 */
export function refusalOf({ method, url, headers }, hosts) {
	const foreign = (detail) => ({ status: 403, kind: 'foreign-origin', title: 'The request comes from another site', detail });
	const host = String(headers.host ?? '');
	if (!LOOPBACK.test(host) && !hosts.includes(host))
		return foreign(`Skarn does not answer as "${host}". Use its loopback address, or name the host in SKARN_HOSTS.`);
	let path;
	try {
		path = decodeURIComponent(url.split('?')[0]);
	} catch {
		const detail = 'The address has an escape that cannot be read: expected UTF-8 in percent signs, as in %C3%A4.';
		return { status: 400, kind: 'not-sound', title: 'The request is invalid', detail };
	}
	const { origin } = headers;
	if (!READS.includes(method) && origin !== undefined && !sameHost(String(origin), host))
		return foreign(`A page of ${origin} may not write here.`);
	const isApi = path === '/api' || path.startsWith('/api/');
	if (isApi && headers['sec-fetch-site'] === 'cross-site') return foreign('A page of another site may not ask here.');
	const hasBody = Number(headers['content-length'] ?? 0) > 0 || headers['transfer-encoding'] !== undefined;
	const type = String(headers['content-type'] ?? '');
	if (isApi && hasBody && !/^application\/([\w.-]+\+)?json\s*(;|$)/i.test(type))
		return {
			status: 415,
			kind: 'wrong-type',
			title: 'The request has another type',
			detail: `Expected a body of application/json, found ${type || 'no content type'}.`
		};
	return undefined;
}

/** Answers problem details (RFC 9457). */
export function refuse(response, { status, ...problem }, instance) {
	const { kind, title, detail } = problem;
	const body = JSON.stringify({ type: `/problems/${kind}`, title, status, detail, instance });
	response.writeHead(status, { 'content-type': 'application/problem+json', 'content-length': Buffer.byteLength(body) });
	response.end(body);
}
