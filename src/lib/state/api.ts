/** An answer that is not a success, as the server's problem details say it (RFC 9457). */
export class ApiError extends Error {
	override name = 'ApiError';
	readonly status: number;
	readonly problem: Record<string, unknown>;
	constructor(status: number, problem: Record<string, unknown>) {
		super(String(problem['detail'] ?? problem['title'] ?? `The server answered ${status}.`));
		this.status = status;
		this.problem = problem;
	}
}

/** Asks a route of this server. Throws `ApiError`; a server that cannot be reached has the status 0. */
export async function ask<T>(
	path: string,
	method = 'GET',
	body?: unknown,
	get: typeof fetch = fetch,
	headers: Readonly<Record<string, string>> = {}
): Promise<T> {
	let response: Response;
	try {
		response = await get(path, {
			method,
			headers: { ...headers, ...(body !== undefined && { 'content-type': 'application/json' }) },
			...(body !== undefined && { body: JSON.stringify(body) })
		});
	} catch {
		throw new ApiError(0, { detail: 'The server cannot be reached. Nothing is lost; try again later.' });
	}
	if (!response.ok) throw new ApiError(response.status, (await response.json().catch(() => ({}))) as Record<string, unknown>);
	return response.status === 204 ? (undefined as T) : ((await response.json()) as T);
}

/** What an answer that is no success says. Throws what is something else. */
export function told(error: unknown): string {
	if (error instanceof ApiError) return error.message;
	throw error;
}
