import { counted } from '$core/text/counted';
import type { CommandId } from '$core/application/command';
import type { BarForm, Dock, Item, ItemId, ItemOf } from '$core/chapters/bars/bar';
import { isPlace, labelOfPlace } from '$core/chapters/bars/boxes';
import { takeBack, type BarDifference } from '$core/chapters/bars/changes';
import { barTree, type BarNode } from '$core/chapters/bars/tree';
import { inStyle, type BarStyle } from '$core/chapters/bars/style';
import { changeItem, insertItem, lockItem, lockPosition, moveItem, resetItems, takeOut } from '$core/chapters/bars/writing';
import type { Rect } from '$core/surface/parts';
import { applyEdit, type AnyChange } from '$core/profile/edit';
import { BarSight } from './bar-sight.svelte';
import { Turns } from './turns';

/** The row of an edge that lies within all that are there. */
const behind = (rows: readonly number[]): number => Math.min(20, Math.max(0, ...rows.map((row) => row + 1)));

const MISSING = 'It no longer exists.';

/** What can be made on the window, and what it is called. */
export const KINDS = {
	toolbar: 'toolbar',
	tab: 'tab',
	group: 'group',
	flyout: 'flyout',
	menu: 'menu',
	cursor: 'cursor bar',
	context: 'context menu',
	quick: 'quick bar',
	ribbon: 'ribbon'
} as const;
export type Making = keyof typeof KINDS;

/** A name that is being typed on the window: of something new, or another one of what is there. */
export type Naming = { readonly making: Making } | { readonly id: ItemId };

/** What can be done with the bars of a window; each is one edit, and is told. */
export class BarDesk extends BarSight {
	naming = $state.raw<Naming | undefined>(undefined);
	readonly #adding = new Turns();

	/** Where the name stands that is typed: over the one that there is, or where what is made will stand. */
	nameRect = $derived.by((): Rect | undefined => {
		const { naming } = this;
		if (!naming) return undefined;
		if ('id' in naming) return this.rectOf(naming.id) ?? this.layout.canvas;
		const { ribbons, titles, canvas } = this.layout;
		const strip = ribbons[0]?.strip;
		const beside = {
			tab: ribbons[0]?.tabs.filter((tab) => !tab.isOff).at(-1)?.rect,
			group: strip?.groups.at(-1)?.rect,
			menu: titles.at(-1)?.rect,
			flyout: this.current && this.rectOf(this.current.id)
		}[naming.making as 'tab'];
		const rect = beside ? { ...beside, x: beside.x + beside.width } : canvas;
		// what would hang over the edge stands before it
		return { ...rect, x: Math.max(0, Math.min(rect.x, this.layout.width - 330)) };
	});

	/** Where something is drawn, be it in what stands open. */
	rectOf(id: ItemId): Rect | undefined {
		const opened = this.opened?.places.find(({ place }) => place.id === id);
		return opened?.rect ?? this.spots.find((spot) => spot.id === id)?.rect;
	}

	/** Begins to type another name for what is selected. */
	nameCurrent(): void {
		const node = this.current;
		if (node && this.nameOf(node) !== 'separator') this.naming = { id: node.id };
	}

	/** Takes the name that was typed. */
	async name(said: string): Promise<void> {
		const { naming } = this;
		this.naming = undefined;
		if (!naming) return;
		if ('making' in naming) await this.make(naming.making, said);
		else {
			this.select(naming.id);
			await this.rename(said);
		}
	}

	async make(what: Making, name: string): Promise<void> {
		if (what === 'tab') await this.addTab(name);
		else if (what === 'group') await this.addGroup(name);
		else if (what === 'flyout') await this.add({ flyout: name });
		else if (what === 'menu') await this.addMenu(name);
		else await this.addBar(what satisfies BarForm, name);
	}

	/** Calls what is selected otherwise; of a place that runs a command it is a title of its own. */
	async rename(name: string): Promise<void> {
		const node = this.current;
		const said = name.trim();
		if (!node || said === '' || said === this.nameOf(node)) return;
		const told = `rename to ${said}`;
		const { item } = node;
		if (item.kind === 'place') {
			const what = item.flyout !== undefined ? { flyout: said } : { title: said };
			await this.change('place', told, (one) => ({ ...one, ...what }));
		} else await this.change<'bar' | 'tab' | 'group'>(item.kind, told, (one) => ({ ...one, name: said }));
	}

	async takeBack(difference: BarDifference): Promise<void> {
		const node = difference.is ?? difference.was!;
		await this.#commit(`Toolbars: reset ${this.nameOf(node)}`, () => takeBack(...this.#pen, difference));
	}

	/** Puts a bar to an edge, in the innermost row there, or lets it float at a point of the window, in px. */
	async dock(id: ItemId, edge: Dock['edge'], x: number, y: number): Promise<void> {
		const node = this.tree.byId.get(id);
		if (!node || !this.canDock(node)) return;
		const { item } = node;
		const rows = this.layout.toolbars.flatMap(({ bar }) =>
			bar.id !== id && bar.dock.edge === edge ? [(bar.dock as { row: number }).row] : []
		);
		const columns = 'dock' in item && item.dock?.edge === 'floating' ? item.dock.columns : 6;
		const dock: Dock = edge === 'floating' ? { edge, monitor: 1, x, y, columns } : { edge, row: behind(rows) };
		const label = `Toolbars: ${this.nameOf(node)} ${edge === 'floating' ? 'floating' : `at ${edge}`}`;
		const isDone = await this.#commit(label, () => {
			if (item.kind === 'bar') return changeItem(...this.#pen, id, { ...item, dock });
			return item.kind === 'tab' ? changeItem(...this.#pen, id, { ...item, dock }) : [];
		});
		if (isDone) this.select(id);
	}

	async #commit(label: string, make: () => readonly AnyChange[]): Promise<boolean> {
		if (this.isUntouched) {
			this.workspace.notice = { kind: 'failed', text: 'The default toolbars are shown. Go back to yours first.' };
			return false;
		}
		let changes: readonly AnyChange[];
		try {
			changes = make();
		} catch (error) {
			if (!(error instanceof RangeError)) throw error;
			this.workspace.notice = { kind: 'failed', text: `${label}: ${error.message}.` };
			return false;
		}
		const isDone = await this.workspace.edits.commit(label, changes);
		if (isDone) this.told = label;
		return isDone;
	}

	get #pen() {
		const { profile, targetId } = this.workspace;
		return [profile, targetId] as const;
	}

	async #insert(label: string, item: Item, parent: ItemId | null, at: number): Promise<void> {
		let id: ItemId | undefined;
		const isDone = await this.#commit(label, () => {
			const made = insertItem(...this.#pen, item, parent, at);
			id = made.id;
			return made.changes;
		});
		if (isDone && id) this.select(id);
	}

	/** Where something new goes: behind what is selected, or to the end of what is selected and holds places. */
	#spotFor(): { parent: ItemId; at: number } | undefined {
		const node = this.current;
		if (!node) return this.#firstHome();
		const { item } = node;
		if (
			item.kind === 'group' ||
			(item.kind === 'bar' && item.form !== 'ribbon') ||
			(item.kind === 'place' && item.flyout !== undefined)
		)
			return { parent: node.id, at: node.children.length };
		if (item.kind === 'place' && node.parent) {
			const siblings = this.tree.byId.get(node.parent)?.children ?? [];
			return { parent: node.parent, at: siblings.findIndex(({ id }) => id === node.id) + 1 };
		}
		const group = node.children[0];
		if (item.kind === 'tab' && group) return { parent: group.id, at: group.children.length };
		return this.#firstHome();
	}

	#firstHome(): { parent: ItemId; at: number } | undefined {
		const [bar] = this.layout.toolbars;
		const group = this.layout.ribbons[0]?.front?.groups[0];
		const parent = (group?.id ?? bar?.bar.id) as ItemId | undefined;
		return parent && { parent, at: this.tree.byId.get(parent)?.children.length ?? 0 };
	}

	/** One goes behind the other, also when several are added at once: what was added before is selected by then. */
	add(what: { command: CommandId } | { flyout: string } | 'separator'): Promise<void> {
		return this.#adding.take(async () => {
			const spot = this.#spotFor();
			if (spot) await this.addAt(what, spot.parent, spot.at);
			else this.workspace.notice = { kind: 'failed', text: 'There is no toolbar for it yet. Add one first.' };
		});
	}

	async addAt(what: { command: CommandId } | { flyout: string } | 'separator', to: ItemId, position: number): Promise<void> {
		const { parent, at } = this.#homeIn(to, position);
		const place: ItemOf<'place'> = {
			kind: 'place',
			size: 'small',
			shows: 'both',
			hidden: false,
			...(what !== 'separator' && what)
		};
		const into = this.tree.byId.get(parent);
		const name = what === 'separator' ? 'a separator' : labelOfPlace(place, this.workspace.catalogue);
		await this.#insert(`Toolbars: ${name} into ${into ? this.nameOf(into) : 'the window'}`, place, parent, at);
	}

	async addBar(form: BarForm, name: string): Promise<void> {
		const rows = this.tree.bars.flatMap(({ item }) => (item.dock.edge === 'top' ? [item.dock.row] : []));
		const dock: Dock =
			form === 'cursor' ? { edge: 'floating', monitor: 1, x: 0, y: 0, columns: 4 } : { edge: 'top', row: behind(rows) };
		const bar: Item = { kind: 'bar', form, name, scope: {}, dock, icon: 24, text: 'none', hidden: false };
		await this.#insert(`Toolbars: new ${form} ${name}`, bar, null, this.tree.bars.length);
	}

	/** A menu is a flyout of the line of menus, which is made where there is none. */
	async addMenu(name: string): Promise<void> {
		if (!this.tree.bars.some(({ item }) => item.form === 'menu')) await this.addBar('menu', 'Menus');
		const line = this.tree.bars.find(({ item }) => item.form === 'menu');
		if (line) await this.addAt({ flyout: name }, line.id, line.children.length);
	}

	async addTab(name: string): Promise<void> {
		const ribbon = this.tree.bars.find(({ item }) => item.form === 'ribbon');
		if (!ribbon) return void (this.workspace.notice = { kind: 'failed', text: 'There is no ribbon that could hold a tab.' });
		await this.#insert(`Toolbars: new tab ${name}`, { kind: 'tab', name }, ribbon.id, ribbon.children.length);
	}

	async addGroup(name: string): Promise<void> {
		const tab = this.tabOf(this.current)?.id ?? (this.layout.ribbons[0]?.front?.id as ItemId | undefined);
		if (!tab) return void (this.workspace.notice = { kind: 'failed', text: 'There is no tab that could hold a group.' });
		await this.#insert(
			`Toolbars: new group ${name}`,
			{ kind: 'group', name },
			tab,
			this.tree.byId.get(tab)?.children.length ?? 0
		);
	}

	/** Moves what is selected among its neighbours, over the end of a group into the next one. */
	async shift(by: 1 | -1): Promise<void> {
		const node = this.current;
		if (!node) return;
		if (this.selected.length > 1) return this.#shiftAll(by);
		const siblings = node.parent === null ? this.tree.bars : (this.tree.byId.get(node.parent)?.children ?? []);
		const at = siblings.findIndex(({ id }) => id === node.id) + by;
		if (at >= 0 && at < siblings.length) return this.moveTo(node.id, node.parent, at);
		const home = node.parent ? this.tree.byId.get(node.parent) : undefined;
		if (!home?.parent || node.item.kind === 'tab') return;
		const homes = this.tree.byId.get(home.parent)?.children ?? [];
		const next = homes[homes.findIndex(({ id }) => id === home.id) + by];
		if (next) await this.moveTo(node.id, next.id, by > 0 ? 0 : next.children.length);
	}

	/** Moves several that stand in one thing by one place, in the order in which they stand. */
	async #shiftAll(by: 1 | -1): Promise<void> {
		const nodes = this.selected.flatMap((id) => this.tree.byId.get(id) ?? []);
		const [home] = new Set(nodes.map(({ parent }) => parent));
		const siblings = home ? (this.tree.byId.get(home)?.children ?? []) : this.tree.bars;
		const places = nodes.map(({ id }) => siblings.findIndex((one) => one.id === id)).sort((a, b) => a - b);
		const edge = by > 0 ? places.at(-1)! : places[0]!;
		if (places.includes(-1)) {
			this.workspace.notice = {
				kind: 'failed',
				text: 'The selection is in several groups. Only items of one group can be moved together.'
			};
			return;
		}
		if (edge + by < 0 || edge + by >= siblings.length) return;
		// the first to move is the one that the others follow
		const inTurn = by > 0 ? places.toReversed() : places;
		await this.#together(
			`Toolbars: ${counted(nodes.length, 'item')} moved`,
			inTurn.map((at) => [siblings[at]!.id, home ?? null, at + by] as const)
		);
	}

	/** Several moves as one edit, each from what the one before it has left. */
	async #together(label: string, moves: readonly (readonly [ItemId, ItemId | null, number])[]): Promise<void> {
		await this.#commit(label, () => {
			const [profile, target] = this.#pen;
			let now = profile;
			return moves.flatMap(([id, parent, at]) => {
				const changes = moveItem(now, target, id, parent, at);
				now = applyEdit(now, changes);
				return changes;
			});
		});
	}

	/** Puts all that are selected, places alone, to one spot in the order in which they stand. */
	async moveSelected(to: ItemId, position: number): Promise<void> {
		const nodes = this.spots.flatMap(({ id, kind }) => (kind === 'place' && this.selected.includes(id) ? [id] : []));
		const { parent, at } = this.#homeIn(to, position);
		const before = (this.tree.byId.get(parent)?.children ?? []).slice(0, at).filter(({ id }) => nodes.includes(id)).length;
		await this.#together(
			`Toolbars: ${counted(nodes.length, 'item')} moved`,
			nodes.map((id, i) => [id, parent, at - before + i] as const)
		);
	}

	/** Where a place goes that is let go over a tab: to the end of its last group. */
	#homeIn(parent: ItemId, at: number): { parent: ItemId; at: number } {
		const node = this.tree.byId.get(parent);
		const group = node?.item.kind === 'tab' ? node.children.at(-1) : undefined;
		return group ? { parent: group.id, at: group.children.length } : { parent, at };
	}

	async moveTo(id: ItemId, to: ItemId | null, position: number): Promise<void> {
		const node = this.tree.byId.get(id);
		if (!node) return;
		const { parent, at } = to !== null && node.item.kind === 'place' ? this.#homeIn(to, position) : { parent: to, at: position };
		const into = parent ? this.tree.byId.get(parent) : undefined;
		const label = `Toolbars: ${this.nameOf(node)} moved${into && parent !== node.parent ? ` to ${this.nameOf(into)}` : ''}`;
		if (await this.#commit(label, () => moveItem(...this.#pen, id, parent, at))) this.select(id);
	}

	/** Takes away what is selected; the selection goes to what stands beside it. */
	async remove(): Promise<void> {
		const gone = this.selected.filter((id) => this.tree.byId.has(id));
		const node = this.current;
		if (gone.length === 0 || !node) return;
		const siblings = node.parent === null ? this.tree.bars : (this.tree.byId.get(node.parent)?.children ?? []);
		const at = siblings.findIndex(({ id }) => id === node.id);
		const next = siblings[at + 1] ?? siblings[at - 1];
		const label = gone.length === 1 ? `Toolbars: remove ${this.nameOf(node)}` : `Toolbars: remove ${gone.length} items`;
		if (await this.#commit(label, () => takeOut(...this.#pen, gone)))
			this.selected = [next?.id ?? node.parent].filter((id): id is ItemId => id !== null && this.tree.byId.has(id));
	}

	/** Says something else of all that are selected and of its kind. */
	async change<K extends Item['kind']>(kind: K, label: string, to: (item: ItemOf<K>) => ItemOf<K>): Promise<void> {
		await this.#commit(`Toolbars: ${label}`, () =>
			this.selected.flatMap((id) => {
				const item = this.tree.byId.get(id)?.item;
				return item?.kind === kind ? changeItem(...this.#pen, id, to(item as ItemOf<K>)) : [];
			})
		);
	}

	/** The window in the other style, as it would be. */
	otherStyle = $derived.by(() => {
		const [profile, target] = this.#pen;
		const style: BarStyle = this.style === 'ribbon' ? 'toolbars' : 'ribbon';
		const after = applyEdit(profile, inStyle(profile, target, style));
		return { style, layout: this.layoutOf(barTree(after), this.screenAt) };
	});

	async takeStyle(style: BarStyle): Promise<void> {
		await this.#commit(`Toolbars: switch to ${style === 'ribbon' ? 'a ribbon' : 'toolbars'}`, () => inStyle(...this.#pen, style));
	}

	async lock(isLocked: boolean): Promise<void> {
		const node = this.current;
		if (node)
			await this.#commit(`Toolbars: ${isLocked ? 'lock' : 'unlock'} ${this.nameOf(node)}`, () =>
				lockItem(this.workspace.target, node.id, isLocked)
			);
	}

	/** Keeps bars where they stand, for the strata above, or lets them be moved again. */
	async lockPositions(all: readonly BarNode[], isLocked: boolean): Promise<void> {
		const bars = all.filter(({ keptBy }) => (isLocked ? !keptBy : keptBy?.id === this.workspace.targetId));
		const [first] = bars;
		const what = bars.length === 1 && first ? this.nameOf(first) : `${bars.length} toolbars`;
		await this.#commit(`Toolbars: ${isLocked ? 'lock' : 'unlock'} the position of ${what}`, () =>
			bars.flatMap(({ id }) => lockPosition(this.workspace.target, id, isLocked))
		);
	}

	/** What somebody wants as below, though nothing is below: whether it may go is asked first. */
	asking = $state.raw<{ readonly ids: readonly ItemId[]; readonly what: string } | undefined>(undefined);

	/** Lets what is below the stratum count again. Where that takes away what only this stratum has, it is asked first. */
	async reset(ids: readonly ItemId[], what: string, isSure = false): Promise<void> {
		const nodes = this.selected.flatMap((id) => this.tree.byId.get(id) ?? []);
		const isOnlyHere = nodes.some(({ id, over, stratum }) => ids.includes(id) && !over && stratum.id === this.workspace.targetId);
		if (isOnlyHere && !isSure) {
			this.asking = { ids, what };
			return;
		}
		await this.#commit(`Toolbars: reset ${what} in ${this.workspace.target.name}`, () => resetItems(this.workspace.target, ids));
	}

	/** Whether any toolbar, quick bar or small place of a ribbon shows its name. */
	hasLabels = $derived.by((): boolean => this.#labelled().length > 0);

	/** What shows a name beside its icon and could do without: bars, and small places in groups. */
	#labelled(): BarNode[] {
		return [...this.tree.byId.values()].filter((node) => {
			const { item } = node;
			if (item.kind === 'bar') return (item.form === 'toolbar' || item.form === 'quick') && item.text !== 'none';
			const home = node.parent ? this.tree.byId.get(node.parent)?.item : undefined;
			return (
				isPlace(node) &&
				home?.kind === 'group' &&
				node.item.size === 'small' &&
				node.item.shows === 'both' &&
				node.item.command !== undefined
			);
		});
	}

	/** Takes the names of all bars and small places away, or gives them to all again, as one edit. */
	async setLabels(isOn: boolean): Promise<void> {
		const nodes = isOn
			? [...this.tree.byId.values()].filter(
					({ item }) =>
						(item.kind === 'bar' && (item.form === 'toolbar' || item.form === 'quick') && item.text === 'none') ||
						(item.kind === 'place' && item.size === 'small' && item.shows === 'icon' && item.command !== undefined)
				)
			: this.#labelled();
		await this.#commit(`Toolbars: labels ${isOn ? 'on' : 'off'}`, () =>
			nodes.flatMap(({ id, item }) => {
				if (item.kind === 'bar') return changeItem(...this.#pen, id, { ...item, text: isOn ? 'beside' : 'none' });
				return item.kind === 'place' ? changeItem(...this.#pen, id, { ...item, shows: isOn ? 'both' : 'icon' }) : [];
			})
		);
	}

	/** Keeps the groups of the tab in front in the forms that cost least. */
	async takeFit(): Promise<void> {
		const { fit } = this;
		if (!fit) return;
		await this.#commit(`Toolbars: fit ${fit.tab.name} to ${this.screen.name}`, () =>
			fit.changes.flatMap(({ group, form }) => {
				const item = this.tree.byId.get(group.id as ItemId)?.item;
				if (item?.kind !== 'group') throw new RangeError(MISSING);
				return changeItem(...this.#pen, group.id as ItemId, { ...item, form });
			})
		);
	}
}
