<script lang="ts">
	import { Button, Modal } from 'flowbite-svelte';
	import { useWorkspace, type PendingMerge } from '$lib/state/workspace.svelte';
	import { macroOfChange } from '$core/profile/macro-change';
	import { labelOf } from './wording';

	/** Somebody else wrote between my look and my edit. Nothing was overwritten; the user decides. */
	let { merge }: { merge: PendingMerge } = $props();
	const workspace = useWorkspace();
	let open = $state(true);

	/** What both have changed, in words. */
	const touched = $derived.by(() => {
		const macros = new Set(merge.macros.map(macroOfChange));
		const files = new Set(merge.aliases.map((a) => a.stratum));
		const theirs = merge.since.flatMap((edit) => edit.macros.map(macroOfChange)).filter((id) => macros.has(id));
		const strata = merge.since.flatMap((edit) => edit.aliases.map((a) => a.stratum)).filter((id) => files.has(id));
		return [
			...merge.touched.map(
				(c) => `${(c.before ?? c.after)!.keys} for ${labelOf(workspace.index, (c.before ?? c.after)!.command)}`
			),
			...[...new Set(theirs)].map((id) => `the macro ${labelOf(workspace.index, id)}`),
			...[...new Set(strata)].map((id) => `the alias file of ${workspace.profile.find((s) => s.id === id)?.name ?? id}`)
		];
	});
	let keepsMine = false;

	/** The choice takes effect once the dialog has closed. */
	function settle(keepMine: boolean) {
		keepsMine = keepMine;
		open = false;
	}

	async function take() {
		await workspace.settleMerge(keepsMine);
		// the server could not be reached: the edit still waits
		if (workspace.merge === merge) open = true;
	}
</script>

<Modal
	bind:open
	title="The profile changed meanwhile"
	aria-label="The profile changed meanwhile"
	size="md"
	dismissable={false}
	onclose={() => void take()}
>
	<p>Your change “{merge.label}” was not stored, because these edits came first:</p>
	<ul>
		{#each merge.since as edit (edit.revision)}<li>
				<span class="num">{edit.revision}</span>
				{edit.label} <span class="quiet">by the {edit.role}</span>
			</li>{/each}
	</ul>
	{#if touched.length > 0}
		<p class="callout tone-limonite">
			They touch the same {touched.length === 1 ? 'thing' : 'things'}: {touched.join(', ')}.
		</p>
	{:else}
		<p class="callout tone-epidote">They do not touch what you changed.</p>
	{/if}
	{#snippet footer()}
		<Button onclick={() => settle(true)}>Put mine on top</Button>
		<Button color="alternative" onclick={() => settle(false)}>Drop mine, show theirs</Button>
	{/snippet}
</Modal>

<style>
	ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li {
		padding: 4px 0;
		border-top: 1px solid var(--line);
	}
	.num {
		display: inline-block;
		min-width: 32px;
	}
</style>
