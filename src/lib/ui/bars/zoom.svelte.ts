import type { BarDesk } from '$lib/state/bar-desk.svelte';

/** The least scale at which the names of a window drawn to fit can be read: 12 px become 10. */
const READABLE = 0.83;
const STEPS = [0.25, 0.33, 0.5, 0.67, 0.83, 1, 1.25, 1.5, 2] as const;

interface Size {
	readonly width: number;
	readonly height: number;
}

/** How large the window of the program is drawn: to fit, or at a scale. At first to fit, unless its names would be too small. */
export class WindowZoom {
	readonly #desk: BarDesk;
	/** The room for the window, in px of the page. */
	room = $state<Size>({ width: 900, height: 560 });
	#wanted = $state<'fit' | number | undefined>(undefined);

	constructor(desk: BarDesk) {
		this.#desk = desk;
	}

	/** All that is drawn, in px of the window: the window, and the other monitors that toolbars float on. */
	whole = $derived.by((): Size => {
		const { layout, monitors } = this.#desk;
		return {
			width: Math.max(layout.width, ...monitors.map(({ rect }) => rect.x + rect.width)),
			height: Math.max(layout.height, ...monitors.map(({ rect }) => rect.height))
		};
	});
	fit = $derived.by(() => Math.min(1, this.room.width / this.whole.width, this.room.height / this.whole.height));
	scale = $derived.by(() => {
		if (this.#wanted === 'fit') return this.fit;
		return this.#wanted ?? (this.fit >= READABLE ? this.fit : 1);
	});
	/** Whether a part of the window is out of sight. */
	isCut = $derived.by(
		() => this.whole.width * this.scale > this.room.width + 1 || this.whole.height * this.scale > this.room.height + 1
	);

	to(wanted: 'fit' | number): void {
		this.#wanted = wanted;
	}

	/** One step larger or smaller. */
	step(by: 1 | -1): void {
		const next = by === 1 ? STEPS.find((one) => one > this.scale + 0.01) : STEPS.findLast((one) => one < this.scale - 0.01);
		if (next !== undefined) this.#wanted = next;
	}
}
