import { BARS, type SetItem } from '$core/chapters/bars/bar';
import { compared, type Row } from '$core/compare/compare';
import { takingOver, withAllIn, type Picked } from '$core/compare/taking-over';
import { mayWrite } from '$core/people/may';
import { profileOf, type Setup } from '$core/people/setup';
import { profileIn, stateText } from '$core/release/states';
import { chapterOf } from '$core/profile/chapters';
import { soundOf } from '$core/profile/problems';
import { stratumOfWire, type StratumWire } from '$core/profile/wire';
import { headOf, type Profile, type Stratum, type StratumId } from '$core/strata/stratum';
import { listed } from '$core/text/listed';
import { ask, told } from './api';
import { strataInRelease } from './released';
import { strataReadable } from './shapes';
import type { Workspace } from './workspace.svelte';

/** Something that can stand on a side. */
export interface Side {
	readonly id: string;
	readonly name: string;
	/** The strata that it is of, the lowest first; undefined while a release has not been read. */
	readonly profile: Profile | undefined;
	/** The stratum that what is taken over is written into; undefined where nothing may be written. */
	readonly target: StratumId | undefined;
	/** The setup that an edit is judged on. */
	readonly setup: string | undefined;
}

/** A side of which all is known. */
type ReadSide = Side & { readonly profile: Profile };
const isRead = (side: Side): side is ReadSide => side.profile !== undefined;

/** Two or three of setups, strata, releases, people and the factory, side by side. */
export class CompareDesk {
	readonly #workspace: Workspace;
	#all = $state.raw<Profile>([]);
	#setups = $state.raw<readonly Setup[]>([]);
	/** What each person starts with. */
	#starts = $state.raw<readonly Setup[]>([]);
	/** The strata of the releases that were looked at, by number. */
	#released = $state.raw<ReadonlyMap<number, Profile>>(new Map());
	#revision = 0;
	chosen = $state.raw<readonly string[]>([]);
	onlyDifferences = $state(true);
	chapter = $state('');
	text = $state('');
	busy = $state(false);
	#isLoaded = $state(false);

	sides = $derived.by((): readonly Side[] => this.#sidesOf());
	shown = $derived.by(() => this.chosen.flatMap((id) => this.sides.find((side) => side.id === id) ?? []));
	isRead = $derived(this.#isLoaded && this.shown.every(isRead));
	rows = $derived.by((): readonly Row[] => {
		const read = this.shown.filter(isRead);
		if (read.length < 2 || read.length < this.shown.length) return [];
		return compared(
			this.#workspace.subject,
			read.map(({ profile }) => profile)
		);
	});
	listed = $derived.by(() => {
		const wanted = this.text.trim().toLowerCase();
		return this.rows.filter(
			(row) =>
				!(this.onlyDifferences && row.isSame) &&
				(this.chapter === '' || row.chapter === this.chapter) &&
				(wanted === '' ||
					`${row.caption.label} ${row.caption.keys ?? ''} ${row.caption.typed ?? ''}`.toLowerCase().includes(wanted))
		);
	});
	differing = $derived(this.rows.filter(({ isSame }) => !isSame).length);
	/** The chapters of which something is there, with how much of it differs. */
	chapters = $derived.by(() => {
		const counts = new Map<string, number>();
		for (const { chapter, isSame } of this.rows) counts.set(chapter, (counts.get(chapter) ?? 0) + (isSame ? 0 : 1));
		return [...counts].map(([id, count]) => ({ id, name: chapterOf(id).words.many, count }));
	});

	constructor(workspace: Workspace) {
		this.#workspace = workspace;
	}

	async load(): Promise<void> {
		const path = this.#workspace.path;
		const [{ revision, strata }, { mine, others, starts }] = await Promise.all([
			ask<{ revision: number; strata: StratumWire[] }>(`${path}/strata`),
			ask<{ mine: Setup[]; others: Setup[]; starts: Setup[] }>(`${path}/setups`)
		]);
		await strataReadable(strata);
		this.#revision = revision;
		this.#all = strata.map(stratumOfWire);
		[this.#setups, this.#starts] = [[...mine, ...others], starts];
		if (this.chosen.length === 0) {
			const own = this.#workspace.document.setup;
			const here = this.#setups.some(({ id }) => id === own.id) ? own.id : mine[0]!.id;
			this.chosen = ['factory', `setup ${here}`];
		}
		this.#isLoaded = true;
		await this.#readReleases();
	}

	/** Reads the releases that stand on a side; one is frozen, and so read once. */
	async #readReleases(): Promise<void> {
		for (const { number } of this.#workspace.releases)
			if (this.#needs(number) && !this.#released.has(number)) {
				const strata = await strataInRelease(this.#workspace.path, number);
				this.#released = new Map([...this.#released, [number, strata]]);
			}
	}

	/** Whether a release has to be read for what is chosen: the one that seats follow also for states of one's own setup. */
	#needs(number: number): boolean {
		const isFollowed = number === this.#workspace.channel;
		return this.chosen.some((id) => id === `release ${number}` || (isFollowed && id.startsWith('state ')));
	}

	#sidesOf(): Side[] {
		const { document, releases, channel } = this.#workspace;
		const { me, layers } = document;
		const mine = new Set(layers.filter((layer) => mayWrite(me, layer)).map(({ id }) => id));
		const factory = this.#all.filter(({ kind }) => kind === 'factory');
		if (factory.length === 0) return [];
		const looking = { target: undefined, setup: undefined };
		const bare = (stratum: Stratum): Stratum => ({ ...headOf(stratum), contents: {} });
		return [
			{ ...looking, id: 'factory', name: 'Factory', profile: factory },
			...(['next', 'seat'] as const).map((state): Side => {
				const frozen = channel === null ? [] : this.#released.get(channel);
				const own = profileOf(this.#all, document.setup.strata);
				return {
					...{ ...looking, id: `state ${state}` },
					profile: frozen && profileIn(state, { profile: own, frozen, goesOut: this.#workspace.next.goesOut }),
					name: `${document.setup.name}, ${stateText(state, channel)}`
				};
			}),
			...releases.toReversed().map(({ number }): Side => {
				const strata = this.#released.get(number);
				return {
					...{ ...looking, id: `release ${number}`, profile: strata && [...factory, ...strata] },
					name: `Release ${number}${number === channel ? ', current at seats' : ''}`
				};
			}),
			...(document.isOpen ? this.#starts : []).map((setup): Side => ({
				...this.#sideOf(setup, mine),
				id: `person ${setup.person}`,
				name:
					setup.person === me.id ? `You, default setup: ${setup.name}` : `${this.#workspace.nameOf(setup.person)}: ${setup.name}`
			})),
			...this.#setups.map((setup): Side => ({
				...this.#sideOf(setup, mine),
				id: `setup ${setup.id}`,
				name: setup.person === me.id ? `Setup ${setup.name}` : `${setup.name}, ${this.#workspace.nameOf(setup.person)}`
			})),
			...this.#all
				.filter(({ kind }) => kind !== 'factory')
				.map((stratum): Side => ({
					...{ id: `stratum ${stratum.id}`, name: `Level ${stratum.name}`, setup: undefined },
					// it alone, on a factory that says nothing
					profile: [...factory.map(bare), stratum],
					target: mine.has(stratum.id) ? stratum.id : undefined
				}))
		];
	}

	#sideOf(setup: Setup, mine: ReadonlySet<StratumId>): Pick<Side, 'profile' | 'target' | 'setup'> {
		const profile = profileOf(this.#all, setup.strata);
		if (setup.person !== this.#workspace.document.me.id) return { profile, target: undefined, setup: undefined };
		return { profile, target: profile.findLast(({ id }) => mine.has(id))?.id, setup: setup.id };
	}

	/** Puts something else on a side; throws what a release that cannot be read says. */
	async choose(place: number, id: string): Promise<void> {
		this.chosen = id === '' ? this.chosen.toSpliced(place, 1) : this.chosen.toSpliced(place, 1, id);
		await this.#readReleases();
	}

	/** Lets one side say of a thing what another one says, as an edit of the side's own stratum. */
	takeOver(row: Row, from: number, to: number): Promise<void> {
		return this.#take([{ row, from }], to, `${row.caption.label} as in ${this.shown[from]?.name}`);
	}

	/** The same with all that is in it, of a bar, a tab or a group. */
	takeWithAll(row: Row, from: number, to: number): Promise<void> {
		const picks = withAllIn(this.rows, row, from, to).map((one): Picked => ({ row: one, from }));
		return this.#take(picks, to, `${row.caption.label} with its contents as in ${this.shown[from]?.name}`);
	}

	/** The things that are listed and differ on that side, each with the first side that says something else. */
	picksFor(to: number): Picked[] {
		return this.listed.flatMap((row) => {
			const from = row.isSame ? -1 : sourceFor(row, to);
			return from < 0 ? [] : [{ row, from }];
		});
	}

	/** Everything that is listed, as one edit. */
	takeAll(to: number): Promise<void> {
		const picks = this.picksFor(to);
		const sources = [...new Set(picks.map(({ from }) => this.shown[from]?.name ?? ''))];
		return this.#take(picks, to, `${picks.length} items as in ${listed(sources)}`);
	}

	async #take(picks: readonly Picked[], to: number, what: string): Promise<void> {
		const side = this.shown[to];
		if (!side?.profile || side.target === undefined) return;
		const workspace = this.#workspace;
		this.busy = true;
		try {
			const { changes, stays } = takingOver(workspace.subject, side.profile, side.target, picks, to);
			const { sound, stays: refused } = soundOf(workspace.subject, side.profile, changes);
			const reasons = [...stays.map(({ reason }) => reason), ...refused];
			const left =
				reasons.length > 0
					? `${reasons.length === 1 ? 'One thing stays' : `${reasons.length} things stay`} as now: ${reasons[0]}`
					: '';
			if (sound.length === 0) {
				if (left !== '') workspace.notice = { kind: 'failed', text: picks.length === 1 ? reasons[0]! : left };
				return;
			}
			const label = `${side.name}: ${what}`.slice(0, 200);
			await ask(`${workspace.path}/edits`, 'POST', {
				...{ base: this.#revision, stratum: side.target, label, changes: sound },
				...(side.setup !== undefined && { setup: side.setup })
			});
			workspace.notice = left === '' ? { kind: 'done', text: label } : { kind: 'failed', text: `${label}. ${left}` };
			await workspace.reload();
		} catch (error) {
			workspace.notice = { kind: 'failed', text: told(error) };
		} finally {
			await this.load();
			this.busy = false;
		}
	}

	/** What is listed as a table: a row a thing, a column a side. */
	get table(): readonly (readonly string[])[] {
		const head = ['chapter', 'thing', 'how', ...this.shown.map(({ name }) => name)];
		return [
			head,
			...this.listed.map(({ chapter, caption, cells }) => [
				chapterOf(chapter).words.one,
				caption.label,
				caption.keys ?? caption.typed ?? '',
				...cells.map((cell) => (cell ? cellText(cell) : ''))
			])
		];
	}
}

/** What a side says, in short. */
export const cellText = ({ caption }: NonNullable<Row['cells'][number]>): string => caption.detail || 'yes';

/** The side from which a cell takes over: the first that says something else; -1 for none. */
export const sourceFor = ({ cells }: Row, to: number): number =>
	cells.findIndex((cell, i) => i !== to && cell?.value !== cells[to]?.value);

/** Whether other things of the bars can be in it. */
export const holdsOthers = ({ chapter, cells }: Row): boolean =>
	chapter === BARS && cells.some((cell) => cell && (cell.said as SetItem).item.kind !== 'place');
