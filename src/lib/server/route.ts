import { json, type RequestEvent } from '@sveltejs/kit';
import { may, RIGHTS, type Right } from '../../../core/people/may.ts';
import type { Person } from '../../../core/people/person.ts';
import type { Edit } from '../../../core/profile/edit.ts';
import { awayIn } from './db/away.ts';
import { ofDatabase } from './db/trouble.ts';
import type { Change } from './live.ts';
import { officeOf, type Office } from './office.ts';
import { isPlainText } from './plain-json.ts';
import { Problem, problemResponse } from './problem.ts';

/**
 * Who may ask: one of the office with that right, anybody who reaches it, or a seat that has signed in by its own key. `anywhere` is
 * asked also of an office without accounts that somebody elsewhere reaches.
 */
export type Asking = Right | 'anybody' | 'anywhere' | 'seat';

/**
 * A route of the API. It names its line in the table of rights (`core/people/may.ts`), is asked who asks, and returns a value to be
 * sent as JSON, or a whole response; a thrown `Problem` becomes RFC 9457.
 */
export function route<E extends RequestEvent>(
	asking: Asking,
	answer: (event: E, office: Office, person: Person) => Promise<unknown>
) {
	return async (event: E): Promise<Response> => {
		const { pathname, searchParams } = event.url;
		try {
			const said = [...Object.values(event.params), ...searchParams.keys(), ...searchParams.values()];
			if (!said.every((text) => text === undefined || isPlainText(text)))
				throw new Problem(400, 'not-sound', 'The address holds a NUL or half of a character; expected plain text.');
			const office = await officeOf();
			try {
				const { store } = office;
				const known = store.isAway || store.isBusy ? fromMemory(event, office, store.isAway) : undefined;
				if (known) return known;
				const { writes } = store;
				const answered = await answer(event, office, await askedBy(event, asking, office));
				const value = answered instanceof Created ? answered.value : answered;
				tellOf(event, value, office);
				if (answered instanceof Created) return json(value, { status: 201 });
				if (value instanceof Response) return value;
				return asking in RIGHTS ? office.lastRead.keep(event, value, writes) : json(value);
			} catch (error) {
				const isAway = awayIn(error) !== undefined || (error instanceof Problem && error.kind === 'away');
				const known = isAway ? fromMemory(event, office, true) : undefined;
				if (known) return known;
				const problem = ofDatabase(error, office.store.folder);
				if (problem) console.error(error);
				throw problem ?? error;
			}
		} catch (error) {
			if (error instanceof Problem) return problemResponse(error, pathname);
			console.error(error);
			return problemResponse(new Problem(500, 'internal', 'Error on the server. See the server log.'), pathname);
		}
	};
}

/** What the same reader was answered last, while the database is away or held: then only if nothing was written since. */
const fromMemory = (event: RequestEvent, { people, doors, lastRead, store }: Office, isAway: boolean): Response | undefined =>
	people.isOpen || doors.mayEnter(event) ? lastRead.of(event, isAway ? undefined : store.writes) : undefined;

/** What a route answers that has made something: 201 with the value. */
export class Created {
	readonly value: unknown;
	constructor(value: unknown) {
		this.value = value;
	}
}

/** Who asks without being anybody of the office. */
const NOBODY: Person = { id: 'nobody', name: 'nobody', role: 'designer', leads: [] };

/** Throws `Problem` 401 or 403 for who may not ask this. */
async function askedBy(event: RequestEvent, asking: Asking, office: Office): Promise<Person> {
	const { people, doors, signIns } = office;
	if (asking === 'anywhere') return NOBODY;
	if (!people.isOpen && !isConsole(event)) doors.refuseStranger(event);
	if (asking === 'anybody') return NOBODY;
	if (asking === 'seat') return refuseOtherSeat(event, office);
	const person = await signIns.who(event.request.headers);
	if (!person) throw new Problem(401, 'sign-in', 'Sign in first: this office has accounts.');
	if (!may(person, asking))
		throw new Problem(403, 'not-yours', `This is for ${list(RIGHTS[asking])}; ${person.name} has the role ${person.role}.`);
	return person;
}

/** Throws `Problem` 401 for who has not signed in as a seat, 403 for a seat that asks as another one. */
async function refuseOtherSeat({ request, params }: RequestEvent, { enrolments }: Office): Promise<Person> {
	const token = /^Seat (\S+)$/.exec(request.headers.get('authorization') ?? '')?.[1];
	const seat = token === undefined ? null : await enrolments.who(token);
	if (seat === null) throw new Problem(401, 'sign-in', 'Only seats can do this; they sign in with their own key.');
	const asked = params['seat'];
	if (asked !== undefined && asked !== seat)
		throw new Problem(403, 'not-yours', `This belongs to ${asked}, but ${seat} has signed in.`);
	return { ...NOBODY, id: seat };
}

/** Who shows the office's own secret is on its machine, whatever the way there. */
const isConsole = ({ request }: RequestEvent): boolean => /^Console /.test(request.headers.get('authorization') ?? '');

const list = (roles: readonly string[]): string => roles.map((role) => `${role}s`).join(' and ');

/** Writes of which nobody needs to hear: they are about sessions, or told when they are written. */
const QUIET = /^\/api\/(session|enrolments)\b|\/(session|reports)$/;

/** After a write that was taken, open pages hear of it, and other servers of the office. */
function tellOf({ request, params, url }: RequestEvent, value: unknown, { live, seats, store }: Office): void {
	if (request.method === 'GET' || request.method === 'HEAD' || url.searchParams.has('preview')) return;
	const application = params['app'];
	if (application === undefined) {
		const seat = params['seat'];
		if (QUIET.test(url.pathname)) return;
		if (seat === undefined) live.tell({ about: 'people' });
		else store.relay.tell({ seat });
		return;
	}
	seats.forgetSitting();
	const { edit } = (value ?? {}) as { edit?: Pick<Edit, 'revision' | 'changes'> };
	const strata = edit && [...new Set(edit.changes.map(({ stratum }) => stratum))];
	const about = aboutOf(url.pathname.split('/')[4]);
	live.tell({ application, ...(edit && { revision: edit.revision, strata }), ...(about && { about }) });
}

/** What is written below this part of an application's address. */
function aboutOf(part: string | undefined): Change['about'] {
	if (part === undefined || part === '' || part === 'command-line') return 'program';
	return part === 'proposals' || part === 'setups' ? part : undefined;
}
