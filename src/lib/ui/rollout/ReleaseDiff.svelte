<script lang="ts">
	import { counted } from '$core/text/counted';
	import type { Difference } from '$core/chapter/chapter';
	import { newsBetween } from '$core/profile/differences';
	import type { Profile } from '$core/strata/stratum';
	import { strataInRelease } from '$lib/state/released';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import DifferenceRow from '../DifferenceRow.svelte';
	import VirtualRows from '../VirtualRows.svelte';

	/** What one release says and another does not, for the seats. */
	let { from, to }: { from: number; to: number } = $props();
	const workspace = useWorkspace();
	let found = $state.raw<readonly Difference[] | undefined>(undefined);
	let problem = $state('');

	/** The strata that seats get with a release: the factory's, and those of the office as they were frozen. */
	const profileOf = async (release: number): Promise<Profile> => [
		...workspace.profile.filter(({ kind }) => kind === 'factory'),
		...(await strataInRelease(workspace.path, release))
	];

	$effect(() => {
		const [first, second] = [from, to];
		found = undefined;
		problem = '';
		Promise.all([profileOf(first), profileOf(second)])
			.then(([before, now]) => {
				// others may have been chosen meanwhile
				if (first === from && second === to) found = newsBetween(before, now, workspace.draft.names);
			})
			.catch((error: unknown) => (problem = (error as Error).message));
	});
</script>

{#if problem}<p class="callout tone-garnet" role="alert">{problem}</p>
{:else if !found}<p class="quiet" role="status">Comparing …</p>
{:else if found.length === 0}<p class="quiet">Release {from} and release {to} are identical.</p>
{:else}
	<p>{counted(found.length, 'difference')} in release {to}.</p>
	<div class="rows">
		<VirtualRows rows={found} role="list" aria-label="Release {to} against release {from}" tabindex={0}>
			{#snippet row(difference: Difference, _i: number, top: number)}
				<div class="row" role="listitem" style:transform="translateY({top}px)"><DifferenceRow {difference} /></div>
			{/snippet}
		</VirtualRows>
	</div>
{/if}

<style>
	.rows {
		display: flex;
		height: 210px;
		margin-top: 6px;
		border: 1px solid var(--line);
	}
	.row {
		position: absolute;
		top: 0;
		left: 0;
		display: grid;
		grid-template-columns: 18px 18px minmax(90px, auto) minmax(0, 1fr);
		gap: var(--space-2);
		align-items: center;
		width: 100%;
		height: var(--row);
		padding: 0 var(--space-2);
		font-size: var(--dense);
	}
</style>
