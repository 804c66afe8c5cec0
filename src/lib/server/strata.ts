import { asc, eq } from 'drizzle-orm';
import { may, mayWrite, whose, type OwnedHead, type StratumState } from '../../../core/people/may.ts';
import type { Person } from '../../../core/people/person.ts';
import { inUsualOrder } from '../../../core/people/setup.ts';
import type { StratumHead, StratumId } from '../../../core/strata/stratum.ts';
import { looksLike } from '../../../core/text/look-alike.ts';
import type { Database } from './db/open.ts';
import { layers, setups as setupRows } from './db/schema.ts';
import type { People } from './people/people.ts';
import { Problem } from './problem.ts';
import type { Profiles } from './profiles.ts';
import { addLayer } from './profile/tables.ts';
import type { Setups } from './setups.ts';

/** What is changed of a stratum; what is left out stays. */
export interface StratumChange {
	readonly name?: string | undefined;
	readonly isRequired?: boolean | undefined;
	readonly state?: StratumState | undefined;
}

/** A stratum of the office as its list shows it. */
export interface ListedStratum extends Required<OwnedHead> {
	/** Whose setups have it, each person once. */
	readonly usedBy: readonly string[];
}

/** The strata of the office: what they are called, whose they are, and whether they are in use. */
export class Strata {
	readonly #db: Database;
	readonly #of: { readonly people: People; readonly profiles: Profiles; readonly setups: Setups };

	constructor(db: Database, of: { readonly people: People; readonly profiles: Profiles; readonly setups: Setups }) {
		this.#db = db;
		this.#of = of;
	}

	/** All of them, those that are archived or deleted among them. */
	async list(): Promise<ListedStratum[]> {
		const rows = await this.#db.select().from(layers).orderBy(asc(layers.position));
		const users = await this.#db.select({ person: setupRows.person, strata: setupRows.strata }).from(setupRows);
		return inUsualOrder(rows).map(({ position: _, id, ...row }) => ({
			...row,
			id: id as StratumId,
			usedBy: [...new Set(users.flatMap(({ person, strata }) => (strata.includes(id as StratumId) ? [person] : [])))]
		}));
	}

	/** Makes a discipline, a project or another stratum of one's own, which is in no setup until it is put there. Throws `Problem` 409. */
	async add(head: StratumHead, person: Person): Promise<void> {
		const owner = head.kind === 'personal' ? person.id : null;
		refuseTwin(await this.list(), { id: head.id, person: owner }, head.name, 'used');
		const keep = owner ? await this.#of.setups.keepingUsual(person) : undefined;
		await this.#db.transaction(async (tx) => {
			const [taken] = await tx.select().from(layers).where(eq(layers.id, head.id));
			if (taken) throw new Problem(409, 'taken', `There is already a level "${head.id}", called ${taken.name}.`);
			await keep?.(tx);
			await addLayer(tx, head, owner);
		});
		this.#of.profiles.forget();
	}

	/** Hands a stratum of somebody who has left over to another person, in none of whose setups it is then. Throws `Problem` 404 or 409. */
	async handOver(id: StratumId, to: string): Promise<void> {
		const heir = await this.#of.people.known(to);
		const [layer] = await this.#db.select().from(layers).where(eq(layers.id, id));
		if (!layer || layer.kind !== 'personal' || layer.state === 'deleted')
			throw new Problem(404, 'not-found', `There is no level of somebody's own called "${id}".`);
		const owner = await this.#owner(layer.person);
		if (owner)
			throw new Problem(
				409,
				'taken',
				`${layer.name} belongs to ${owner}, who is still a member. Only levels of former members can be transferred.`
			);
		const keep = await this.#of.setups.keepingUsual(heir);
		await this.#db.transaction(async (tx) => {
			await keep(tx);
			await tx.update(layers).set({ person: heir.id, state: 'used' }).where(eq(layers.id, id));
		});
		this.#of.profiles.forget();
	}

	/** The name of whom it belongs to, if they are here. */
	async #owner(person: string | null): Promise<string | undefined> {
		return (await this.#of.people.here()).find((one) => one.id === person)?.name;
	}

	/**
	 * Changes what a stratum is called, whether it is required, and whether it is in use; gives what it was. What is archived or deleted
	 * keeps what it says and its places in setups. Throws `Problem` 403, 404 or 409.
	 */
	async change(id: StratumId, change: StratumChange, person: Person): Promise<Required<StratumChange>> {
		const all = await this.list();
		const head = all.find((stratum) => stratum.id === id);
		if (!head || head.kind === 'factory')
			throw new Problem(404, 'not-found', `There is no level "${id}" that has a name of its own.`);
		const isLeft = head.kind === 'personal' && (await this.#owner(head.person)) === undefined;
		if (!mayWrite(person, head) && !(isLeft && may(person, 'people')))
			throw new Problem(403, 'not-yours', `${head.name} is edited by ${whose(head)}.`);
		const { name = head.name, isRequired = head.isRequired, state = head.state } = change;
		refuseTwin(all, head, name, state);
		if (isRequired !== head.isRequired) refuseRequiring(head, person, state);
		if (state !== head.state) refuseAway(all, { ...head, isRequired }, state);
		await this.#db.update(layers).set({ name, isRequired, state }).where(eq(layers.id, id));
		this.#of.profiles.forget();
		return { name: head.name, isRequired: head.isRequired, state: head.state };
	}
}

/** Throws `Problem` 409 for a name that looks like that of another stratum in use. */
function refuseTwin(
	all: readonly ListedStratum[],
	head: Pick<ListedStratum, 'id' | 'person'>,
	name: string,
	state: StratumState
): void {
	if (state !== 'used') return;
	const taken = all.find(
		(other) => other.id !== head.id && other.person === head.person && other.state === 'used' && looksLike(other.name, name)
	);
	if (!taken) return;
	const same = taken.name.toLocaleLowerCase() === name.toLocaleLowerCase();
	throw new Problem(
		409,
		'taken',
		same
			? `There is already a level called “${taken.name}”.`
			: `“${name}” looks too similar to “${taken.name}”, which is there already.`
	);
}

/** Throws `Problem` 403 or 409 where nobody, or not this person, says what is required. */
function refuseRequiring(head: ListedStratum, person: Person, state: StratumState): void {
	if (!may(person, 'people'))
		throw new Problem(403, 'not-yours', `Only stewards can set required levels; ${person.name} has the role ${person.role}.`);
	if (head.kind === 'personal' || state !== 'used')
		throw new Problem(409, 'nothing-to-do', `${head.name} cannot be required: expected a shared level that is in use.`);
}

/** Throws `Problem` 409 for what cannot be put away. */
function refuseAway(all: readonly ListedStratum[], head: ListedStratum, state: StratumState): void {
	if (state === 'used') return;
	if (head.kind === 'office')
		throw new Problem(409, 'nothing-to-do', `${head.name} is the content of releases. It cannot be archived or deleted.`);
	if (head.isRequired) throw new Problem(409, 'nothing-to-do', `${head.name} is required. Remove this requirement first.`);
	const own = all.filter((one) => one.kind === 'personal' && one.person === head.person && one.state === 'used');
	if (head.kind === 'personal' && own.length === 1 && own[0]!.id === head.id && head.usedBy.length > 0)
		throw new Problem(409, 'nothing-to-do', `${head.name} is your only personal level. Create another one first.`);
}
