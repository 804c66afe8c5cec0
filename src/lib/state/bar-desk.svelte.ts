import type { CommandId } from '$core/application/command';
import type { BarForm, Dock, Item, ItemId, ItemOf } from '$core/chapters/bars/bar';
import { barsIn } from '$core/chapters/bars/bar';
import { boxesIn, givesWayIn, isPlace, labelOfPlace } from '$core/chapters/bars/boxes';
import { openedFor, type Opened } from '$core/chapters/bars/opened';
import { barDifferences, takeBack, type BarDifference } from '$core/chapters/bars/changes';
import { barTree, nodesFrom, type BarNode, type BarTree } from '$core/chapters/bars/tree';
import { inStyle, isDrawnAsTab, styleOf, type BarStyle } from '$core/chapters/bars/style';
import { timeTo } from '$core/chapters/bars/ways';
import { changeItem, insertItem, lockItem, moveItem, resetItems, takeOut } from '$core/chapters/bars/writing';
import { asReleased } from '$core/profile/circumstances';
import { published } from '$core/strata/stratum';
import { applyEdit, type AnyChange } from '$core/profile/edit';
import { bestForms } from '$core/surface/fit';
import type { GroupBox, GroupForm, Rect } from '$core/surface/parts';
import { layTab, tabLayout } from '$core/surface/ribbon';
import { FRAME } from '$core/surface/screens';
import { secondsIn } from '$core/surface/use-time';
import { roomOn, windowLayout, type WindowLayout } from '$core/surface/window';
import { officeScreens } from '$core/keyboard/office-screens';
import { total, type TimeTerm } from '$core/time/pointing';
import type { Workspace } from './workspace.svelte';

/** Something of the window that can be selected, with where it is drawn. */
export interface Spot {
	readonly id: ItemId;
	readonly kind: 'bar' | 'tab' | 'group' | 'place';
	readonly rect: Rect;
}

const MISSING = 'It is not there any more.';

/** The window while its bars are shaped: what it looks like on a screen, what is selected, and what can be done with it. */
export class BarDesk {
	readonly #workspace: Workspace;
	screenAt = $state(0);
	/** The tabs that were brought to the front. */
	#front = $state.raw<ReadonlySet<string>>(new Set());
	selected = $state.raw<readonly ItemId[]>([]);
	/** The factory's bars are shown as they are, to be looked at only. */
	isUntouched = $state(false);
	/** What was done last, for those who do not see it. */
	told = $state('');

	constructor(workspace: Workspace) {
		this.#workspace = workspace;
	}

	screens = $derived.by(() => officeScreens(this.#workspace.office.desks));

	get screen() {
		return this.screens[this.screenAt] ?? this.screens[0]!;
	}

	#shown = $derived.by(() => {
		const { profile } = this.#workspace;
		return this.isUntouched ? profile.filter((s) => s.kind === 'factory') : profile;
	});
	tree = $derived.by(() => barTree(this.#shown));
	layout = $derived.by(() => this.layoutOn(this.screenAt));
	/** The layout with the factory's bars alone, on the same screen. */
	factory = $derived.by(() => this.#layoutOf(this.#bases.factory!, this.screenAt));

	/** What the bars are held against, to see what differs. */
	against = $state<'nothing' | 'factory' | 'office' | 'release'>('nothing');

	#bases = $derived.by((): Readonly<Record<'factory' | 'office' | 'release', BarTree | undefined>> => {
		const { profile, released } = this.#workspace;
		const upTo = (last: number) => barTree(profile.slice(0, last + 1));
		return {
			factory: upTo(profile.findLastIndex((s) => s.kind === 'factory')),
			office: upTo(profile.findLastIndex((s) => s.kind === 'office')),
			release: released ? barTree(asReleased(published(profile), released)) : undefined
		};
	});

	/** With what the bars can be compared. */
	comparable = $derived.by(() => (['factory', 'office', 'release'] as const).filter((base) => this.#bases[base] !== undefined));

	differences = $derived.by((): readonly BarDifference[] => {
		const base = this.against === 'nothing' ? undefined : this.#bases[this.against];
		return base ? barDifferences(this.tree, base) : [];
	});

	async takeBack(difference: BarDifference): Promise<void> {
		const node = difference.is ?? difference.was!;
		await this.#commit(`Bars: take back what was done to ${this.nameOf(node)}`, () => takeBack(...this.#pen, difference));
	}

	/** How much of the window is left for the drawing on a screen: now, as the factory has it, and as the last release had it. */
	sharesOn(screen: number): { readonly factory: number; readonly release: number | undefined } {
		const { factory, release } = this.#bases;
		return {
			factory: this.#layoutOf(factory!, screen).share,
			release: release && this.#layoutOf(release, screen).share
		};
	}

	get #givesWay() {
		return givesWayIn(this.#workspace.document.application.rules);
	}

	layoutOn(screen: number): WindowLayout {
		return this.#layoutOf(this.tree, screen);
	}

	#layoutOf(tree: typeof this.tree, screen: number): WindowLayout {
		const { catalogue, space, situation } = this.#workspace;
		const boxes = boxesIn(tree, catalogue, space, situation, this.#front);
		return windowLayout(boxes, roomOn(this.screens[screen] ?? this.screen), { ...FRAME, givesWay: this.#givesWay });
	}

	/** All that can be selected, as it is drawn. */
	spots = $derived.by((): readonly Spot[] => {
		const { ribbons, toolbars, titles } = this.layout;
		const spot = (kind: Spot['kind'], id: string, rect: Rect): Spot => ({ id: id as ItemId, kind, rect });
		return [
			...titles.map(({ id, rect }) => spot('place', id, rect)),
			...ribbons.flatMap(({ tabs, strip }) => [
				...tabs.filter((tab) => !tab.isOff).map(({ tab, rect }) => spot('tab', tab.id, rect)),
				...(strip?.groups ?? []).map(({ group, rect }) => spot('group', group.id, rect)),
				...(strip?.places ?? []).map(({ id, rect }) => spot('place', id, rect))
			]),
			...toolbars
				.filter((bar) => !bar.isElsewhere)
				.flatMap(({ bar, rect, places }) => [
					spot('bar', bar.id, rect),
					...places.map(({ place, rect: own }) => spot('place', place.id, own))
				])
		];
	});

	/** What is kept open while something is carried to it. */
	keptOpen = $state<ItemId | undefined>(undefined);
	/** What stands open over the window, so that what is selected shows. */
	opened = $derived.by((): Opened | undefined => {
		const id = this.keptOpen ?? this.selected.at(-1);
		return id === undefined ? undefined : openedFor(this.tree, this.layout, this.#workspace.catalogue, id);
	});

	/** What is selected, the last one named. */
	current = $derived.by((): BarNode | undefined => {
		const id = this.selected.at(-1);
		return id === undefined ? undefined : this.tree.byId.get(id);
	});

	nameOf({ item }: Pick<BarNode, 'item'>): string {
		if (item.kind !== 'place') return item.name;
		return labelOfPlace(item, this.#workspace.catalogue) || 'separator';
	}

	select(id: ItemId, isMore = false) {
		const node = this.tree.byId.get(id);
		if (!node) return;
		if (isDrawnAsTab(node)) this.bringToFront(id);
		if (!isMore) this.selected = [id];
		else this.selected = this.selected.includes(id) ? this.selected.filter((one) => one !== id) : [...this.selected, id];
		this.told = `${node.item.kind} ${this.nameOf(node)}`;
	}

	/** Selects something wherever it stands, its tab in front. */
	show(id: ItemId) {
		const tab = this.#tabOf(this.tree.byId.get(id));
		if (tab) this.bringToFront(tab.id);
		this.select(id);
	}

	/** Whether it stands at an edge or floats: a toolbar or quick bar, or a tab that is drawn as one. */
	canDock({ id, item }: BarNode): boolean {
		if (item.kind === 'bar') return (item.form === 'toolbar' && item.as !== 'tab') || item.form === 'quick';
		return item.kind === 'tab' && this.layout.toolbars.some(({ bar }) => bar.id === id);
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
		const dock: Dock =
			edge === 'floating'
				? { edge, monitor: 1, x, y, columns }
				: { edge, row: Math.min(20, Math.max(0, ...rows.map((row) => row + 1))) };
		const label = `Bars: ${this.nameOf(node)} ${edge === 'floating' ? 'torn off' : `at ${edge}`}`;
		const isDone = await this.#commit(label, () => {
			if (item.kind === 'bar') return changeItem(...this.#pen, id, { ...item, dock });
			return item.kind === 'tab' ? changeItem(...this.#pen, id, { ...item, dock }) : [];
		});
		if (isDone) this.select(id);
	}

	/** Opens a flyout, menu, drawer or folded group while something is carried over it. */
	open(id: ItemId) {
		if (openedFor(this.tree, this.layout, this.#workspace.catalogue, id)?.home.id === id) this.keptOpen = id;
	}

	bringToFront(tab: ItemId) {
		const bar = this.tree.byId.get(tab)?.parent;
		const siblings = bar ? (this.tree.byId.get(bar)?.children ?? []) : this.tree.bars.filter(isDrawnAsTab);
		const others = siblings.map((child) => child.id as string);
		this.#front = new Set([...this.#front].filter((id) => !others.includes(id)).concat(tab));
	}

	/** To the spot of the same kind that is nearest in a direction; from a place also to one of another bar. */
	go(dx: number, dy: number) {
		const within = this.opened?.places.map(({ place, rect }): Spot => ({ id: place.id as ItemId, kind: 'place', rect })) ?? [];
		// in what is open it stays there as long as something lies that way
		if (within.some(({ id }) => id === this.selected.at(-1)) && this.#go(within, dx, dy)) return;
		this.#go([...within, ...this.spots], dx, dy);
	}

	#go(spots: readonly Spot[], dx: number, dy: number): boolean {
		const from = spots.find(({ id }) => id === this.selected.at(-1)) ?? spots[0];
		if (!from) return false;
		if (this.selected.length === 0) {
			this.select(from.id);
			return true;
		}
		const centre = ({ x, y, width, height }: Rect) => [x + width / 2, y + height / 2] as const;
		const [x, y] = centre(from.rect);
		let best: { id: ItemId; far: number } | undefined;
		for (const { id, kind, rect } of spots) {
			if (id === from.id || (kind !== from.kind && (kind === 'group' || kind === 'bar'))) continue;
			const [a, b] = centre(rect);
			const along = (a - x) * dx + (b - y) * dy;
			if (along <= 1) continue;
			const far = along + 3 * Math.abs((a - x) * dy + (b - y) * dx);
			if (!best || far < best.far) best = { id, far };
		}
		if (best) this.select(best.id);
		return best !== undefined;
	}

	/** To what it stands in. */
	up() {
		const parent = this.current?.parent;
		if (parent) this.select(parent);
	}

	/** To the first thing that stands in it. */
	down() {
		const first = this.current?.children[0];
		if (first) this.select(first.id);
	}

	async #commit(label: string, make: () => readonly AnyChange[]): Promise<boolean> {
		if (this.isUntouched) {
			this.#workspace.notice = { kind: 'failed', text: 'The factory’s bars are shown to be looked at. Leave that first.' };
			return false;
		}
		let changes: readonly AnyChange[];
		try {
			changes = make();
		} catch (error) {
			if (!(error instanceof RangeError)) throw error;
			this.#workspace.notice = { kind: 'failed', text: `${label}: ${error.message}.` };
			return false;
		}
		const isDone = await this.#workspace.edits.commit(label, changes);
		if (isDone) this.told = label;
		return isDone;
	}

	get #pen() {
		const { profile, targetId } = this.#workspace;
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

	async add(what: { command: CommandId } | { flyout: string } | 'separator'): Promise<void> {
		const spot = this.#spotFor();
		if (!spot) {
			this.#workspace.notice = { kind: 'failed', text: 'There is no bar yet that could hold it. Make one first.' };
			return;
		}
		await this.addAt(what, spot.parent, spot.at);
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
		const name = what === 'separator' ? 'a separator' : labelOfPlace(place, this.#workspace.catalogue);
		await this.#insert(`Bars: ${name} into ${into ? this.nameOf(into) : 'the window'}`, place, parent, at);
	}

	async addBar(form: BarForm, name: string): Promise<void> {
		const rows = this.tree.bars.flatMap(({ item }) => (item.dock.edge === 'top' ? [item.dock.row] : []));
		const dock: Dock =
			form === 'cursor'
				? { edge: 'floating', monitor: 1, x: 0, y: 0, columns: 4 }
				: { edge: 'top', row: Math.min(20, Math.max(0, ...rows.map((row) => row + 1))) };
		const bar: Item = { kind: 'bar', form, name, scope: {}, dock, icon: 24, text: 'none', hidden: false };
		await this.#insert(`Bars: new ${form} ${name}`, bar, null, this.tree.bars.length);
	}

	/** A menu is a flyout of the line of menus, which is made where there is none. */
	async addMenu(name: string): Promise<void> {
		if (!this.tree.bars.some(({ item }) => item.form === 'menu')) await this.addBar('menu', 'Menus');
		const line = this.tree.bars.find(({ item }) => item.form === 'menu');
		if (line) await this.addAt({ flyout: name }, line.id, line.children.length);
	}

	async addTab(name: string): Promise<void> {
		const ribbon = this.tree.bars.find(({ item }) => item.form === 'ribbon');
		if (!ribbon) return void (this.#workspace.notice = { kind: 'failed', text: 'There is no ribbon that could hold a tab.' });
		await this.#insert(`Bars: new tab ${name}`, { kind: 'tab', name }, ribbon.id, ribbon.children.length);
	}

	async addGroup(name: string): Promise<void> {
		const tab = this.#tabOf(this.current)?.id ?? (this.layout.ribbons[0]?.front?.id as ItemId | undefined);
		if (!tab) return void (this.#workspace.notice = { kind: 'failed', text: 'There is no tab that could hold a group.' });
		await this.#insert(`Bars: new group ${name}`, { kind: 'group', name }, tab, this.tree.byId.get(tab)?.children.length ?? 0);
	}

	#tabOf(node: BarNode | undefined): BarNode | undefined {
		for (let at = node; at; at = at.parent ? this.tree.byId.get(at.parent) : undefined) if (isDrawnAsTab(at)) return at;
		return undefined;
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
			this.#workspace.notice = {
				kind: 'failed',
				text: 'What is selected stands in several things; only what stands in one is moved together.'
			};
			return;
		}
		if (edge + by < 0 || edge + by >= siblings.length) return;
		// the first to move is the one that the others follow
		const inTurn = by > 0 ? places.toReversed() : places;
		await this.#together(
			`Bars: ${nodes.length} places moved`,
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
			`Bars: ${nodes.length} places moved`,
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
		const label = `Bars: ${this.nameOf(node)} moved${into && parent !== node.parent ? ` to ${this.nameOf(into)}` : ''}`;
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
		const label = gone.length === 1 ? `Bars: take ${this.nameOf(node)} away` : `Bars: take ${gone.length} things away`;
		if (await this.#commit(label, () => takeOut(...this.#pen, gone)))
			this.selected = [next?.id ?? node.parent].filter((id): id is ItemId => id !== null && this.tree.byId.has(id));
	}

	/** Says something else of all that are selected and of its kind. */
	async change<K extends Item['kind']>(kind: K, label: string, to: (item: ItemOf<K>) => ItemOf<K>): Promise<void> {
		await this.#commit(`Bars: ${label}`, () =>
			this.selected.flatMap((id) => {
				const item = this.tree.byId.get(id)?.item;
				return item?.kind === kind ? changeItem(...this.#pen, id, to(item as ItemOf<K>)) : [];
			})
		);
	}

	style = $derived.by(() => styleOf(this.tree));

	/** The window in the other style, as it would be. */
	otherStyle = $derived.by(() => {
		const [profile, target] = this.#pen;
		const style: BarStyle = this.style === 'ribbon' ? 'toolbars' : 'ribbon';
		const after = applyEdit(profile, inStyle(profile, target, style));
		return { style, layout: this.#layoutOf(barTree(after), this.screenAt) };
	});

	async takeStyle(style: BarStyle): Promise<void> {
		await this.#commit(`Bars: as ${style === 'ribbon' ? 'a ribbon' : 'toolbars'}`, () => inStyle(...this.#pen, style));
	}

	async lock(isLocked: boolean): Promise<void> {
		const node = this.current;
		if (node)
			await this.#commit(`Bars: ${isLocked ? 'lock' : 'unlock'} ${this.nameOf(node)}`, () =>
				lockItem(this.#workspace.target, node.id, isLocked)
			);
	}

	/** What the stratum that is written to says of what is selected and all below it. */
	ownBelow = $derived.by((): readonly ItemId[] => {
		const own = barsIn(this.#workspace.target);
		const ids = new Set<ItemId>();
		for (const id of this.selected) {
			const node = this.tree.byId.get(id);
			if (node) for (const below of nodesFrom(node)) ids.add(below.id);
		}
		return [...own.values()].filter(({ op, id }) => op !== 'lock' && ids.has(id)).map(({ id }) => id);
	});
	/** All that the stratum says of bars. */
	ownAll = $derived.by((): readonly ItemId[] =>
		[...barsIn(this.#workspace.target).values()].filter(({ op }) => op !== 'lock').map(({ id }) => id)
	);

	/** Lets what is below the stratum count again. */
	async reset(ids: readonly ItemId[], what: string): Promise<void> {
		await this.#commit(`Bars: ${what} as below ${this.#workspace.target.name}`, () => resetItems(this.#workspace.target, ids));
	}

	/** How long it takes to get to what is selected, in its terms; undefined for what is no command's place, or does not show. */
	time = $derived.by((): { seconds: number; terms: readonly TimeTerm[] } | undefined => {
		const node = this.current;
		if (!node || !isPlace(node) || node.item.command === undefined) return undefined;
		const { catalogue, space, situation } = this.#workspace;
		const room = roomOn(this.screen);
		const terms = timeTo({ tree: this.tree, catalogue, space, situation, room, givesWay: this.#givesWay }, node.id);
		return terms && { seconds: total(terms), terms };
	});

	/** The tab in front with the forms that cost people least, beside those that the program gives; undefined without a ribbon. */
	fit = $derived.by(() => {
		const [ribbon] = this.layout.ribbons;
		// the parts of a toolbar that is drawn as a tab keep no form
		if (!ribbon?.front || this.tree.byId.get(ribbon.front.id as ItemId)?.item.kind !== 'tab') return undefined;
		const { groups } = ribbon.front;
		const { width } = this.layout;
		const distance = this.layout.canvas.height / 2 + 60;
		const { catalogue } = this.#workspace;
		const cost = (group: GroupBox, form: GroupForm): number => {
			let sum = 0;
			for (const [id, seconds] of secondsIn(group, form, distance)) {
				const node = this.tree.byId.get(id as ItemId);
				const use = node && isPlace(node) && node.item.command ? (catalogue.get(node.item.command)?.use ?? 0) : 0;
				// what nobody counts is used now and then
				sum += seconds * (use + 0.1);
			}
			return sum;
		};
		const best = bestForms(groups, width, cost);
		const now = tabLayout(groups, width, this.#givesWay);
		const byNow = now.groups.reduce((sum, { group, form }) => sum + cost(group, form), 0) + (now.off.length > 0 ? Infinity : 0);
		if (!best) return undefined;
		const laid = layTab(groups, best.forms, width);
		const changes = laid.groups.filter(({ group, form }) => now.groups.find((g) => g.group.id === group.id)?.form !== form);
		return { tab: ribbon.front, best, saves: byNow - best.cost, changes };
	});

	/** Keeps the groups of the tab in front in the forms that cost least. */
	async takeFit(): Promise<void> {
		const { fit } = this;
		if (!fit) return;
		await this.#commit(`Bars: fit ${fit.tab.name} to ${this.screen.name}`, () =>
			fit.changes.flatMap(({ group, form }) => {
				const item = this.tree.byId.get(group.id as ItemId)?.item;
				if (item?.kind !== 'group') throw new RangeError(MISSING);
				return changeItem(...this.#pen, group.id as ItemId, { ...item, form });
			})
		);
	}
}
