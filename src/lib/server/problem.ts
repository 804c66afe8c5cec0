import { json } from '@sveltejs/kit';
import { z } from 'zod';
import '../../../core/format/own-words.ts';
import { inSlices } from './pauses.ts';
import { plainJson, PlainJsonError } from './plain-json.ts';

/** The kinds of problem that the routes answer with; docs/format.md lists them. */
export type ProblemKind =
	| 'not-found'
	| 'not-sound'
	| 'not-json'
	| 'too-large'
	| 'stale-revision'
	| 'taken'
	| 'nothing-to-do'
	| 'errors-left'
	| 'foreign-origin'
	| 'wrong-method'
	| 'not-yours'
	| 'sign-in'
	| 'wants-code'
	| 'too-often'
	| 'alone'
	| 'last-steward'
	| 'written-over'
	| 'needs-word'
	| 'busy'
	| 'damaged'
	| 'full'
	| 'away'
	| 'internal';

const TITLES: Record<ProblemKind, string> = {
	'not-found': 'Not found',
	'not-sound': 'The request is invalid',
	'not-json': 'The request is not JSON',
	'too-large': 'The request is too large',
	'stale-revision': 'The profile has changed',
	taken: 'The name is taken',
	'nothing-to-do': 'Nothing to do',
	'errors-left': 'Blocked by errors',
	'foreign-origin': 'The request comes from another site',
	'wrong-method': 'This method is not allowed',
	'not-yours': 'Permission denied',
	'sign-in': 'Sign-in required',
	'wants-code': 'Code from the terminal required',
	'too-often': 'Too many attempts',
	alone: 'This office has no accounts',
	'last-steward': 'The office needs a steward',
	'written-over': 'Changed by someone else since',
	'needs-word': 'Confirm to continue',
	busy: 'The server is busy',
	damaged: 'The data folder is damaged',
	full: 'The disk is full',
	away: 'The database cannot be reached',
	internal: 'Skarn failed'
};

/** Thrown by the server's code and answered as problem details (RFC 9457) by `answering`. */
export class Problem extends Error {
	override name = 'Problem';
	readonly status: number;
	readonly kind: ProblemKind;
	readonly more: Record<string, unknown>;
	constructor(status: number, kind: ProblemKind, detail: string, more: Record<string, unknown> = {}) {
		super(detail);
		this.status = status;
		this.kind = kind;
		this.more = more;
	}
}

/** Problem details, RFC 9457 section 3. */
export function problemResponse({ status, kind, message, more }: Problem, instance: string): Response {
	return json(
		{ ...more, type: `/problems/${kind}`, title: TITLES[kind], status, detail: message, instance },
		{ status, headers: { 'content-type': 'application/problem+json' } }
	);
}

/** The JSON body, checked. Throws `Problem` that names the pointer of the first thing that is off. */
export async function readBody<T>(request: Request, schema: z.ZodType<T>, mostBytes = 1_000_000): Promise<T> {
	return checked(schema, await readJson(request, mostBytes), 400);
}

/** The JSON of a request; see `readBody`. */
export async function readJson(request: Request, mostBytes: number): Promise<unknown> {
	const text = await readText(request, mostBytes);
	try {
		return plainJson(text);
	} catch (error) {
		if (!(error instanceof PlainJsonError)) throw error;
		const { status, kind, message, pointer } = error;
		throw new Problem(status, kind, message, pointer === undefined ? {} : { errors: [{ pointer, detail: message }] });
	}
}

/** As `checked` for a list of which each part is sound by itself, with pauses; `at` is where the list stands. */
export async function checkedEach<T>(schema: z.ZodType<T>, list: readonly unknown[], at: string): Promise<T[]> {
	const found = await inSlices(list, 400, (slice, from) =>
		slice.map((one, i) => {
			const parsed = schema.safeParse(one);
			if (parsed.success) return parsed.data;
			throw notSoundAt(parsed.error, 400, [at, from + i]);
		})
	);
	return found.flat();
}

export function checked<T>(schema: z.ZodType<T>, value: unknown, status = 400): T {
	const parsed = schema.safeParse(value);
	if (parsed.success) return parsed.data;
	throw notSoundAt(parsed.error, status);
}

function notSoundAt(error: z.ZodError, status: number, at: readonly PropertyKey[] = []): Problem {
	const errors = error.issues.slice(0, 20).map((issue) => ({
		pointer: [...at, ...issue.path].map((step) => '/' + String(step).replaceAll('~', '~0').replaceAll('/', '~1')).join(''),
		detail: issue.message
	}));
	return new Problem(status, 'not-sound', `${errors[0]!.pointer || 'The request'}: ${errors[0]!.detail}`, { errors });
}

async function readText(request: Request, mostBytes: number): Promise<string> {
	const refuse = () => {
		throw new Problem(413, 'too-large', `The body has more than ${mostBytes / 1e6} MB. Send less at a time.`);
	};
	if (Number(request.headers.get('content-length') ?? 0) > mostBytes) refuse();
	if (!request.body) return '';
	const decoder = new TextDecoder();
	let text = '';
	let bytes = 0;
	for await (const chunk of request.body as unknown as AsyncIterable<Uint8Array>) {
		bytes += chunk.byteLength;
		if (bytes > mostBytes) refuse();
		text += decoder.decode(chunk, { stream: true });
	}
	return text + decoder.decode();
}
