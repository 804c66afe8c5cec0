import { mayWrite, type OwnedHead, type StratumState } from '$core/people/may';
import type { Person } from '$core/people/person';
import type { Role } from '$core/strata/role';
import { freeSlug } from '$core/text/slug';
import { belongsTo, type Setup } from '$core/people/setup';
import type { StratumId } from '$core/strata/stratum';
import type { LeftBehind } from '$lib/server/people/leaving';
import type { Invited, ListedLink, Made as MadeLink } from '$lib/server/people/links';
import type { PersonChange } from '$lib/server/people/people';
import type { Access } from '$lib/server/people/sign-in';
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
	/** The links that were just made; their secrets are told this once. */
	made = $state.raw<readonly MadeLink[]>([]);
	/** The links that are good. */
	links = $state.raw<readonly ListedLink[]>([]);
	/** Where one is signed in, and one's tokens. */
	sessions = $state.raw<readonly Access[]>([]);
	tokens = $state.raw<readonly Access[]>([]);
	/** The setups that are recommended in any program, by name. */
	recommended = $state.raw<readonly string[]>([]);
	/** The list of people: what is looked for, and who is chosen. */
	words = $state('');
	role = $state('');
	stratum = $state('');
	chosen = $state<string | undefined>(undefined);
	/** The terminal's secret that was just made. */
	token = $state<string | undefined>(undefined);
	busy = $state(false);

	here = $derived(this.people.filter(({ leftAt }) => leftAt === null));
	person = $derived(this.here.find(({ id }) => id === this.chosen));
	/** Those who are looked for. */
	found = $derived.by(() => {
		const words = this.words.trim().toLowerCase();
		return this.here.filter(
			(person) =>
				(this.role === '' || person.role === this.role) &&
				(this.stratum === '' || belongsTo(person).some((id) => id === this.stratum)) &&
				[person.name, person.site ?? '', ...this.worksIn(person)].some((text) => text.toLowerCase().includes(words))
		);
	});
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

	/** The names of the disciplines and projects that somebody works in. */
	worksIn(person: Person): string[] {
		const wanted = belongsTo(person);
		return this.led.filter(({ id }) => wanted.includes(id)).map(({ name }) => name);
	}

	/** Reads what is the steward's to see, and one's own sessions and tokens. */
	async loadMore(): Promise<void> {
		if (!this.isOpen || !this.me) return;
		const [{ sessions }, { tokens }] = await Promise.all([
			ask<{ sessions: Access[] }>('/api/session/all'),
			ask<{ tokens: Access[] }>('/api/session/tokens')
		]);
		[this.sessions, this.tokens] = [sessions, tokens];
		if (!this.isSteward) return;
		const { applications } = await ask<{ applications: { id: string }[] }>('/api/applications');
		const [{ links }, ...setups] = await Promise.all([
			ask<{ links: ListedLink[] }>('/api/invitations'),
			...applications.map(({ id }) => ask<{ mine: Setup[]; others: Setup[] }>(`/api/applications/${id}/setups`))
		]);
		this.links = links;
		const all = setups.flatMap(({ mine, others }) => [...mine, ...others]);
		this.recommended = [...new Set(all.flatMap((one) => (one.isRecommended || one.isRequired ? [one.name] : [])))].sort();
	}

	/** Does it, reads everything anew and says so; whether it was done. */
	async #do(done: string, work: () => Promise<unknown>): Promise<boolean> {
		this.busy = true;
		this.said = this.undo = undefined;
		try {
			await work();
			await this.load();
			await this.loadMore();
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

	/** Invites people, all or nobody. */
	invite(list: readonly Invited[], days: number): Promise<boolean> {
		const what = list.length === 1 ? `${list[0]!.name} is` : `${list.length} people are`;
		return this.#do(`${what} invited. Copy the links now: they are shown only once.`, async () => {
			({ links: this.made } = await ask<{ links: MadeLink[] }>('/api/invitations', 'POST', { people: list, days }));
		});
	}

	withdraw({ id, name }: ListedLink): Promise<boolean> {
		return this.#do(`The link for ${name} is withdrawn.`, () => ask(`/api/invitations?id=${id}`, 'DELETE'));
	}

	/** A link by which somebody takes another password. */
	forgotten({ id, name }: Person): Promise<boolean> {
		return this.#do(`Link for ${name} to set a new password. It is valid for one day and shown only once.`, async () => {
			this.made = [await ask<MadeLink>('/api/people/password', 'POST', { id })];
		});
	}

	/** Changes people, all or none, and says so; the act after it takes that back. */
	async change(list: readonly ({ readonly id: string } & PersonChange)[], done: string): Promise<boolean> {
		let was: unknown;
		const isDone = await this.#do(done, async () => {
			({ was } = await ask<{ was: unknown }>('/api/people', 'PUT', { people: list }));
		});
		if (isDone) this.undo = () => this.#do('The change is undone.', () => ask('/api/people', 'PUT', { people: was }));
		return isDone;
	}

	setRole({ id, name }: Person, role: Role): Promise<boolean> {
		return this.change([{ id, role }], `${name} is ${role} now.`);
	}

	rename({ id, name }: Person, next: string): Promise<boolean> {
		return this.change([{ id, name: next }], `${name} has the new name ${next} and signs in with it.`);
	}

	/** Lets somebody work in the stratum, or lead it, or neither. */
	place(person: Person, { id, name }: OwnedHead, how: 'leads' | 'member' | 'none'): Promise<boolean> {
		const without = (list: readonly string[] = []) => list.filter((one) => one !== id) as StratumId[];
		const leads = [...without(person.leads), ...(how === 'leads' ? [id] : [])];
		const member = [...without(person.member), ...(how === 'member' ? [id] : [])];
		const says = { leads: `leads ${name}`, member: `works in ${name}`, none: `no longer works in ${name}` };
		return this.change([{ id: person.id, leads, member }], `${person.name} ${says[how]}.`);
	}

	leftBehind({ id }: Person): Promise<LeftBehind> {
		return ask<LeftBehind>(`/api/people/leaving?id=${encodeURIComponent(id)}`);
	}

	endSession(id: string): Promise<boolean> {
		return this.#do(id === 'others' ? 'All other sessions are signed out.' : 'The session is signed out.', () =>
			ask(`/api/session/all?id=${encodeURIComponent(id)}`, 'DELETE')
		);
	}

	withdrawToken({ id, name }: Access): Promise<boolean> {
		return this.#do(`The token ${name} is withdrawn.`, () => ask(`/api/session/tokens?id=${id}`, 'DELETE'));
	}

	leave({ id, name }: Person): Promise<boolean> {
		return this.#do(`${name} is removed. Their personal levels are kept and can be transferred.`, () =>
			ask(`/api/people?id=${encodeURIComponent(id)}`, 'DELETE')
		);
	}

	handOver(stratum: OwnedHead, to: Person): Promise<boolean> {
		return this.#do(`${stratum.name} now belongs to ${to.name}. It is in no setup until they add it.`, () =>
			ask('/api/strata', 'PUT', { id: stratum.id, to: to.id })
		);
	}

	async renameStratum({ id, name }: OwnedHead, next: string): Promise<boolean> {
		const isDone = await this.#do(`${name} is renamed to ${next}.`, () => ask('/api/strata', 'PATCH', { id, name: next }));
		if (isDone)
			this.undo = () => this.#do(`${next} is renamed back to ${name}.`, () => ask('/api/strata', 'PATCH', { id, name }));
		return isDone;
	}

	/** Says that no setup may leave the stratum out, or that every setup may. */
	require({ id, name }: OwnedHead, isRequired: boolean): Promise<boolean> {
		return this.#do(
			isRequired
				? `${name} is required: no setup may leave it out. Rollout lists who runs without it.`
				: `${name} is no longer required.`,
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
		return this.#do(`The ${kind === 'personal' ? 'level' : kind} ${head.name} is created and empty.`, () =>
			ask('/api/strata', 'POST', head)
		);
	}

	changePassword(current: string, password: string, endTokens: boolean): Promise<boolean> {
		return this.#do('Your password is changed. Your other sessions are signed out.', () =>
			askWithPassword('/api/session/password', 'PUT', { current, password, endTokens })
		);
	}

	makeToken(name: string): Promise<boolean> {
		return this.#do('The token is created. It is shown only once and valid for 90 days.', async () => {
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
