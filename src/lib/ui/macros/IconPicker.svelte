<script lang="ts">
	import { Button, Input, Modal } from 'flowbite-svelte';
	import { ICON_BYTES, ICON_SIDE, IconError, iconOf, isPicture } from '$core/chapters/macros/icon';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import MacroIcon from './MacroIcon.svelte';

	/** Chooses an icon from those that ship, or takes an SVG or PNG picture. */
	let {
		icon,
		shippedAlone = false,
		onpick,
		onclose
	}: {
		icon: string;
		/** Pictures of one's own are not offered. */
		shippedAlone?: boolean;
		onpick: (icon: string) => void;
		onclose: () => void;
	} = $props();
	const workspace = useWorkspace();
	let open = $state(true);
	let words = $state('');
	let refused = $state('');
	let dropped = $state<readonly string[]>([]);
	let taken = $state<string | undefined>(undefined);
	const picture = $derived(taken ?? (isPicture(icon) ? icon : ''));
	const names = [...new Set(workspace.document.commands.map((c) => c.icon).filter((name) => name !== ''))].sort();
	const shown = $derived(names.filter((name) => name.includes(words.trim().toLowerCase())));

	async function take(file: File | undefined) {
		if (!file) return;
		refused = '';
		dropped = [];
		try {
			if (file.size > ICON_BYTES) throw new IconError(`${file.name} has ${file.size} bytes; an icon may have ${ICON_BYTES}`);
			const made = iconOf(new Uint8Array(await file.arrayBuffer()));
			taken = made.icon;
			dropped = made.dropped;
		} catch (error) {
			if (!(error instanceof IconError)) throw error;
			refused = `${file.name}: ${error.message}.`;
		}
	}

	function pick(wanted: string) {
		onpick(wanted);
		open = false;
	}
</script>

<Modal bind:open title="Icon" size="md" {onclose} classes={{ body: 'p-4 md:p-4 space-y-3', header: 'p-4 md:p-4' }}>
	<Input size="sm" bind:value={words} placeholder="Search icons" aria-label="Search icons" />
	<div class="icons" role="group" aria-label="Icons">
		{#each shown as name (name)}
			<button type="button" title={name} aria-label={name} aria-pressed={name === icon} onclick={() => pick(name)}
				><MacroIcon icon={name} size={22} /></button
			>
		{:else}
			<p class="quiet">No icon has this name.</p>
		{/each}
	</div>
	{#if !shippedAlone}<div class="own">
			<label class="drop">
				<span class="linkish">Use a picture from a file</span>
				<span class="quiet">SVG or PNG, up to {ICON_BYTES / 1000} kB and {ICON_SIDE} pixels</span>
				<input
					type="file"
					class="visually-hidden"
					accept=".svg,.png,image/svg+xml,image/png"
					onchange={(event) => void take(event.currentTarget.files?.[0])}
				/>
			</label>
			{#if refused}<p class="tone-garnet"><span class="toned">◆</span> {refused}</p>{/if}
			{#if picture}
				<p class="picture">
					<MacroIcon icon={picture} size={32} />
					<Button size="xs" onclick={() => pick(picture)}>Use this picture</Button>
					{#if dropped.length > 0}<span class="quiet">removed: {dropped.join(', ')}</span>{/if}
				</p>
			{/if}
		</div>{/if}
</Modal>

<style>
	.icons {
		display: grid;
		grid-template-columns: repeat(auto-fill, 38px);
		gap: var(--space-1);
		max-height: 250px;
		overflow-y: auto;
	}
	.icons button {
		display: grid;
		place-items: center;
		height: 38px;
		border: 1px solid transparent;
		border-radius: var(--radius);
		background: none;
	}
	.icons button:hover {
		border-color: var(--control);
	}
	.icons [aria-pressed='true'] {
		border-color: var(--azurite);
		background: var(--azurite-wash);
	}
	.own {
		display: grid;
		gap: var(--space-2);
		padding-top: var(--space-2);
		border-top: 1px solid var(--line);
		font-size: var(--dense);
	}
	.drop {
		display: flex;
		gap: var(--space-2);
	}
	.drop:focus-within {
		outline: 2px solid var(--azurite);
		outline-offset: 2px;
	}
	.picture {
		display: flex;
		gap: var(--space-3);
		align-items: center;
	}
</style>
