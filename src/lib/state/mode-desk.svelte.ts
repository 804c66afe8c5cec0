import { counted } from '$core/text/counted';
import type { CommandId } from '$core/application/command';
import type { AxisId, NodeId } from '$core/context/axis';
import type { StratumHead } from '$core/strata/stratum';
import { whereShown } from '$core/chapters/bars/boxes';
import { barTree } from '$core/chapters/bars/tree';
import { copyBars } from '$core/chapters/bars/writing';
import { meets } from '$core/context/bits';
import { favouritesOn, modesInForce, switchesTo, type SetMode } from '$core/chapters/modes/mode';
import { favour, freshModeId, setMode, takeAway } from '$core/chapters/modes/writing';
import type { AnyChange } from '$core/profile/edit';
import type { Workspace } from './workspace.svelte';

/** What of the bars of the mode that it is made from a new mode gets: the same ones, copies that are its own, or none. */
export type ModeBars = 'shared' | 'copied' | 'none';

/** A mode that people can switch to. */
export interface ModeRow {
	readonly id: NodeId;
	readonly label: string;
	/** What a stratum has made it to be; undefined for the application's own. */
	readonly made: SetMode | undefined;
	readonly stratum: StratumHead | undefined;
	readonly lockedBy: StratumHead | undefined;
	readonly isFavourite: boolean;
	/** The command that switches to it, if the program has one. */
	readonly command: CommandId | undefined;
	/** How many bars show in it. */
	readonly bars: number;
}

/** The modes of a program: those one switches among, favourites first, and what can be done with them. */
export class ModeDesk {
	readonly #workspace: Workspace;

	constructor(workspace: Workspace) {
		this.#workspace = workspace;
	}

	/** The first axis of modes; undefined where the program has none. */
	axis = $derived.by(() => this.#workspace.space.axes.find(({ modes }) => modes));

	#place = $derived.by(() => (this.axis ? this.#workspace.space.axes.indexOf(this.axis) : -1));

	/** All that one can stand in, the favourites first. */
	rows = $derived.by((): ModeRow[] => {
		const { axis } = this;
		if (!axis) return [];
		const { space, profile } = this.#workspace;
		const standing = new Set(space.situations.map((situation) => situation[this.#place]));
		const favourites = favouritesOn(profile, axis.id).map(({ entry }) => entry.id);
		const made = new Map(
			modesInForce(profile).flatMap((said) => (said.entry.axis === axis.id ? [[said.entry.id, said] as const] : []))
		);
		const { bars } = barTree(profile);
		const rows = axis.nodes
			.filter((node) => standing.has(node.id))
			.map(({ id, label }): ModeRow => {
				const here = space.bitsOf({ [axis.id]: [id] });
				const own = made.get(id);
				return {
					id,
					label,
					made: own?.entry,
					stratum: own?.stratum,
					lockedBy: own?.lockedBy,
					isFavourite: favourites.includes(id),
					command: switchesTo(space, axis.id, id),
					bars: bars.filter(({ item }) => !item.hidden && meets(whereShown(space, item), here)).length
				};
			});
		return [...favourites.flatMap((id) => rows.find((row) => row.id === id) ?? []), ...rows.filter((row) => !row.isFavourite)];
	});

	favourites = $derived.by(() => this.rows.filter((row) => row.isFavourite));

	/** The mode that one stands in. */
	get current(): NodeId | undefined {
		const { space, situation } = this.#workspace;
		return space.situations[situation]?.[this.#place];
	}

	/** Stands in the mode, all else as near to how it was as can be. */
	switchTo(id: NodeId): void {
		const { space, situation } = this.#workspace;
		const at = space.nearest(space.situations[situation]!.with(this.#place, id), this.#place);
		if (at >= 0) this.#workspace.standIn(at);
	}

	/** Makes a mode and stands in it. Gives whether it was written. */
	async make(label: string, from: NodeId, bars: ModeBars): Promise<boolean> {
		const axis = this.axis!.id;
		const { profile, target, space } = this.#workspace;
		const id = freshModeId(profile, label);
		const changes: AnyChange[] = setMode(target, id, { axis, label, from, bars: bars === 'shared' ? 'shared' : 'own' });
		if (bars === 'copied') {
			const there = space.bitsOf({ [axis]: [from] });
			const shown = barTree(profile).bars.filter(({ item }) => !item.hidden && meets(whereShown(space, item), there));
			changes.push(...copyBars(profile, target.id, shown, { [axis]: [id] }));
		}
		const isDone = await this.#workspace.edits.commit(`Modes: new mode ${label}`, changes);
		if (isDone) this.switchTo(id);
		return isDone;
	}

	rename({ made, label: before }: ModeRow, label: string): Promise<boolean> {
		return this.#say(`Modes: rename ${before} to ${label}`, made!, { label });
	}

	/** Its own bars alone, or those of the mode that it is made from as well. */
	setBars({ made, label }: ModeRow, bars: SetMode['bars']): Promise<boolean> {
		return this.#say(`Modes: ${label} with ${bars === 'own' ? 'separate toolbars' : 'the toolbars of its base mode'}`, made!, {
			bars
		});
	}

	#say(told: string, { axis, id, label, from, bars }: SetMode, what: Partial<Pick<SetMode, 'label' | 'bars'>>): Promise<boolean> {
		return this.#workspace.edits.commit(told, setMode(this.#workspace.target, id, { axis, label, from, bars, ...what }));
	}

	/** Takes a mode of one's own away, with the favourite. */
	remove({ made, label, isFavourite }: ModeRow): Promise<boolean> {
		const { profile, targetId } = this.#workspace;
		const { axis, id } = made!;
		return this.#workspace.edits.commit(`Modes: delete ${label}`, [
			...takeAway(profile, targetId, made!),
			...(isFavourite ? takeAway(profile, targetId, { kind: 'favourite', axis, id }) : [])
		]);
	}

	/** A favourite among the others, the last of them; or none any more. */
	favour({ id, label, isFavourite }: ModeRow): Promise<boolean> {
		const { profile, targetId } = this.#workspace;
		const axis = this.axis!.id;
		return isFavourite
			? this.#workspace.edits.commit(
					`Modes: ${label} is not a favourite`,
					takeAway(profile, targetId, { kind: 'favourite', axis, id })
				)
			: this.#workspace.edits.commit(
					`Modes: ${label} is a favourite`,
					favour(profile, targetId, axis, id, this.favourites.length)
				);
	}

	/** Moves a favourite by so many places. */
	async shift({ id, label }: ModeRow, by: number): Promise<void> {
		const at = this.favourites.findIndex((row) => row.id === id) + by;
		if (at < 0 || at >= this.favourites.length) return;
		const { profile, targetId } = this.#workspace;
		await this.#workspace.edits.commit(`Modes: ${label} moved`, favour(profile, targetId, this.axis!.id, id, at));
	}

	/** What speaks of the mode and would be nowhere without it, in words. */
	uses({ made }: ModeRow): string {
		if (!made) return '';
		const { profile } = this.#workspace;
		const speaks = (scope: Partial<Record<AxisId, readonly NodeId[]>> | undefined) =>
			scope?.[made.axis]?.includes(made.id) ?? false;
		const shortcuts = this.#workspace.effective.bindings.filter(({ scope }) => speaks(scope)).length;
		const bars = barTree(profile).bars.filter(({ item }) => speaks(item.scope)).length;
		return [shortcuts > 0 ? `${counted(shortcuts, 'shortcut')}` : '', bars > 0 ? `${counted(bars, 'bar')}` : '']
			.filter((text) => text !== '')
			.join(' and ');
	}
}
