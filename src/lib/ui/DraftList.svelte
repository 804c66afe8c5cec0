<script lang="ts">
	import { Button, Modal } from 'flowbite-svelte';
	import { backToFactory, clearStratum, takeBack } from '$core/answer/reset';
	import { OutOfReachError } from '$core/answer/choices';
	import type { CommandId } from '$core/application/command';
	import type { MacroDifference } from '$core/chapters/macros/diff';
	import type { Change, Edit } from '$core/profile/edit';
	import type { Difference } from '$core/chapters/shortcuts/diff';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from './KeyCaps.svelte';
	import Picker from './Picker.svelte';
	import StratumChip from './StratumChip.svelte';
	import { labelOf } from './wording';

	/** The draft, change by change, with a way back for each, for a category and for all. */
	let { onclose }: { onclose: () => void } = $props();
	const workspace = useWorkspace();
	let open = $state(true);
	let base = $state<'factory' | 'release' | 'history'>('factory');
	let category = $state('');
	const newest = $derived(workspace.releases.at(-1));
	const listed = $derived(
		(base === 'factory' ? workspace.againstFactory : (workspace.againstRelease ?? [])).filter((d) => isIn(d.binding.command))
	);
	const aliases = $derived(
		(base === 'factory' ? workspace.aliasesAgainstFactory : (workspace.aliasesAgainstRelease ?? [])).filter((d) =>
			isIn(d.command as CommandId)
		)
	);
	const macros = $derived(
		category === '' ? (base === 'factory' ? workspace.macrosAgainstFactory : (workspace.macrosAgainstRelease ?? [])) : []
	);
	const sizeOf = ({ changes, aliases: files, macros: made }: Edit) => changes.length + files.length + made.length;
	const SIGN = { added: '+', changed: '±', removed: '−' } as const;

	const takeMacroBack = ({ stratum, label, before, after }: MacroDifference) =>
		void workspace.commit(`Take back: the macro ${label}`, [], [], [{ stratum, before: after ?? null, after: before ?? null }]);

	const categories = [...new Set(workspace.document.commands.map((c) => c.category[0]!))];
	const what = $derived(category === '' ? 'all' : category);

	function isIn(id: CommandId) {
		return category === '' || workspace.catalogue.get(id)?.category[0] === category;
	}

	const chosen = () =>
		category === '' ? undefined : new Set(workspace.document.commands.filter((c) => c.category[0] === category).map((c) => c.id));

	/** Where all is cleared, the target's alias file and macros go as well. */
	function attempt(label: string, changes: () => Change[], clears = false) {
		try {
			const { id: stratum, aliases: file, macros: made } = workspace.target;
			void workspace.commit(
				label,
				changes(),
				clears && file ? [{ stratum, from: file, to: null }] : [],
				clears && made ? [...made.values()].map((before) => ({ stratum, before, after: null })) : []
			);
		} catch (error) {
			if (!(error instanceof OutOfReachError)) throw error;
			workspace.notice = { kind: 'failed', text: error.message };
		}
	}

	const back = ({ kind, binding }: Difference) =>
		`Take back: ${binding.keys} ${kind === 'added' ? 'for' : 'removed from'} ${labelOf(workspace.index, binding.command)}`;
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
		<div role="group" aria-label="Compare with">
			<button class="pill" type="button" aria-pressed={base === 'factory'} onclick={() => (base = 'factory')}
				>Against factory {workspace.draftAgainstFactory}</button
			>
			{#if newest}<button class="pill" type="button" aria-pressed={base === 'release'} onclick={() => (base = 'release')}
					>Against release {newest.number}: {workspace.draftAgainstRelease}</button
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
		<ol class="history">
			{#each workspace.history as edit (edit.revision)}
				<li>
					<span class="num">{edit.revision}</span>
					<span>{edit.label}</span>
					<span class="quiet">{edit.role}, {sizeOf(edit) === 1 ? '1 entry' : `${sizeOf(edit)} entries`}</span>
					<time class="num quiet" datetime={edit.at}
						>{new Date(edit.at).toLocaleString('en-GB', { dateStyle: 'short', timeStyle: 'short' })}</time
					>
				</li>
			{/each}
		</ol>
	{:else if listed.length + aliases.length + macros.length === 0}
		<p class="quiet">Nothing differs{category === '' ? '' : ` in ${category}`}.</p>
	{:else}
		<ul class="changes">
			{#each listed as difference (difference.kind + difference.binding.key)}
				<li>
					{#if difference.by}<StratumChip id={difference.by} />{:else}<span></span>{/if}
					<span class={difference.kind === 'added' ? 'tone-azurite' : 'tone-limonite'}
						><span class="toned">{difference.kind === 'added' ? '+' : '−'}</span></span
					>
					<span><KeyCaps keys={difference.binding.keys} /></span>
					<span class="label"
						>{labelOf(workspace.index, difference.binding.command)}
						<small class="quiet">{workspace.space.scopeLabel(difference.binding.scope)}</small></span
					>
					<Button
						size="xs"
						color="alternative"
						aria-label={back(difference)}
						onclick={() =>
							attempt(back(difference), () => takeBack(workspace.index, workspace.profile, workspace.targetId, difference))}
						>Take back</Button
					>
				</li>
			{/each}
			{#each aliases as { kind, alias, command, stratum } (kind + stratum + alias + command)}
				<li>
					<StratumChip id={stratum} />
					<span class={kind === 'added' ? 'tone-azurite' : 'tone-limonite'}
						><span class="toned">{kind === 'added' ? '+' : '−'}</span></span
					>
					<span class="mono">{alias}</span>
					<span class="label">{labelOf(workspace.index, command as CommandId)} <small class="quiet">typed</small></span>
					<a class="linkish" href="/{workspace.document.application.id}/aliases">In the file</a>
				</li>
			{/each}
			{#each macros as difference (difference.kind + difference.stratum + difference.id)}
				<li>
					<StratumChip id={difference.stratum} />
					<span class={difference.kind === 'removed' ? 'tone-limonite' : 'tone-azurite'}
						><span class="toned">{SIGN[difference.kind]}</span></span
					>
					<span class="quiet">macro</span>
					<span class="label">{difference.label}</span>
					<Button
						size="xs"
						color="alternative"
						aria-label="Take back: the macro {difference.label}"
						onclick={() => takeMacroBack(difference)}>Take back</Button
					>
				</li>
			{/each}
		</ul>
	{/if}
	{#snippet footer()}
		{#if base !== 'history'}
			<Button
				color="alternative"
				onclick={() =>
					attempt(
						`Clear ${what} in ${workspace.target.name}`,
						() => clearStratum(workspace.profile, workspace.targetId, chosen()),
						category === ''
					)}>Clear {what} in {workspace.target.name}</Button
			>
			<Button
				color="alternative"
				onclick={() =>
					attempt(
						`Back to factory: ${what}`,
						() => backToFactory(workspace.index, workspace.profile, workspace.targetId, chosen()),
						category === ''
					)}>Bring {what} back to factory</Button
			>
		{/if}
		<Button class="ml-auto" onclick={() => (open = false)}>Done</Button>
	{/snippet}
</Modal>

<style>
	.tools {
		display: flex;
		justify-content: space-between;
		gap: 12px;
		flex-wrap: wrap;
	}
	ul,
	ol {
		margin: 0;
		padding: 0;
		list-style: none;
		max-height: 46dvh;
		overflow: auto;
	}
	.changes li {
		display: grid;
		grid-template-columns: 16px 14px 150px 1fr auto;
		align-items: center;
		gap: 8px;
		min-height: 36px;
		border-top: 1px solid var(--line);
	}
	.history li {
		display: grid;
		grid-template-columns: 40px 1fr auto 120px;
		gap: 12px;
		padding: 6px 0;
		border-top: 1px solid var(--line);
	}
	.changes :global(button) {
		padding: 2px 9px;
	}
	.label,
	.history {
		color: var(--ink);
	}
	small {
		font-size: 12.5px;
		margin-left: 6px;
	}
</style>
