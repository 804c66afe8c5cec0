<script lang="ts">
	import { Button, Input } from 'flowbite-svelte';
	import { soundOf } from '$core/profile/problems';
	import { restoring } from '$core/profile/restore';
	import type { Edit } from '$core/profile/edit';
	import { ask, told } from '$lib/state/api';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Picker from './Picker.svelte';

	/** What was changed, the newest first, with a way back to how the stratum that is written to was after each. */
	const workspace = useWorkspace();
	let earlier = $state.raw<readonly Edit[]>([]);
	const all = $derived([...workspace.history, ...earlier]);
	let by = $state('');
	let into = $state('');
	let words = $state('');
	const isFiltered = $derived(by !== '' || into !== '' || words.trim() !== '');
	const shown = $derived(
		all.filter(
			(edit) =>
				(by === '' || edit.by === by) &&
				(into === '' || edit.changes.some(({ stratum }) => stratum === into)) &&
				edit.label.toLowerCase().includes(words.trim().toLowerCase())
		)
	);
	const writers = $derived([...new Set(all.map((edit) => edit.by))]);
	const strata = $derived([...new Set(all.flatMap(({ changes }) => changes.map(({ stratum }) => stratum as string)))]);
	const nameOfStratum = (id: string) => workspace.document.layers.find((layer) => layer.id === id)?.name ?? id;
	const first = $derived(all.at(-1)?.revision ?? 1);
	const target = $derived(workspace.target.name);

	async function showEarlier() {
		try {
			const { edits } = await ask<{ edits: Edit[] }>(`${workspace.path}/edits?since=0`);
			const before = workspace.history.at(-1)?.revision ?? 0;
			earlier = edits.filter((edit) => edit.revision < before).reverse();
		} catch (error) {
			workspace.notice = { kind: 'failed', text: told(error) };
		}
	}

	async function restore(edit: Edit) {
		const since = all.filter((later) => later.revision > edit.revision);
		const { profile, targetId } = workspace;
		const changes = restoring(profile, targetId, since);
		const { sound, stays } = soundOf(workspace.subject, profile, changes);
		const isDone = await workspace.edits.commit(`Restore ${target} as after ${edit.revision}: ${edit.label}`, sound);
		if (isDone && stays[0])
			workspace.notice = {
				kind: 'failed',
				text: `${stays.length} ${stays.length === 1 ? 'stays' : 'stay'} as now: ${stays[0]}.`
			};
	}
</script>

<div class="filter">
	<Input size="sm" type="search" bind:value={words} placeholder="what was done" aria-label="Find in the history" />
	{#if workspace.document.isOpen}<Picker
			label="By"
			items={[{ value: '', name: 'by anybody' }, ...writers.map((value) => ({ value, name: `by ${workspace.nameOf(value)}` }))]}
			value={by}
			onpick={(value) => (by = value)}
		/>{/if}
	<Picker
		label="In"
		items={[{ value: '', name: 'in any stratum' }, ...strata.map((value) => ({ value, name: `in ${nameOfStratum(value)}` }))]}
		value={into}
		onpick={(value) => (into = value)}
	/>
	{#if isFiltered}<span class="quiet" role="status">{shown.length} of {all.length}</span>{/if}
</div>
<ol>
	{#each shown as edit (edit.revision)}
		{@const n = edit.changes.length}
		<li>
			<span class="num">{edit.revision}</span>
			<span>{edit.label}</span>
			<span class="quiet"
				>{workspace.document.isOpen ? workspace.nameOf(edit.by) : edit.role}, {n === 1 ? '1 change' : `${n} changes`}</span
			>
			<time class="num quiet" datetime={edit.at}
				>{new Date(edit.at).toLocaleString('en-GB', { dateStyle: 'short', timeStyle: 'short' })}</time
			>
			<Button
				size="xs"
				color="alternative"
				title="One edit that makes {target} as it was after this one; undo takes it back"
				aria-label="Restore {target} as after {edit.revision}"
				disabled={workspace.edits.busy || edit.revision === workspace.revision}
				onclick={() => void restore(edit)}>Restore</Button
			>
		</li>
	{/each}
	{#if first > 1}<li class="more">
			<button class="linkish" type="button" onclick={showEarlier}>Show all before {first}</button>
		</li>
	{/if}
</ol>

<style>
	.filter {
		display: flex;
		gap: 10px;
		align-items: center;
		padding-bottom: 8px;
	}
	ol {
		margin: 0;
		padding: 0;
		list-style: none;
		max-height: 46dvh;
		overflow: auto;
		color: var(--ink);
	}
	li {
		display: grid;
		grid-template-columns: 40px 1fr auto 120px auto;
		gap: 12px;
		align-items: center;
		padding: 6px 0;
		border-top: 1px solid var(--line);
	}
	.more {
		display: block;
	}
</style>
