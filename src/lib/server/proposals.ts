import { counted } from '$core/text/counted';
import { and, desc, eq, lt, ne } from 'drizzle-orm';
import { namesOf } from '../../../core/chapter/chapter.ts';
import { mayWrite, whose } from '../../../core/people/may.ts';
import type { Person } from '../../../core/people/person.ts';
import { usualStrata, profileOf } from '../../../core/people/setup.ts';
import { applyEdit, inverseEdit, touchedBy, type AnyChange, type Edit } from '../../../core/profile/edit.ts';
import { indexOf } from '../../../core/profile/circumstances.ts';
import { rebased } from '../../../core/profile/rebase.ts';
import { StaleChangeError } from '../../../core/strata/change.ts';
import { headOf, type StratumId } from '../../../core/strata/stratum.ts';
import type { RowTransaction } from './db/database.ts';
import type { Database } from './db/open.ts';
import { proposals } from './db/schema.ts';
import { pause } from './pauses.ts';
import { Problem } from './problem.ts';
import { refuseProblems } from './profile/sound.ts';
import { ownedHeads, type Workspace } from './profile/workspace.ts';
import { writableStratum } from './profile/writing.ts';
import type { Profiles } from './profiles.ts';

type Row = typeof proposals.$inferSelect;

/** What somebody proposes. */
export interface NewProposal {
	readonly stratum: StratumId;
	readonly label: string;
	readonly reason: string;
	readonly base: number;
	readonly changes: readonly AnyChange[];
}

/** A proposal as it would be taken now. */
export interface Proposal extends Omit<Row, 'application' | 'changes'> {
	/** On the stratum as it stands now. */
	readonly changes: readonly AnyChange[];
	/** Whether the stratum has changed under it. */
	readonly isMoved: boolean;
	/** What of it has no place any more. */
	readonly lost: readonly string[];
	/** What others have changed meanwhile of what it changes. */
	readonly touched: readonly string[];
}

/** Changes of common strata that people propose, and what became of them. */
export class Proposals {
	readonly #db: Database;
	readonly #profiles: Profiles;

	constructor(db: Database, profiles: Profiles) {
		this.#db = db;
		this.#profiles = profiles;
	}

	/**
	 * Those that are open, all of them, and of those that are decided so many before an id, the newest first; `before` asks for more,
	 * null at the end. Throws `Problem` 404.
	 */
	async list(
		application: string,
		most = MOST_LISTED,
		before?: number
	): Promise<{ proposals: Proposal[]; before: number | null }> {
		const workspace = await this.#profiles.load(application);
		const of = eq(proposals.application, application);
		const decided = await this.#db
			.select()
			.from(proposals)
			.where(and(of, ne(proposals.state, 'open'), before === undefined ? undefined : lt(proposals.id, before)))
			.orderBy(desc(proposals.id))
			.limit(most + 1);
		// what is open never goes missing behind what is decided
		const open =
			before === undefined
				? await this.#db
						.select()
						.from(proposals)
						.where(and(of, eq(proposals.state, 'open')))
				: [];
		const page = decided.slice(0, most);
		const listed: Proposal[] = [];
		for (const row of [...open, ...page].sort((a, b) => b.id - a.id)) {
			listed.push(await this.#asNow(workspace, row));
			await pause();
		}
		return { proposals: listed, before: decided.length > most ? page.at(-1)!.id : null };
	}

	async #asNow(workspace: Workspace, { application: _, changes, ...row }: Row): Promise<Proposal> {
		const at = new Date(row.at).toISOString();
		const isMoved = row.state === 'open' && (workspace.revisions.get(row.stratum) ?? 0) > row.base;
		if (!isMoved) return { ...row, at, changes, isMoved, lost: [], touched: [] };
		const since = await this.#profiles.editsSince(workspace.application.id, row.base);
		let base = workspace.profile;
		// what others say does not move it, and may be archived by now
		for (const edit of since.toReversed())
			base = applyEdit(base, inverseEdit(edit.changes.filter(({ stratum }) => stratum === row.stratum)));
		const now = rebased(workspace.profile, changes, base);
		const names = namesOf(indexOf(workspace, workspace.profile));
		const touched = touchedBy(
			changes,
			since.flatMap((edit) => edit.changes),
			names
		);
		return {
			...row,
			at,
			changes: now.changes,
			isMoved,
			lost: [...now.lost, ...now.conflicts.map(() => 'lines changed by both')],
			touched
		};
	}

	/** Keeps a proposal. Throws `Problem` 409 if it is not made on the stratum as it stands, 422 for what cannot be. */
	async propose(application: string, person: Person, proposal: NewProposal, now = new Date()): Promise<{ id: number }> {
		const workspace = await this.#profiles.load(application);
		const { stratum, label, reason, base, changes } = proposal;
		await this.#refuseUnfit(workspace, person, stratum, changes);
		const [made] = await this.#db
			.insert(proposals)
			.values({
				...{ application, person: person.id, at: now.toISOString(), stratum, label, reason },
				base: Math.min(base, workspace.revision),
				changes
			})
			.returning({ id: proposals.id });
		return made!;
	}

	/** Throws `Problem` 409 for changes that are not made on the stratum as it stands, 422 for what cannot be proposed of it. */
	async #refuseUnfit(workspace: Workspace, person: Person, stratum: StratumId, changes: readonly AnyChange[]): Promise<void> {
		const head = writableStratum(workspace.profile, stratum);
		if (head.kind === 'personal')
			throw new Problem(
				422,
				'not-sound',
				`${head.name} is a personal level. You can propose changes to the office, a discipline or a project.`
			);
		const foreign = changes.findIndex((change) => change.stratum !== stratum);
		if (foreign >= 0)
			throw new Problem(422, 'not-sound', `A proposal changes one level; this one also changes ${changes[foreign]!.stratum}.`, {
				errors: [{ pointer: `/changes/${foreign}/stratum`, detail: `expected ${stratum}` }]
			});
		const seen = usualStrata({ ...person, leads: [stratum] }, ownedHeads(workspace), false);
		const profile = profileOf(workspace.profile, seen.includes(stratum) ? seen : [...seen, stratum]);
		try {
			applyEdit(profile, changes);
		} catch (error) {
			if (error instanceof StaleChangeError)
				throw new Problem(
					409,
					'stale-revision',
					`${head.name} has changed: ${error.message}. Base the proposal on the current state.`
				);
			if (error instanceof RangeError) throw new Problem(422, 'not-sound', error.message);
			throw error;
		}
		await refuseProblems(workspace, profile, changes);
	}

	/**
	 * Changes what is proposed, by somebody who decides on it; what it was is said in a comment. Throws `Problem` 403, 404, 409 if the stratum
	 * has moved since `base` or somebody has decided, 422 for what cannot be proposed.
	 */
	async change(
		application: string,
		person: Person,
		id: number,
		{ base, changes, reason }: { base: number; changes: readonly AnyChange[]; reason: string },
		now = new Date()
	): Promise<void> {
		const row = await this.#open(application, id);
		const workspace = await this.#profiles.load(application);
		refuseReviewer(workspace, person, row.stratum);
		if (base > workspace.revision || (workspace.revisions.get(row.stratum) ?? 0) > base)
			throw new Problem(409, 'stale-revision', 'The level has changed. Review the proposal again before you change it.');
		await this.#refuseUnfit(workspace, person, row.stratum, changes);
		const text = `Changed from ${row.changes.length} to ${counted(changes.length, 'part')}: ${reason}`;
		await this.#db.transaction(async (tx) => {
			const held = await this.#held(tx, application, id);
			if (held.state !== 'open') throw decidedJustNow(id);
			const comments = [...held.comments, { by: person.id, at: now.toISOString(), text }];
			await tx.update(proposals).set({ changes, base: workspace.revision, comments }).where(eq(proposals.id, id));
		});
	}

	async #open(application: string, id: number): Promise<Row> {
		const [row] = await this.#db
			.select()
			.from(proposals)
			.where(and(eq(proposals.application, application), eq(proposals.id, id)));
		if (!row) throw new Problem(404, 'not-found', `There is no proposal ${id} of ${application}.`);
		if (row.state !== 'open') throw new Problem(409, 'nothing-to-do', `Proposal ${id} is already ${row.state}.`);
		return row;
	}

	/** The row of a proposal as it is now, which nobody else changes while the transaction lasts. Throws `Problem` 404. */
	async #held(tx: RowTransaction, application: string, id: number): Promise<Row> {
		const [row] = await tx
			.select()
			.from(proposals)
			.where(and(eq(proposals.application, application), eq(proposals.id, id)))
			.for('update');
		if (!row) throw new Problem(404, 'not-found', `There is no proposal ${id} of ${application}.`);
		return row;
	}

	async #decide(
		db: Pick<RowTransaction, 'update'>,
		row: Row,
		state: Row['state'],
		person: Person,
		reason: string,
		now: Date,
		taken: { readonly revision?: number; readonly parts?: number[] } = {}
	): Promise<void> {
		const decision = { by: person.id, at: now.toISOString(), reason, ...taken };
		const decided = await db
			.update(proposals)
			.set({ state, decision })
			.where(and(eq(proposals.id, row.id), eq(proposals.state, 'open')))
			.returning({ id: proposals.id });
		if (decided.length === 0) throw decidedJustNow(row.id);
	}

	/**
	 * Takes a proposal in, whole or in parts, as one edit by who takes it; `parts` are places in the changes as they are listed now.
	 * Throws `Problem` 403 for a stratum that the person may not write, 409 if the stratum has moved since `base`, 404 and 422.
	 */
	async take(
		application: string,
		person: Person,
		id: number,
		{ base, parts, reason }: { base: number; parts?: readonly number[] | undefined; reason: string },
		now = new Date()
	): Promise<{ edit: Edit }> {
		const row = await this.#open(application, id);
		const workspace = await this.#profiles.load(application);
		refuseReviewer(workspace, person, row.stratum);
		const { changes } = await this.#asNow(workspace, row);
		const chosen = parts ? changes.filter((_, i) => parts.includes(i)) : [...changes];
		if (chosen.length === 0) throw new Problem(422, 'not-sound', 'None of the chosen parts can still be applied.');
		const label = `Proposal ${id}: ${row.label}`.slice(0, 200);
		const said = chosen.length < changes.length ? `${chosen.length} of ${changes.length} parts. ${reason}`.trim() : reason;
		// the edit and the decision are one transaction: a proposal is never accepted twice, nor decided without its edit
		return this.#profiles.edit(
			application,
			{ base, stratum: row.stratum, label, changes: chosen },
			{
				person,
				also: (tx, edit) =>
					this.#decide(tx, row, 'taken', person, said, now, { revision: edit.revision, ...(parts && { parts: [...parts] }) })
			}
		);
	}

	/** Declines one, with a reason. Throws `Problem` 403, 404 or 409. */
	async decline(application: string, person: Person, id: number, reason: string, now = new Date()): Promise<void> {
		const row = await this.#open(application, id);
		refuseReviewer(await this.#profiles.load(application), person, row.stratum);
		await this.#decide(this.#db, row, 'declined', person, reason, now);
	}

	/** Takes one's own back. Throws `Problem` 403, 404 or 409. */
	async withdraw(application: string, person: Person, id: number, now = new Date()): Promise<void> {
		const row = await this.#open(application, id);
		if (row.person !== person.id) throw new Problem(403, 'not-yours', 'Only the author can withdraw a proposal.');
		await this.#decide(this.#db, row, 'withdrawn', person, '', now);
	}

	/** Says something of one. Throws `Problem` 404 or 409. */
	async comment(application: string, person: Person, id: number, text: string, now = new Date()): Promise<void> {
		await this.#db.transaction(async (tx) => {
			const row = await this.#held(tx, application, id);
			if (row.comments.length >= MOST_COMMENTS)
				throw new Problem(422, 'not-sound', 'This proposal has reached the maximum number of comments. Please decide on it.');
			const comments = [...row.comments, { by: person.id, at: now.toISOString(), text }];
			await tx.update(proposals).set({ comments }).where(eq(proposals.id, id));
		});
	}
}

const decidedJustNow = (id: number) => new Problem(409, 'nothing-to-do', `Someone else has just decided on proposal ${id}.`);

/** So many that are decided are listed at a time. */
const MOST_LISTED = 100;
const MOST_COMMENTS = 200;

/** Throws `Problem` 403 for who may not write the stratum that is spoken of. */
function refuseReviewer({ profile, owners }: Workspace, person: Person, stratum: StratumId): void {
	const head = writableStratum(profile, stratum);
	if (!mayWrite(person, { ...headOf(head), person: owners.get(stratum) ?? null }))
		throw new Problem(403, 'not-yours', `${head.name} is edited by ${whose(head)}, who decide on its proposals.`);
}
