import type { CommandId } from '$core/application/command';
import type { Rect } from '$core/surface/parts';
import type { Dock, ItemId } from '$core/chapters/bars/bar';
import { isPlace, partOf } from '$core/chapters/bars/boxes';
import type { BarNode } from '$core/chapters/bars/tree';
import type { BarDesk } from './bar-desk.svelte';

/** How long something is held over what opens until it does, in milliseconds. */
const PATIENCE = 450;

const ITEM = 'application/x-skarn-item';
export const COMMAND = 'application/x-skarn-command';

/** How near to an edge of the drawing a bar docks there, in px of the window. */
const NEAR = 70;

/** The edge that a point is nearest to, if it is near one. */
function edgeAt({ x, y, width, height }: Rect, px: number, py: number): Dock['edge'] {
	const far = [
		['top', py - y],
		['left', px - x],
		['right', x + width - px],
		['bottom', y + height - py]
	] as const;
	const [edge, distance] = far.reduce((best, one) => (one[1] < best[1] ? one : best));
	return distance < NEAR ? edge : 'floating';
}

/** The end of what is in a bar or group, or before the separator that ends a part of it. */
function endOfPart({ children }: BarNode, part: number, isPart: boolean): number {
	if (!isPart) return children.length;
	const ends = children.flatMap((child, i) =>
		isPlace(child) && child.item.command === undefined && child.item.flyout === undefined ? [i] : []
	);
	return ends[part] ?? children.length;
}

/** Where something would lie: before or behind a place, along the line on which the places stand, or in what holds places. */
export interface Mark {
	readonly id: ItemId;
	readonly side: 'before' | 'behind' | 'into';
	/** Whether the places stand beside or below each other. */
	readonly along: 'x' | 'y';
}

/** What is carried by mouse over the window while its bars are shaped, and what becomes of it where it is let go. */
export class BarDrag {
	readonly #desk: BarDesk;
	/** Where it would lie if it were let go now. */
	mark = $state.raw<Mark | undefined>(undefined);
	/** Where the bar that is carried would stand if it were let go over the drawing. */
	dock = $state<Dock['edge'] | undefined>(undefined);
	#bar: ItemId | undefined;
	#timer: ReturnType<typeof setTimeout> | undefined;

	constructor(desk: BarDesk) {
		this.#desk = desk;
	}

	start(event: DragEvent, item: ItemId): void {
		event.stopPropagation();
		event.dataTransfer?.setData(ITEM, item);
		const desk = this.#desk;
		desk.keptOpen = desk.opened?.home.id;
		const node = desk.tree.byId.get(item);
		if (!desk.selected.includes(item)) desk.select(item);
		this.#bar = node && desk.canDock(node) ? node.id : undefined;
		if (this.#bar)
			desk.told = `${desk.nameOf(node!)} is being moved. Drop it near an edge of the drawing to dock it, or in the middle to float it.`;
		else if (node)
			desk.told = `${desk.nameOf(node)} is being moved. Drop it on a button to put it before or after that, or outside to remove it. Escape cancels.`;
	}

	/** It is over something; `isInside` for the room in which what opens shows its places. */
	carry(event: DragEvent, over: ItemId, isInside = false): void {
		event.preventDefault();
		event.stopPropagation();
		const isNew = this.mark?.id !== over;
		this.mark = this.#markAt(event, over, isInside);
		if (!isNew) return;
		clearTimeout(this.#timer);
		this.#timer = setTimeout(() => this.mark?.id === over && this.#desk.open(over), PATIENCE);
	}

	/** Of a place the half that the pointer is in. */
	#markAt({ currentTarget, clientX, clientY }: DragEvent, id: ItemId, isInside: boolean): Mark {
		const node = this.#desk.tree.byId.get(partOf(id).id as ItemId);
		if (!node || isInside || !isPlace(node)) return { id, side: 'into', along: 'x' };
		const along = this.#alongOf(node);
		if (!currentTarget) return { id, side: 'before', along };
		const { x, y, width, height } = (currentTarget as Element).getBoundingClientRect();
		const isBehind = along === 'x' ? clientX > x + width / 2 : clientY > y + height / 2;
		return { id, side: isBehind ? 'behind' : 'before', along };
	}

	/** How a place and the one next to it stand. */
	#alongOf({ id, parent }: BarNode): 'x' | 'y' {
		const siblings = parent ? (this.#desk.tree.byId.get(parent)?.children ?? []) : [];
		const at = siblings.findIndex((one) => one.id === id);
		const here = this.#desk.rectOf(id);
		const next = [siblings[at + 1], siblings[at - 1]].flatMap((one) => (one && this.#desk.rectOf(one.id)) ?? [])[0];
		return here && next && Math.abs(next.y - here.y) > Math.abs(next.x - here.x) ? 'y' : 'x';
	}

	/** A bar is carried over the drawing: near an edge it docks there, elsewhere it floats. Coordinates are those of the window. */
	carryOver(event: DragEvent, x: number, y: number): void {
		if (!this.#bar) return;
		event.preventDefault();
		event.stopPropagation();
		this.dock = edgeAt(this.#desk.layout.canvas, x, y);
	}

	/** It is let go over the drawing. */
	dropOver(event: DragEvent, x: number, y: number): void {
		const bar = this.#bar;
		if (!bar) return;
		event.preventDefault();
		event.stopPropagation();
		this.end();
		void this.#desk.dock(bar, edgeAt(this.#desk.layout.canvas, x, y), Math.round(x), Math.round(y));
	}

	/** It was let go, wherever. */
	end(): void {
		this.#bar = undefined;
		this.dock = undefined;
		this.mark = undefined;
		clearTimeout(this.#timer);
		this.#desk.keptOpen = undefined;
	}

	leave(): void {
		this.mark = undefined;
	}

	/** It is let go where the mark is: before or behind a place, or at the end of what holds places. */
	drop(event: DragEvent, target: ItemId, isInside = false): void {
		event.preventDefault();
		event.stopPropagation();
		const { side } = this.#markAt(event, target, isInside);
		this.end();
		const { tree } = this.#desk;
		const { id, part } = partOf(target);
		const node = tree.byId.get(id as ItemId);
		if (!node) return;
		const siblings = side !== 'into' && node.parent ? tree.byId.get(node.parent)?.children : undefined;
		const parent = siblings ? node.parent! : node.id;
		const at = siblings
			? siblings.findIndex(({ id }) => id === node.id) + (side === 'behind' ? 1 : 0)
			: endOfPart(node, part, id !== target);
		const item = event.dataTransfer?.getData(ITEM) as ItemId | '';
		const command = event.dataTransfer?.getData(COMMAND) as CommandId | '';
		if (item && this.#desk.selected.length > 1 && this.#desk.selected.includes(item)) void this.#desk.moveSelected(parent, at);
		else if (item) void this.#desk.moveTo(item, parent, at - (this.#isBefore(item, parent, at) ? 1 : 0));
		else if (command) void this.#desk.addAt({ command }, parent, at);
	}

	/** Whether what moves leaves a gap before where it goes. */
	#isBefore(item: ItemId, parent: ItemId, at: number): boolean {
		const from = this.#desk.tree.byId.get(parent)?.children.findIndex(({ id }) => id === item) ?? -1;
		return from >= 0 && from < at;
	}

	/** Outside of everything that holds places. */
	away(event: DragEvent): void {
		event.preventDefault();
		this.end();
		const item = event.dataTransfer?.getData(ITEM) as ItemId | '';
		if (!item) return;
		if (!this.#desk.selected.includes(item)) this.#desk.selected = [item];
		void this.#desk.remove();
	}
}
