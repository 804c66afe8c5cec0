<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { MoonOutline, SunOutline, UserCircleOutline } from 'flowbite-svelte-icons';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import CoreSample from './CoreSample.svelte';
	import Picker from './Picker.svelte';
	import Probe from './Probe.svelte';
	import SetupPicker from './people/SetupPicker.svelte';
	import SituationPicker from './SituationPicker.svelte';

	let { applications }: { applications: readonly { id: string; name: string }[] } = $props();
	const workspace = useWorkspace();
	let isDark = $state(document.documentElement.dataset['theme'] === 'dark');

	function turn() {
		isDark = !isDark;
		document.documentElement.dataset['theme'] = isDark ? 'dark' : 'light';
		localStorage.setItem('skarn-theme', isDark ? 'dark' : 'light');
	}

	function open(id: string) {
		if (id === '') void goto('/programs');
		else void goto(`/${id}/${page.url.pathname.split('/')[2] ?? 'commands'}`);
	}
</script>

<header>
	<a class="brand" href="/{workspace.document.application.id}/start" aria-label="Skarn: Start"
		><img src="/mark.svg" alt="" width="28" height="28" /><span>Skarn</span></a
	>
	<div class="chip">
		<Picker
			strong
			deliberate
			label="Application"
			items={[...applications.map((a) => ({ value: a.id, name: a.name })), { value: '', name: 'Programs …' }]}
			value={workspace.document.application.id as string}
			onpick={open}
		/>
		<SetupPicker />
	</div>
	<div class="editing"><CoreSample /></div>
	<SituationPicker />
	<span class="space"></span>
	<Probe />
	<a
		class="turn"
		href="/people"
		title={workspace.document.isOpen
			? `${workspace.document.me.name}, ${workspace.document.me.role}`
			: 'Your account: only you work here'}
		aria-label={workspace.document.isOpen ? `Your account: signed in as ${workspace.document.me.name}` : 'Your account'}
		><UserCircleOutline class="h-5 w-5" /></a
	>
	<button
		class="turn"
		type="button"
		onclick={turn}
		aria-label={isDark ? 'Light theme' : 'Dark theme'}
		title={isDark ? 'Light theme' : 'Dark theme'}
	>
		{#if isDark}<SunOutline class="h-5 w-5" />{:else}<MoonOutline class="h-5 w-5" />{/if}
	</button>
</header>

<style>
	header {
		display: flex;
		align-items: center;
		gap: var(--space-3);
		height: 56px;
		flex: none;
		padding: 0 var(--space-3);
		background: var(--panel);
		border-bottom: 1px solid var(--line-strong);
	}
	.brand {
		display: flex;
		align-items: center;
		gap: var(--space-2);
		width: 104px;
		flex: none;
		color: var(--ink);
		font-size: var(--title);
		font-weight: 650;
		text-decoration: none;
	}
	/* several choices that are one thing: one frame around them, nothing is cut */
	.chip {
		display: flex;
		align-items: center;
		flex: none;
		height: 32px;
		border: 1px solid var(--control);
		border-radius: var(--radius);
		background: var(--raised);
	}
	.chip :global(select.picker) {
		height: 30px;
		max-width: none;
		padding: 0 var(--space-4) 0 var(--space-2);
		border: 0;
		background-color: transparent;
		background-position: right 6px center;
		background-size: 8px auto;
		field-sizing: content;
	}
	@media (max-width: 760px) {
		.chip {
			flex-wrap: wrap;
			height: auto;
		}
	}
	.editing {
		flex: 0 1 320px;
		min-width: 190px;
	}
	.space {
		flex: 1;
	}
	.turn {
		display: grid;
		place-items: center;
		width: 32px;
		height: 32px;
		flex: none;
		border: 0;
		background: none;
		color: var(--ink-2);
		border-radius: var(--radius);
	}
	.turn:hover {
		background: var(--ground);
	}
	@media (max-width: 1240px) {
		.brand span {
			display: none;
		}
		.brand {
			width: auto;
		}
	}
</style>
