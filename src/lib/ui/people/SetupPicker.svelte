<script lang="ts">
	import { invalidate } from '$app/navigation';
	import { untrack } from 'svelte';
	import { hotkeys } from '../hotkeys.svelte';
	import { SetupsDesk } from '$lib/state/setups.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Picker from '../Picker.svelte';

	/** Which setup one looks at, and the way to all of them. */
	const workspace = useWorkspace();
	const desk = new SetupsDesk(workspace, () => invalidate('skarn:setup'));
	let isOpen = $state(false);
	// what others do with their setups is heard while one looks at them
	$effect(() => {
		void [workspace.news.setups, workspace.news.people];
		if (isOpen) untrack(() => void desk.load().catch(() => undefined));
	});

	$effect(() =>
		hotkeys.add(() => ({
			title: 'Setups',
			keys: [
				{ keys: 'Alt ,', does: 'previous setup', run: () => void desk.step(-1) },
				{ keys: 'Alt .', does: 'next setup', run: () => void desk.step(1) }
			],
			acts: () => [
				...workspace.document.setups.map(({ id, name }) => ({ name: `Setup ${name}`, run: () => void desk.turnTo(id) })),
				{ name: 'Setups …', run: () => (isOpen = true) }
			]
		}))
	);
</script>

{#key isOpen}<Picker
		label="Setup"
		deliberate
		items={[...workspace.document.setups.map(({ id, name }) => ({ value: id as string, name })), { value: '', name: 'Setups …' }]}
		value={workspace.document.setup.id as string}
		onpick={(id) => (id === '' ? (isOpen = true) : void desk.turnTo(id))}
	/>{/key}
{#if isOpen}
	{#await import('./SetupsDialog.svelte') then { default: SetupsDialog }}
		<SetupsDialog {desk} onclose={() => (isOpen = false)} />
	{/await}
{/if}
