<script lang="ts">
	import { Button, Modal } from 'flowbite-svelte';
	import type { CommandId } from '$core/application/command';
	import { captionText } from '$core/chapter/keyed';
	import type { Difference } from '$core/chapter/chapter';
	import { clearing, takingBack } from '$core/profile/differences';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import DifferenceRow from './DifferenceRow.svelte';
	import History from './History.svelte';
	import Picker from './Picker.svelte';
	import VirtualRows from './VirtualRows.svelte';

	/** The draft, change by change, with a way back for each, for a category and for all. */
	let { onclose }: { onclose: () => void } = $props();
	const workspace = useWorkspace();
	let open = $state(true);
	let base = $state<'factory' | 'release' | 'history'>('factory');
	let category = $state('');
	const { againstFactory, againstRelease } = $derived(workspace.draft);
	const listed = $derived(
		(base === 'factory' ? againstFactory : (againstRelease ?? [])).filter(({ command }) => category === '' || isIn(command))
	);
	const categories = $derived([...new Set([...workspace.catalogue.values()].map((c) => c.category[0]!))]);
	const what = $derived(category === '' ? 'all' : category);
	const mine = $derived(againstFactory.filter(({ command }) => category === '' || isIn(command)));
	/** Bringing back what is listed, as it would be written: what stays is told before. */
	const back = $derived(
		takingBack(
			mine,
			{ index: workspace.index, profile: workspace.profile },
			{ profile: workspace.profile, target: workspace.targetId }
		)
	);

	function isIn(id: CommandId | undefined) {
		return id !== undefined && workspace.catalogue.get(id)?.category[0] === category;
	}

	function takeBack(difference: Difference) {
		const { index, profile, targetId: target } = workspace;
		const { changes, stays } = takingBack([difference], { index, profile }, { profile, target });
		if (stays[0]) workspace.notice = { kind: 'failed', text: `Nothing was changed: ${stays[0].reason}.` };
		else void workspace.edits.commit(backText(difference), changes);
	}

	const clear = () =>
		void workspace.edits.commit(
			`Clear ${what} in ${workspace.target.name}`,
			clearing(workspace.target, category === '' ? undefined : isIn)
		);

	const backText = ({ kind, caption }: Difference) =>
		`Reset: ${caption.keys && kind === 'removed' ? `${caption.keys} removed from ${caption.label}` : captionText(caption)}`;
</script>

<Modal
	bind:open
	title="Draft"
	aria-label="Draft"
	size="lg"
	{onclose}
	class="draft-list"
	classes={{ body: 'p-4 md:p-4 space-y-3', header: 'p-4 md:p-4' }}
>
	<div class="tools">
		<div class="segmented" role="group" aria-label="Compare with">
			<button class="pill" type="button" aria-pressed={base === 'factory'} onclick={() => (base = 'factory')}
				>From default {againstFactory.length}</button
			>
			{#if againstRelease}<button class="pill" type="button" aria-pressed={base === 'release'} onclick={() => (base = 'release')}
					>Since release {workspace.channel}: {againstRelease.length}</button
				>{/if}
			<button class="pill" type="button" aria-pressed={base === 'history'} onclick={() => (base = 'history')}
				>History {workspace.revision}</button
			>
		</div>
		{#if base !== 'history'}
			<Picker
				label="Category"
				value={category}
				onpick={(next) => (category = next)}
				items={[{ value: '', name: 'All categories' }, ...categories.map((c) => ({ value: c, name: c }))]}
			/>
		{/if}
	</div>
	{#if base === 'history'}
		<History />
	{:else if listed.length === 0}
		<p class="quiet">No changes{category === '' ? '' : ` in ${category}`}.</p>
	{:else}
		<div class="changes">
			<VirtualRows rows={listed} height={37} role="list" aria-label="Changes" tabindex={0}>
				{#snippet row(difference: Difference, _i: number, top: number)}
					<div class="row" role="listitem" style:transform="translateY({top}px)">
						<DifferenceRow {difference}>
							<Button
								size="xs"
								color="alternative"
								aria-label={backText(difference)}
								disabled={workspace.edits.busy}
								onclick={() => takeBack(difference)}>Reset</Button
							>
						</DifferenceRow>
					</div>
				{/snippet}
			</VirtualRows>
		</div>
	{/if}
	{#if base !== 'history' && back.stays.length > 0}
		<p class="callout tone-limonite">
			{back.stays.length} of {mine.length} cannot be reset. The first: {back.stays[0]!.reason}.
		</p>
	{/if}
	{#snippet footer()}
		{#if base !== 'history'}
			<Button color="alternative" disabled={workspace.edits.busy} onclick={clear}>Clear {what} in {workspace.target.name}</Button>
			<Button
				color="alternative"
				disabled={workspace.edits.busy || back.changes.length === 0}
				onclick={() => void workspace.edits.commit(`Back to factory: ${what}`, back.changes)}>Reset {what} to default</Button
			>
		{/if}
		<Button class="ml-auto" onclick={() => (open = false)}>Done</Button>
	{/snippet}
</Modal>

<style>
	.tools {
		display: flex;
		justify-content: space-between;
		gap: var(--space-3);
		flex-wrap: wrap;
	}
	.changes {
		display: flex;
		height: 46dvh;
	}
	.row {
		position: absolute;
		inset: 0 0 auto;
		display: grid;
		grid-template-columns: 16px 14px 150px minmax(0, 1fr) auto;
		align-items: center;
		gap: var(--space-2);
		height: 37px;
		padding-right: var(--space-2);
		border-top: 1px solid var(--line);
	}
	.row :global(button) {
		padding: 2px var(--space-2);
	}
</style>
