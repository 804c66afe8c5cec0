<script lang="ts">
	import { startWorker } from '$lib/workers/start-worker';
	import { counted } from '$core/text/counted';
	import { ALIASES, aliasFileIn } from '$core/chapters/aliases/file';
	import { headOf } from '$core/strata/stratum';
	import { Button, Modal, Spinner } from 'flowbite-svelte';
	import type { AliasSet } from '$core/chapters/aliases/suggest-set';
	import { aliasTable } from '$core/chapters/aliases/table';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import type { FromAliasSet, ToAliasSet } from '$lib/workers/alias-set';
	import Picker from '../Picker.svelte';
	import Table from '../kit/Table.svelte';

	/** Aliases for all commands of a category that have none, solved as one. */
	let { onclose, ontake }: { onclose: () => void; ontake: (set: AliasSet) => void } = $props();
	const workspace = useWorkspace();
	const input = workspace.document.application.rules.aliases!;
	const categories = [...new Set(workspace.document.commands.map((c) => c.category.join(' › ')))];
	let open = $state(true);
	let category = $state(categories[0]!);
	let set = $state.raw<AliasSet | undefined>(undefined);
	let problem = $state('');
	let worker: Worker | undefined;
	const table = $derived(aliasTable(workspace.profile, input));
	const wanted = $derived(
		workspace.document.commands
			.filter((c) => c.category.join(' › ') === category && !table.byCommand.has(c.id))
			.map((c) => c.id as string)
	);

	$effect(() => {
		const ids = wanted;
		stop();
		set = undefined;
		problem = '';
		worker = startWorker('alias-set');
		worker.onmessage = ({ data }: MessageEvent<FromAliasSet>) => {
			if ('set' in data) set = data.set;
			else problem = data.problem;
		};
		worker.postMessage({
			strata: workspace.profile.map((stratum) => ({ ...headOf(stratum), contents: { [ALIASES]: aliasFileIn(stratum) } })),
			input,
			commands: workspace.document.commands,
			wanted: ids
		} satisfies ToAliasSet);
		return stop;
	});

	function stop() {
		worker?.terminate();
		worker = undefined;
	}
</script>

<Modal
	bind:open
	title="Aliases for a category"
	aria-label="Aliases for a category"
	size="md"
	{onclose}
	classes={{ body: 'p-4 md:p-4 space-y-3', header: 'p-4 md:p-4' }}
>
	<p class="tools">
		<Picker
			label="Category"
			value={category}
			onpick={(next) => (category = next)}
			items={categories.map((c) => ({ value: c, name: c }))}
		/>
		<span class="quiet">{wanted.length} commands without an alias</span>
	</p>
	{#if problem}<p class="callout tone-garnet" role="alert">No aliases could be computed: {problem}</p>
	{:else if !set}<p role="status"><Spinner size="5" /> Computing …</p>
	{:else}
		<Table
			name="Suggested aliases"
			heads={['Alias', 'Command', { name: 'Runs per day', isNumber: true }, 'Reason']}
			isEmpty={set.chosen.length + set.without.length === 0}
			empty="Every command has an alias."
		>
			<tbody>
				{#each set.chosen as { command, suggestion } (command.id)}
					<tr
						><td class="mono"><b>{suggestion.alias}</b></td><td>{command.label}</td><td class="num quiet">{command.use ?? ''}</td
						><td class="quiet">{suggestion.reason}</td></tr
					>
				{/each}
				{#each set.without as command (command.id)}
					<tr
						><td class="tone-limonite"><span class="toned">▲</span></td><td>{command.label}</td><td></td><td class="quiet"
							>no free name</td
						></tr
					>
				{/each}
			</tbody>
		</Table>
		<p class="quiet">
			{set.proved ? 'Optimal: no other choice saves more seconds per day' : 'The best that was found in 20 s'}{set.chosen.length >
			0
				? `, ${set.seconds.toFixed(0)} s per day in total.`
				: '.'}
		</p>
	{/if}
	{#snippet footer()}
		<Button disabled={!set || set.chosen.length === 0} onclick={() => set && ontake(set)}
			>Write {counted(set?.chosen.length ?? 0, 'alias', 'aliases')}</Button
		>
		<Button color="alternative" onclick={() => (open = false)}>Cancel</Button>
	{/snippet}
</Modal>

<style>
	.tools {
		display: flex;
		gap: var(--space-3);
		align-items: center;
	}
</style>
