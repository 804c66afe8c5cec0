import { mayWrite, type OwnedHead, type StratumState } from '$core/people/may';
import type { Person } from '$core/people/person';
import type { Role } from '$core/strata/role';
import { freeSlug } from '$core/text/slug';
import type { ListedStratum } from '$lib/server/strata';
import { ask, told } from './api';
import { Newest } from './newest';
import { askWithPassword } from './signing-in';

/** Somebody in the list; `leftAt` is when they left. */
export type Listed = Person & { readonly leftAt: string | null };

/** Who works in the office, and what can be done about it. */
export class PeopleDesk {
	readonly #reading = new Newest();
	me = $state.raw<Person | null>(null);
	isOpen = $state(false);
	people = $state.raw<readonly Listed[]>([]);
	/** Those that are not deleted. */
	strata = $state.raw<readonly ListedStratum[]>([]);
	#ids: readonly string[] = [];
	/** What was done or what stands against it, for the page to say. */
	said = $state.raw<{ readonly kind: 'done' | 'failed'; readonly text: string } | undefined>(undefined);
	/** The link of the invitation that was just made. */
	link = $state.raw<{ readonly name: string; readonly path: string; readonly until: string } | undefined>(undefined);
	/** The terminal's secret that was just made. */
	token = $state<string | undefined>(undefined);
	busy = $state(false);

	here = $derived(this.people.filter(({ leftAt }) => leftAt === null));
	gone = $derived(this.people.filter(({ leftAt }) => leftAt !== null));
	/** What can have leads. */
	led = $derived(this.strata.filter(({ kind, state }) => state === 'used' && (kind === 'discipline' || kind === 'project')));
	/** The office's own strata in use. */
	common = $derived(this.strata.filter(({ kind, state }) => state === 'used' && kind !== 'factory' && kind !== 'personal'));
	/** What those who have left kept for themselves. */
	left = $derived(this.strata.filter(({ person }) => this.gone.some(({ id }) => id === person)));
	archived = $derived(this.strata.filter((one) => one.state === 'archived' && !this.left.includes(one) && this.mayChange(one)));
	/** What takes the last thing back that was done, where something does. */
	undo = $state.raw<(() => Promise<boolean>) | undefined>(undefined);
	isSteward = $derived(this.me?.role === 'steward');

	async load(): Promise<void> {
		await this.#reading.of(
			() =>
				Promise.all([
					ask<{ person: Person | null }>('/api/session'),
					ask<{ isOpen: boolean; people: Listed[] }>('/api/people'),
					ask<{ strata: ListedStratum[] }>('/api/strata')
				]),
			([{ person }, { isOpen, people }, { strata }]) => {
				[this.me, this.isOpen, this.people] = [person, isOpen, people];
				this.strata = strata.filter(({ state }) => state !== 'deleted');
				this.#ids = strata.map(({ id }) => id);
			}
		);
	}

	/** Does it, reads everything anew and says so; whether it was done. */
	async #do(done: string, work: () => Promise<unknown>): Promise<boolean> {
		this.busy = true;
		this.said = this.undo = undefined;
		try {
			await work();
			await this.load();
			this.said = { kind: 'done', text: done };
			return true;
		} catch (error) {
			this.said = { kind: 'failed', text: told(error) };
			return false;
		} finally {
			this.busy = false;
		}
	}

	open(name: string, password: string): Promise<boolean> {
		return this.#do(`Skarn is open to the office. ${name.trim()} is its first steward.`, () =>
			ask('/api/office', 'POST', { name, password })
		);
	}

	invite(name: string, role: Role, leads: readonly string[], days: number): Promise<boolean> {
		return this.#do(`${name.trim()} is invited. Pass the link on: it is shown this once.`, async () => {
			const body = { name, role, leads: role === 'lead' ? leads : [], days };
			const { secret, expiresAt } = await ask<{ secret: string; expiresAt: string }>('/api/people', 'POST', body);
			this.link = { name: name.trim(), path: `/join/${secret}`, until: expiresAt };
		});
	}

	setRole({ id, name }: Person, role: Role): Promise<boolean> {
		return this.#do(`${name} is here as ${role} now.`, () => ask('/api/people', 'PUT', { id, role }));
	}

	/** Makes the stratum theirs to lead, or no more. */
	lead(person: Person, stratum: OwnedHead, leads: boolean): Promise<boolean> {
		const others = person.leads.filter((id) => id !== stratum.id);
		return this.#do(`${person.name} ${leads ? 'leads' : 'leads no more'} ${stratum.name}.`, () =>
			ask('/api/people', 'PUT', { id: person.id, leads: leads ? [...others, stratum.id] : others })
		);
	}

	leave({ id, name }: Person): Promise<boolean> {
		return this.#do(`${name} has left; what they kept for themselves stays, and can be handed over.`, () =>
			ask(`/api/people?id=${encodeURIComponent(id)}`, 'DELETE')
		);
	}

	handOver(stratum: OwnedHead, to: Person): Promise<boolean> {
		return this.#do(`${stratum.name} is ${to.name}’s now. It is in none of their setups until they put it there.`, () =>
			ask('/api/strata', 'PUT', { id: stratum.id, to: to.id })
		);
	}

	async renameStratum({ id, name }: OwnedHead, next: string): Promise<boolean> {
		const isDone = await this.#do(`${name} is called ${next} now.`, () => ask('/api/strata', 'PATCH', { id, name: next }));
		if (isDone) this.undo = () => this.#do(`${next} is called ${name} again.`, () => ask('/api/strata', 'PATCH', { id, name }));
		return isDone;
	}

	/** Says that no setup may leave the stratum out, or that every setup may. */
	require({ id, name }: OwnedHead, isRequired: boolean): Promise<boolean> {
		return this.#do(
			isRequired
				? `${name} is required: no setup may leave it out. Rollout lists who runs without it.`
				: `Setups may leave ${name} out.`,
			() => ask('/api/strata', 'PATCH', { id, isRequired })
		);
	}

	/** Archives or deletes a stratum, or brings it back; the act after it takes that back. */
	async setState({ id, name, state: before }: ListedStratum, state: StratumState): Promise<boolean> {
		const DONE = { used: 'is in use again', archived: 'is archived', deleted: 'is deleted' };
		const isDone = await this.#do(`${name} ${DONE[state]}.`, () => ask('/api/strata', 'PATCH', { id, state }));
		if (isDone) this.undo = () => this.#do(`${name} ${DONE[before]}.`, () => ask('/api/strata', 'PATCH', { id, state: before }));
		return isDone;
	}

	async takeBack(): Promise<void> {
		await this.undo?.();
	}

	mayChange(stratum: OwnedHead): boolean {
		return this.me !== null && mayWrite(this.me, stratum);
	}

	makeStratum(kind: 'discipline' | 'project' | 'personal', name: string): Promise<boolean> {
		const head = { id: freeSlug(name, (id) => this.#ids.includes(id)), kind, name: name.trim() };
		return this.#do(`The ${kind === 'personal' ? 'stratum' : kind} ${head.name} is there, empty.`, () =>
			ask('/api/strata', 'POST', head)
		);
	}

	changePassword(current: string, password: string, endTokens: boolean): Promise<boolean> {
		return this.#do('Your password is changed; your other sessions have ended.', () =>
			askWithPassword('/api/session/password', 'PUT', { current, password, endTokens })
		);
	}

	makeToken(name: string): Promise<boolean> {
		return this.#do('The terminal’s token is made. It is shown this once.', async () => {
			({ token: this.token } = await ask<{ token: string }>('/api/session/tokens', 'POST', { name }));
		});
	}

	/** Ends this session, or all of the person; whether it was done. */
	async signOut(everywhere: boolean): Promise<boolean> {
		try {
			await ask(`/api/session${everywhere ? '?everywhere=yes' : ''}`, 'DELETE');
			return true;
		} catch (error) {
			this.said = { kind: 'failed', text: told(error) };
			return false;
		}
	}
}
