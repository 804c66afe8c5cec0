<script lang="ts">
	import { Input } from 'flowbite-svelte';
	import type { Rect } from '$core/surface/parts';

	/** A name that is typed on the window where it will stand. Enter takes it, Escape leaves it, and so does going elsewhere without a name. */
	let {
		rect,
		scale,
		label,
		value,
		onname,
		onleave
	}: {
		/** Where it stands, in px of the window, which is drawn at `scale`. */
		rect: Rect;
		scale: number;
		label: string;
		/** What it is called so far. */
		value: string;
		onname: (name: string) => void;
		onleave: () => void;
	} = $props();
	// svelte-ignore state_referenced_locally
	let name = $state(value);
	let field = $state<HTMLInputElement | undefined>(undefined);
	let isDone = false;

	$effect(() => field?.select());

	function end(isTaken: boolean) {
		if (isDone) return;
		isDone = true;
		const said = name.trim();
		if (isTaken && said !== '' && said !== value) onname(said);
		else onleave();
	}

	function onkeydown(event: KeyboardEvent) {
		event.stopPropagation();
		if (event.key === 'Enter') end(true);
		else if (event.key === 'Escape') end(false);
		else return;
		event.preventDefault();
	}
</script>

<div class="naming" role="presentation" style="left:{rect.x}px;top:{rect.y}px;transform:scale({1 / scale})">
	<Input
		bind:elementRef={field}
		bind:value={name}
		size="sm"
		maxlength={500}
		aria-label={label}
		placeholder={label}
		{onkeydown}
		onblur={() => end(true)}
		onclick={(event: MouseEvent) => event.stopPropagation()}
	/>
</div>

<style>
	.naming {
		z-index: 8;
		width: 190px;
		overflow: visible !important;
		transform-origin: 0 0;
		border-radius: 4px;
		box-shadow: 0 3px 10px rgb(0 0 0 / 0.2);
	}
</style>
