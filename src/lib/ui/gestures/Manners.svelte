<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { OPTIONS } from '$core/chapters/options/option';
	import { valueText } from '$core/application/option';
	import type { NavigationDesk } from '$lib/state/navigation-desk.svelte';
	import { OptionDesk } from '$lib/state/option-desk';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import OptionField from '../options/OptionField.svelte';
	import Blame from '../Blame.svelte';
	import StratumChip from '../StratumChip.svelte';

	/** How the program lets itself be navigated: which way things turn, what stays in place, how fast. They are options like all others. */
	let { desk }: { desk: NavigationDesk } = $props();
	const workspace = useWorkspace();
	const options = new OptionDesk(workspace);
</script>

{#if desk.manners.length > 0}
	<section aria-label="Movement">
		<h2>Movement</h2>
		{#each desk.manners as row (row.definition.path)}
			{@const closed = options.closedFor(row)}
			<div class="row">
				<span class="chip"
					>{#if row.stratum}<StratumChip id={row.stratum.id} />{/if}</span
				>
				<span
					>{row.definition.label}{#if closed}<small class="quiet">{closed}</small>{/if}
					{#if row.stratum}<Blame stratum={row.stratum.id} chapter={OPTIONS} thing={row.definition.path} />{/if}</span
				>
				<OptionField
					definition={row.definition}
					value={row.value}
					disabled={workspace.edits.busy || closed !== undefined}
					onset={(value) => options.set(row.definition, value)}
				/>
				{#if row.here}
					<Button size="xs" color="alternative" disabled={workspace.edits.busy} onclick={() => options.reset(row)}
						>Reset to {valueText(row.definition, row.below)}</Button
					>
				{/if}
			</div>
		{/each}
	</section>
{/if}

<style>
	h2 {
		margin: 0 0 var(--space-1);
		font-size: var(--body);
	}
	.row {
		display: grid;
		grid-template-columns: 16px 260px minmax(0, auto) auto;
		gap: var(--space-2);
		align-items: center;
		justify-content: start;
		min-height: 36px;
		font-size: var(--body);
	}
	small {
		display: block;
	}
</style>
