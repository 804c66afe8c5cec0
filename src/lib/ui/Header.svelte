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
	<div class="part" data-walk="application">
		<span class="what">Application</span>
		<Picker
			strong
			deliberate
			label="Application"
			items={[...applications.map((a) => ({ value: a.id, name: a.name })), { value: '', name: 'Programs …' }]}
			value={workspace.document.application.id as string}
			onpick={open}
		/>
	</div>
	<div class="part setup"><span class="what">Setup</span><SetupPicker /></div>
	<div class="part" data-walk="profile"><span class="what">Profile: writing to {workspace.target.name}</span><CoreSample /></div>
	<div class="part grow" data-walk="situation"><span class="what">Situation</span><SituationPicker /></div>
	<Probe />
	<a
		class="turn"
		href="/people"
		title={workspace.document.isOpen ? `${workspace.document.me.name}, ${workspace.document.me.role}` : 'People: you are alone'}
		aria-label={workspace.document.isOpen ? `People: you are ${workspace.document.me.name}` : 'People'}
		><UserCircleOutline class="h-5 w-5" /></a
	>
	<button
		class="turn"
		type="button"
		onclick={turn}
		aria-label={isDark ? 'Light ground' : 'Dark ground'}
		title={isDark ? 'Light ground' : 'Dark ground'}
	>
		{#if isDark}<SunOutline class="h-5 w-5" />{:else}<MoonOutline class="h-5 w-5" />{/if}
	</button>
</header>

<style>
	header {
		display: flex;
		align-items: center;
		gap: 14px;
		height: 62px;
		flex: none;
		padding: 0 14px;
		background: var(--panel);
		border-bottom: 1px solid var(--line-strong);
	}
	.brand {
		display: flex;
		align-items: center;
		gap: 9px;
		width: 104px;
		flex: none;
		color: var(--ink);
		font-size: 20px;
		font-weight: 650;
		text-decoration: none;
	}
	.part {
		display: grid;
		gap: 1px;
		flex: none;
	}
	.grow {
		flex: 1 1 auto;
		min-width: 0;
	}
	.what {
		font-size: 12px;
		color: var(--ink-3);
		white-space: nowrap;
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
	.setup :global(select) {
		max-width: 112px;
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
