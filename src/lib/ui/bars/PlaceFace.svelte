<script lang="ts">
	import type { Command } from '$core/application/command';
	import { hasIcon, hasText, SIZES, type GroupForm, type PlaceBox } from '$core/surface/parts';
	import CommandIcon from '../CommandIcon.svelte';

	/** What is seen of a place: its icon, its name, and that it opens. Of an icon only the name is told. */
	let {
		place,
		command,
		form,
		text,
		icon,
		isTall,
		showsName = false
	}: {
		place: PlaceBox;
		command: Pick<Command, 'icon' | 'kind'> | undefined;
		/** That of its group; undefined in a toolbar. */
		form: GroupForm | undefined;
		/** Where a toolbar has its names. */
		text: 'none' | 'beside' | 'below';
		/** Of a small icon, in px. */
		icon: number;
		isTall: boolean;
		/** Whether the name of an icon only stands below it, as an aid to reading. */
		showsName?: boolean;
	} = $props();
	const isNamed = $derived(!hasIcon(place) || (hasText(place) && (form ? form !== 'icons' : text !== 'none')));
</script>

{#if hasIcon(place)}<CommandIcon
		command={command ?? { icon: 'point', kind: 'one-shot' }}
		size={isTall ? SIZES.large.icon : icon}
	/>{/if}
<span class={isNamed ? 'label' : 'visually-hidden'} class:tall={isTall}>{place.label}</span>
{#if place.kind === 'flyout'}<span class="mark" aria-hidden="true">▾</span>{/if}
{#if showsName && !isNamed}<span class="name" aria-hidden="true">{place.label}</span>{/if}

<style>
	.tall {
		white-space: normal;
	}
	.mark {
		font-size: 9px;
	}
	.name {
		position: absolute;
		z-index: 2;
		top: 100%;
		left: 0;
		padding: 0 3px;
		background: var(--raised);
		font-size: 10px;
	}
</style>
