<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { Role } from '$core/strata/role';
	import type { Listed, PeopleDesk } from '$lib/state/people-desk.svelte';
	import Picker from '../Picker.svelte';
	import OneField from './OneField.svelte';
	import RoleMark from './RoleMark.svelte';

	/** Somebody who was chosen from the list: what they may and where they work, and for stewards the way to change it. */
	let { desk, person, onleave }: { desk: PeopleDesk; person: Listed; onleave: () => void } = $props();
	const HOW = [
		{ value: 'none', name: 'not a member' },
		{ value: 'member', name: 'member' },
		{ value: 'leads', name: 'leads it' }
	] as const;
	const how = (id: string) =>
		person.leads.some((one) => one === id) ? 'leads' : person.member?.some((one) => one === id) ? 'member' : 'none';
</script>

<section id="person-details" aria-label={person.name}>
	<h2><RoleMark role={person.role} /> {person.name}</h2>
	{#if desk.isSteward}
		<div class="row">
			<span class="quiet">Role</span>
			<Picker
				label="Role of {person.name}"
				items={Role.options.map((value) => ({ value, name: value }))}
				value={person.role}
				disabled={desk.busy}
				onpick={(role) => void desk.setRole(person, role as Role)}
			/>
		</div>
		{#each desk.led as stratum (stratum.id)}
			<div class="row">
				<span class="quiet">{stratum.name}</span>
				<Picker
					label="{person.name} in {stratum.name}"
					items={HOW.filter(({ value }) => value !== 'leads' || person.role === 'lead' || how(stratum.id) === 'leads')}
					value={how(stratum.id)}
					disabled={desk.busy}
					onpick={(value) => void desk.place(person, stratum, value as 'none')}
				/>
			</div>
		{/each}
		<OneField
			label={person.site ? `Site: ${person.site}` : 'Site'}
			does="Set the site"
			disabled={desk.busy}
			ondone={(site) => desk.change([{ id: person.id, site }], `${person.name} works at ${site}.`)}
		/>
		<OneField label="New name" does="Rename" disabled={desk.busy} ondone={(name) => desk.rename(person, name)} />
		<div class="acts">
			<Button size="xs" color="alternative" disabled={desk.busy} onclick={() => void desk.forgotten(person)}
				>Forgotten password …</Button
			>
			<Button size="xs" color="alternative" disabled={desk.busy} onclick={onleave}>Remove from office …</Button>
		</div>
	{:else}
		<p class="quiet">
			{person.role}{desk.worksIn(person).length > 0 ? `, works in ${desk.worksIn(person).join(', ')}` : ''}{person.site
				? `, ${person.site}`
				: ''}
		</p>
	{/if}
</section>

<style>
	section {
		display: flex;
		flex-direction: column;
		gap: var(--space-2);
		padding-bottom: var(--space-3);
		border-bottom: 1px solid var(--line);
	}
	h2 {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		margin: 0;
	}
	.row {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 170px;
		gap: var(--space-2);
		align-items: center;
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2);
	}
</style>
