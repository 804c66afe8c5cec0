<script lang="ts">
	import { BOARDS } from '$core/keyboard/board';
	import type { DeskSetup } from '$core/keyboard/desk';
	import type { Face } from '$core/answer/key-face';
	import { planeOf } from '$core/answer/key-face';
	import type { Binding } from '$core/shortcut/effective';
	import type { Keys, Modifier } from '$core/stroke/stroke';
	import { heldModifiers } from './legend';
	import { lookOf, saidOf, type Show } from './look';
	import { forgetWidths, paint, themeOf, type Theme } from './paint';

	/**
	 * The drawn keyboard, true to geometry: one picture, with a button over each key. Holding real modifiers turns it to their
	 * plane, pressing a real key selects it, and a shortcut can be dragged from key to key. Tab leaves it.
	 */
	let {
		faces,
		desk,
		show,
		selected,
		dragged = $bindable(),
		onselect,
		onhold,
		ondropped
	}: {
		/** In the order of the board's keys. */
		faces: readonly Face[];
		desk: DeskSetup;
		show: Show;
		selected: string | undefined;
		/** What is being carried, so that two boards can hand it over. */
		dragged?: Binding | undefined;
		onselect: (code: string, modifiers: readonly Modifier[]) => void;
		onhold: (modifiers: readonly Modifier[]) => void;
		ondropped: (binding: Binding, to: Keys) => void;
	} = $props();
	const board = $derived(BOARDS[desk.board]);
	const at = $derived(Math.max(0, planeOf(show.modifiers)));
	const looks = $derived(faces.map((face) => lookOf(face, show)));
	let canvas: HTMLCanvasElement;
	let carried: HTMLCanvasElement;
	let drawn = 0;
	let width = $state(0);
	let theme = $state.raw<Theme | undefined>(undefined);
	/** Counts the fonts that have come. */
	let fonts = $state(0);
	let over = $state<string | undefined>(undefined);
	/** What is read out of the keys follows the picture a frame later, so that the picture itself is there within one. */
	let said = $state.raw<readonly string[]>([]);
	const percent = (part: number, whole: number) => `${((100 * part) / whole).toFixed(3)}%`;
	const planeOn = (k: number) => faces[k]?.planes[at];

	$effect(() => {
		const next = { faces, show };
		const frame = requestAnimationFrame(() => (said = next.faces.map((face) => saidOf(face, next.show))));
		return () => cancelAnimationFrame(frame);
	});

	$effect(() => {
		const look = () => (theme = themeOf(canvas));
		look();
		const watch = new MutationObserver(look);
		watch.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] });
		const arrived = () => {
			forgetWidths();
			fonts++;
		};
		document.fonts.addEventListener('loadingdone', arrived);
		return () => {
			watch.disconnect();
			document.fonts.removeEventListener('loadingdone', arrived);
		};
	});

	$effect(() => {
		if (!theme || width === 0) return;
		void fonts;
		const density = window.devicePixelRatio;
		const height = (width * board.height) / board.width;
		const [across, down] = [Math.round(width * density), Math.round(height * density)];
		// setting a size clears the picture and all that the pen knows
		if (canvas.width !== across) canvas.width = across;
		if (canvas.height !== down) canvas.height = down;
		const context = canvas.getContext('2d')!;
		paint({ context, width, height, density, scale: width / board.width }, looks, { selected, over }, theme);
		// so that it can be seen from outside that the picture is another
		canvas.dataset['drawn'] = String(++drawn);
	});

	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'Tab' && !event.ctrlKey && !event.altKey) return;
		const held = heldModifiers(event, desk.platform);
		event.preventDefault();
		event.stopPropagation();
		if (['Control', 'Shift', 'Alt', 'Meta', 'AltGraph'].includes(event.key)) onhold(held);
		else if (!event.repeat && board.keys.some((k) => k.code === event.code)) onselect(event.code, held);
	}

	function onkeyup(event: KeyboardEvent) {
		if (['Control', 'Shift', 'Alt', 'Meta'].includes(event.key)) onhold(heldModifiers(event, desk.platform));
	}

	function ondragstart(event: DragEvent, k: number) {
		const plane = planeOn(k);
		if (!plane?.binding) return event.preventDefault();
		dragged = plane.binding;
		event.dataTransfer?.setData('text/plain', plane.keys ?? '');
		event.dataTransfer?.setDragImage(pictureOf(k), 12, 12);
	}

	/** A key's part of the picture, for the pointer to carry. */
	function pictureOf(k: number): HTMLCanvasElement {
		const { key } = looks[k]!;
		const scale = canvas.width / board.width;
		carried.width = key.width * scale;
		carried.height = key.height * scale;
		carried.getContext('2d')!.drawImage(canvas, -key.x * scale, -key.y * scale);
		return carried;
	}

	function ondragover(event: DragEvent, k: number) {
		const plane = planeOn(k);
		if (!dragged || plane?.keys === undefined || plane.keys === dragged.keys) return;
		event.preventDefault();
		over = board.keys[k]!.code;
	}

	function ondrop(event: DragEvent, k: number) {
		event.preventDefault();
		const keys = planeOn(k)?.keys;
		if (dragged && keys !== undefined) ondropped(dragged, keys);
		letGo();
	}

	function letGo() {
		dragged = undefined;
		over = undefined;
	}
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
	class="board"
	role="application"
	aria-label="{board.name}. Press a key to select it, hold modifiers to see combinations; Tab leaves the keyboard."
	tabindex="0"
	style:aspect-ratio="{board.width} / {board.height}"
	bind:clientWidth={width}
	{onkeydown}
	{onkeyup}
>
	<canvas class="picture" bind:this={canvas} aria-hidden="true"></canvas>
	<canvas class="carried" bind:this={carried} aria-hidden="true"></canvas>
	{#each board.keys as key, k (key.code)}
		<button
			type="button"
			class="key"
			tabindex="-1"
			data-code={key.code}
			aria-label={said[k]}
			aria-pressed={key.code === selected}
			style:left={percent(key.x, board.width)}
			style:top={percent(key.y, board.height)}
			style:width={percent(key.width, board.width)}
			style:height={percent(key.height, board.height)}
			draggable="true"
			ondragstart={(event) => ondragstart(event, k)}
			ondragover={(event) => ondragover(event, k)}
			ondragleave={() => (over = undefined)}
			ondragend={letGo}
			ondrop={(event) => ondrop(event, k)}
			onclick={() => onselect(key.code, show.modifiers)}
		></button>
	{/each}
</div>

<style>
	.board {
		position: relative;
		width: 100%;
		border-radius: 4px;
	}
	.board:focus-visible {
		outline-offset: 6px;
	}
	.picture {
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
	}
	/* in the page, since the browser takes only what stands there, and out of sight */
	.carried {
		position: absolute;
		left: -200vw;
	}
	.key {
		position: absolute;
		padding: 0;
		border: 1.5px solid transparent;
		border-radius: 6px;
		background: none;
	}
	.key:hover {
		border-color: var(--ink-2);
	}
</style>
