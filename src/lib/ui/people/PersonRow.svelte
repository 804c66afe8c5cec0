<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { Role } from '$core/strata/role';
	import type { Listed, PeopleDesk } from '$lib/state/people-desk.svelte';
	import Picker from '../Picker.svelte';
	import RoleMark from './RoleMark.svelte';

	/** Somebody of the office: what they may, and for stewards the way to change it. */
	let { desk, person, onleave }: { desk: PeopleDesk; person: Listed; onleave: () => void } = $props();
</script>

<li>
	<RoleMark role={person.role} />
	<b
		>{person.name}{#if person.id === desk.me?.id}<span class="quiet">&nbsp;(you)</span>{/if}</b
	>
	{#if desk.isSteward}
		<Picker
			label="Role of {person.name}"
			items={Role.options.map((value) => ({ value, name: value }))}
			value={person.role}
			disabled={desk.busy}
			onpick={(role) => void desk.setRole(person, role as Role)}
		/>
		<span class="leads">
			{#if person.role === 'lead'}
				{#each desk.led as stratum (stratum.id)}
					<label
						><input
							type="checkbox"
							aria-label="{person.name} leads {stratum.name}"
							checked={person.leads.includes(stratum.id)}
							disabled={desk.busy}
							onchange={(event) => void desk.lead(person, stratum, event.currentTarget.checked)}
						/>
						{stratum.name}</label
					>
				{/each}
			{/if}
		</span>
		<Button size="xs" color="alternative" disabled={desk.busy} onclick={onleave}>Leaves …</Button>
	{:else}
		<span class="quiet">{person.role}</span>
		<span class="leads quiet"
			>{desk.led
				.filter(({ id }) => person.leads.includes(id))
				.map((s) => s.name)
				.join(', ')}</span
		>
	{/if}
</li>

<style>
	li {
		display: grid;
		grid-template-columns: 34px minmax(120px, 1fr) 120px minmax(0, 1.4fr) auto;
		gap: 12px;
		align-items: center;
		min-height: 40px;
		border-top: 1px solid var(--line);
	}
	.leads {
		display: flex;
		flex-wrap: wrap;
		gap: 10px;
		font-size: 13px;
	}
</style>
