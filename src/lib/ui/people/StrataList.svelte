<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { LockOutline } from 'flowbite-svelte-icons';
	import type { Person } from '$core/people/person';
	import type { PeopleDesk } from '$lib/state/people-desk.svelte';
	import type { ListedStratum } from '$lib/server/strata';
	import Confirm from '../Confirm.svelte';
	import Picker from '../Picker.svelte';
	import { bandClass } from '../stratum-look';
	import HandOver from './HandOver.svelte';
	import OneField from './OneField.svelte';

	/** The common strata with who leads them, what is archived, and what those who have left kept for themselves. */
	let { desk }: { desk: PeopleDesk } = $props();
	let renaming = $state<string | undefined>(undefined);
	let deleting = $state.raw<ListedStratum | undefined>(undefined);
	let handing = $state.raw<{ readonly stratum: ListedStratum; readonly heir: Person } | undefined>(undefined);
	let heirs = $state<Record<string, string>>({});

	const leadsOf = ({ id }: ListedStratum) => desk.here.filter((p) => p.leads.includes(id)).map((p) => p.name);
	const usersOf = ({ usedBy }: ListedStratum) => desk.here.filter(({ id }) => usedBy.includes(id)).map((p) => p.name);
	function tellOf(stratum: ListedStratum): string {
		if (stratum.kind === 'office') return 'office, edited by stewards';
		const leads = leadsOf(stratum);
		return `${stratum.kind}, ${leads.length > 0 ? `led by ${leads.join(', ')}` : 'no leader yet: edited by stewards'}`;
	}
</script>

{#snippet deletion(stratum: ListedStratum)}
	<button
		class="linkish"
		type="button"
		disabled={desk.busy}
		aria-label="Delete {stratum.name}"
		onclick={() => (deleting = stratum)}>Delete …</button
	>
{/snippet}

<ul>
	{#each desk.common as stratum (stratum.id)}
		<li>
			<i class={bandClass(stratum.kind)}></i><b>{stratum.name}</b>
			{#if stratum.isRequired}<span class="lock"><LockOutline size="sm" aria-hidden="true" /> required</span>{/if}
			<span class="quiet">{tellOf(stratum)}</span>
			<span class="acts">
				{#if desk.isSteward}<label title="No setup may leave this level out"
						><input
							type="checkbox"
							aria-label="{stratum.name} is required"
							checked={stratum.isRequired}
							disabled={desk.busy}
							onchange={(event) => void desk.require(stratum, event.currentTarget.checked)}
						/> required</label
					>{/if}
				{#if desk.mayChange(stratum)}
					<button
						class="linkish"
						type="button"
						aria-expanded={renaming === stratum.id}
						onclick={() => (renaming = renaming === stratum.id ? undefined : stratum.id)}>Rename</button
					>
					{#if stratum.kind !== 'office'}
						<button
							class="linkish"
							type="button"
							disabled={desk.busy || stratum.isRequired}
							aria-label="Archive {stratum.name}"
							onclick={() => void desk.setState(stratum, 'archived')}>Archive</button
						>
						<button
							class="linkish"
							type="button"
							disabled={desk.busy || stratum.isRequired}
							aria-label="Delete {stratum.name}"
							onclick={() => (deleting = stratum)}>Delete …</button
						>
					{/if}
				{/if}
			</span>
			{#if renaming === stratum.id}<OneField
					label="New name for {stratum.name}"
					does="Rename"
					disabled={desk.busy}
					ondone={async (name) => {
						const isDone = await desk.renameStratum(stratum, name);
						if (isDone) renaming = undefined;
						return isDone;
					}}
				/>{/if}
		</li>
	{/each}
</ul>
{#if desk.archived.length > 0}
	<h2>Archived levels</h2>
	<ul>
		{#each desk.archived as stratum (stratum.id)}
			<li>
				<i class={bandClass(stratum.kind)}></i><b>{stratum.name}</b>
				<span class="quiet">{stratum.kind}; in no setup until it is restored</span>
				<span class="acts">
					<button
						class="linkish"
						type="button"
						disabled={desk.busy}
						aria-label="Restore {stratum.name}"
						onclick={() => void desk.setState(stratum, 'used')}>Restore</button
					>
					{@render deletion(stratum)}
				</span>
			</li>
		{/each}
	</ul>
{/if}
{#if desk.isSteward && desk.left.length > 0}
	<h2>Unassigned content</h2>
	<ul>
		{#each desk.left as stratum (stratum.id)}
			<li>
				<i class={bandClass(stratum.kind)}></i><b>{stratum.name}</b>
				<Picker
					label="Transfer {stratum.name} to"
					items={[{ value: '', name: 'transfer to …' }, ...desk.here.map((p) => ({ value: p.id, name: p.name }))]}
					value={heirs[stratum.id] ?? ''}
					onpick={(id) => (heirs[stratum.id] = id)}
				/>
				<Button
					size="xs"
					color="alternative"
					disabled={!heirs[stratum.id] || desk.busy}
					onclick={() => {
						const heir = desk.here.find((p) => p.id === heirs[stratum.id]);
						if (heir) handing = { stratum, heir };
					}}>Transfer …</Button
				>
				{@render deletion(stratum)}
			</li>
		{/each}
	</ul>
{/if}
{#if deleting}
	{@const stratum = deleting}
	{@const users = usersOf(stratum)}
	<Confirm
		title="Delete {stratum.name}?"
		does="Delete"
		onconfirm={() => void desk.setState(stratum, 'deleted')}
		onclose={() => (deleting = undefined)}
	>
		<p>
			Its settings no longer apply{users.length > 0 ? ` in the setups of ${users.join(', ')}` : '; no setup contains it'}. You can
			undo this.
		</p>
	</Confirm>
{/if}
{#if handing}
	{@const { stratum, heir } = handing}
	<HandOver {stratum} {heir} onconfirm={() => void desk.handOver(stratum, heir)} onclose={() => (handing = undefined)} />
{/if}

<style>
	ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-1) var(--space-2);
		align-items: center;
		min-height: var(--row);
		border-top: 1px solid var(--line);
	}
	i {
		width: 14px;
		height: 14px;
		border-radius: 7px;
	}
	.lock {
		display: inline-flex;
		gap: var(--space-1);
		align-items: center;
	}
	.acts {
		display: flex;
		gap: var(--space-3);
		align-items: center;
		margin-left: auto;
	}
	.linkish:disabled {
		color: var(--ink-3);
		text-decoration: none;
	}
</style>
