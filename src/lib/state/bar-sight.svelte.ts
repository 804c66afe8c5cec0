import type { ItemId } from '$core/chapters/bars/bar';
import { barsIn } from '$core/chapters/bars/bar';
import { givesWayIn, isPlace, labelOfPlace } from '$core/chapters/bars/boxes';
import { openedFor, type Opened } from '$core/chapters/bars/opened';
import { barDifferences, type BarDifference } from '$core/chapters/bars/changes';
import { barTree, nodesFrom, type BarNode, type BarTree } from '$core/chapters/bars/tree';
import { isDrawnAsTab, styleOf } from '$core/chapters/bars/style';
import { layoutIn, settingOn } from '$core/chapters/bars/setting';
import { timeTo } from '$core/chapters/bars/ways';
import { asReleased } from '$core/profile/circumstances';
import { published } from '$core/strata/stratum';
import { bestForms } from '$core/surface/fit';
import type { GroupBox, GroupForm, Rect } from '$core/surface/parts';
import { layTab, tabLayout } from '$core/surface/ribbon';
import { secondsIn } from '$core/surface/use-time';
import { roomOn, type PlacedToolbar, type Screen, type WindowLayout } from '$core/surface/window';
import { officeScreens } from '$core/keyboard/office-screens';
import { total, type TimeTerm } from '$core/time/pointing';
import type { Workspace } from './workspace.svelte';

/** Between two monitors, in px of the window. */
const GAP = 40;

/** Something of the window that can be selected, with where it is drawn. */
export interface Spot {
	readonly id: ItemId;
	readonly kind: 'bar' | 'tab' | 'group' | 'place';
	readonly rect: Rect;
}

/** The window while its bars are shaped: what it looks like on a screen, what is selected in it, and what it costs. */
export class BarSight {
	protected readonly workspace: Workspace;
	screenAt = $state(0);
	/** The tabs that were brought to the front. */
	#front = $state.raw<ReadonlySet<string>>(new Set());
	selected = $state.raw<readonly ItemId[]>([]);
	/** The factory's bars are shown as they are, to be looked at only. */
	isUntouched = $state(false);
	/** What was done last, for those who do not see it. */
	told = $state('');

	constructor(workspace: Workspace) {
		this.workspace = workspace;
	}

	screens = $derived.by(() => officeScreens(this.workspace.office.desks));

	get screen() {
		return this.screens[this.screenAt] ?? this.screens[0]!;
	}

	#shown = $derived.by(() => {
		const { profile } = this.workspace;
		return this.isUntouched ? profile.filter((s) => s.kind === 'factory') : profile;
	});
	tree = $derived.by(() => barTree(this.#shown));
	layout = $derived.by(() => this.layoutOn(this.screenAt));
	/** The layout with the factory's bars alone, on the same screen. */
	factory = $derived.by(() => this.layoutOf(this.#bases.factory!, this.screenAt));

	/** What the bars are held against, to see what differs. */
	against = $state<'nothing' | 'factory' | 'office' | 'release'>('nothing');

	#bases = $derived.by((): Readonly<Record<'factory' | 'office' | 'release', BarTree | undefined>> => {
		const { profile, released } = this.workspace;
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

	/** How much of the window is left for the drawing on a screen: now, as the factory has it, and as the last release had it. */
	sharesOn(screen: number): { readonly factory: number; readonly release: number | undefined } {
		const { factory, release } = this.#bases;
		return {
			factory: this.layoutOf(factory!, screen).share,
			release: release && this.layoutOf(release, screen).share
		};
	}

	get #givesWay() {
		return givesWayIn(this.workspace.document.application.rules);
	}

	layoutOn(screen: number): WindowLayout {
		return this.layoutOf(this.tree, screen);
	}

	protected layoutOf(tree: typeof this.tree, screen: number): WindowLayout {
		return layoutIn(this.#settingOn(tree, this.screens[screen] ?? this.screen), this.#front);
	}

	#settingOn(tree: BarTree, screen: Screen) {
		const { catalogue, space, situation, document } = this.workspace;
		return settingOn({ catalogue, space, rules: document.application.rules }, tree, situation, screen);
	}

	/** The other monitors that bars float on, beside the window, in px of it. A desk of which no more is known has another one alike. */
	monitors = $derived.by((): readonly { readonly number: number; readonly rect: Rect }[] => {
		const { width, height, toolbars } = this.layout;
		const used = toolbars.flatMap(({ bar: { dock } }) => (dock.edge === 'floating' && dock.monitor > 1 ? [dock.monitor] : []));
		let x = width + GAP;
		return [...new Set(used)]
			.sort((a, b) => a - b)
			.map((number) => {
				const other = this.screen.others?.[number - 2];
				const size = other ? roomOn(other) : { width, height };
				const rect = { x, y: 0, ...size };
				x += size.width + GAP;
				return { number, rect };
			});
	});

	/** A bar with where it is drawn: one of another monitor stands on that. */
	onDesk(placed: PlacedToolbar): PlacedToolbar {
		const { dock } = placed.bar;
		const monitor = dock.edge === 'floating' ? this.monitors.find(({ number }) => number === dock.monitor) : undefined;
		if (!monitor) return placed;
		const by = (rect: Rect): Rect => ({ ...rect, x: rect.x + monitor.rect.x, y: rect.y + monitor.rect.y });
		return { ...placed, rect: by(placed.rect), places: placed.places.map((one) => ({ ...one, rect: by(one.rect) })) };
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
			...toolbars.flatMap((placed) => {
				const { bar, rect, places } = this.onDesk(placed);
				return [spot('bar', bar.id, rect), ...places.map(({ place, rect: own }) => spot('place', place.id, own))];
			})
		];
	});

	/** Whether locks can be said of the stratum that is written to. */
	get mayLock(): boolean {
		return this.workspace.role === 'steward';
	}

	/** Whether the program has modes to switch among. */
	get hasModes(): boolean {
		return this.workspace.space.axes.some(({ modes }) => modes);
	}

	/** What is kept open while something is carried to it. */
	keptOpen = $state<ItemId | undefined>(undefined);
	/** What stands open over the window, so that what is selected shows. */
	opened = $derived.by((): Opened | undefined => {
		const id = this.keptOpen ?? this.selected.at(-1);
		return id === undefined ? undefined : openedFor(this.tree, this.layout, this.workspace.catalogue, id);
	});

	/** What is selected, the last one named. */
	current = $derived.by((): BarNode | undefined => {
		const id = this.selected.at(-1);
		return id === undefined ? undefined : this.tree.byId.get(id);
	});

	nameOf({ item }: Pick<BarNode, 'item'>): string {
		if (item.kind !== 'place') return item.name;
		return labelOfPlace(item, this.workspace.catalogue) || 'separator';
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
		const tab = this.tabOf(this.tree.byId.get(id));
		if (tab) this.bringToFront(tab.id);
		this.select(id);
	}

	/** Whether it stands at an edge or floats: a toolbar or quick bar, or a tab that is drawn as one. */
	canDock({ id, item }: BarNode): boolean {
		if (item.kind === 'bar') return (item.form === 'toolbar' && item.as !== 'tab') || item.form === 'quick';
		return item.kind === 'tab' && this.layout.toolbars.some(({ bar }) => bar.id === id);
	}

	/** Opens a flyout, menu, drawer or folded group while something is carried over it. */
	open(id: ItemId) {
		if (openedFor(this.tree, this.layout, this.workspace.catalogue, id)?.home.id === id) this.keptOpen = id;
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

	protected tabOf(node: BarNode | undefined): BarNode | undefined {
		for (let at = node; at; at = at.parent ? this.tree.byId.get(at.parent) : undefined) if (isDrawnAsTab(at)) return at;
		return undefined;
	}

	style = $derived.by(() => styleOf(this.tree));

	/** What the stratum that is written to says of what is selected and all below it. */
	ownBelow = $derived.by((): readonly ItemId[] => {
		const own = barsIn(this.workspace.target);
		const ids = new Set<ItemId>();
		for (const id of this.selected) {
			const node = this.tree.byId.get(id);
			if (node) for (const below of nodesFrom(node)) ids.add(below.id);
		}
		return [...own.values()].filter(({ op, id }) => op !== 'lock' && ids.has(id)).map(({ id }) => id);
	});
	/** All that the stratum says of bars. */
	ownAll = $derived.by((): readonly ItemId[] =>
		[...barsIn(this.workspace.target).values()].filter(({ op }) => op !== 'lock').map(({ id }) => id)
	);

	/** How long it takes to get to what is selected, in its terms; undefined for what is no command's place, or does not show. */
	time = $derived.by((): { seconds: number; terms: readonly TimeTerm[] } | undefined => {
		const node = this.current;
		if (!node || !isPlace(node) || node.item.command === undefined) return undefined;
		const terms = timeTo(this.#settingOn(this.tree, this.screen), node.id);
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
		const { catalogue } = this.workspace;
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
}
