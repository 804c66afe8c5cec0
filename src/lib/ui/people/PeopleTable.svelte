<script lang="ts">
	import { Input } from 'flowbite-svelte';
	import { Role } from '$core/strata/role';
	import type { Listed, PeopleDesk } from '$lib/state/people-desk.svelte';
	import Picker from '../Picker.svelte';
	import type { Column } from '../kit/columns';
	import LongTable from '../kit/LongTable.svelte';
	import RoleMark from './RoleMark.svelte';

	/** Everybody who is here, searched, filtered and sorted; the details of who is chosen stand beside it. */
	let { desk }: { desk: PeopleDesk } = $props();
	let at = $state(0);
	let shown = $state.raw<readonly Listed[]>([]);
	const text = (of: (person: Listed) => string) => (a: Listed, b: Listed) => of(a).localeCompare(of(b), 'en', { numeric: true });
	const columns: readonly Column<Listed>[] = [
		{ id: 'name', name: 'Name', width: 'minmax(140px, 1.3fr)', order: 'by name', compare: text(({ name }) => name) },
		{ id: 'role', name: 'Role', width: '130px', order: 'by role', compare: text(({ role }) => role) },
		{
			id: 'member',
			name: 'Disciplines',
			width: 'minmax(140px, 1.6fr)',
			order: 'by discipline',
			compare: text((person) => desk.worksIn(person).join())
		},
		{ id: 'site', name: 'Site', width: '110px', order: 'by site', compare: text(({ site }) => site ?? '') }
	];
	const leads = (person: Listed) =>
		person.role === 'lead' ? desk.led.filter(({ id }) => person.leads.includes(id)).map(({ name }) => name) : [];
</script>

<div class="filter">
	<div class="words">
		<Input size="sm" type="search" bind:value={desk.words} placeholder="Name, discipline or site" aria-label="Find people" />
	</div>
	<Picker
		label="Role"
		items={[{ value: '', name: 'All roles' }, ...Role.options.map((value) => ({ value, name: `${value}s` }))]}
		value={desk.role}
		onpick={(value) => (desk.role = value)}
	/>
	<Picker
		label="Discipline or project"
		items={[{ value: '', name: 'All disciplines' }, ...desk.led.map(({ id, name }) => ({ value: id as string, name }))]}
		value={desk.stratum}
		onpick={(value) => (desk.stratum = value)}
	/>
	<span class="quiet num" role="status"
		>{desk.found.length === desk.here.length ? desk.here.length : `${desk.found.length} of ${desk.here.length}`}</span
	>
</div>
<div class="table">
	<LongTable
		rows={desk.found}
		{columns}
		first="name"
		name="People"
		bind:at
		bind:shown
		onchoose={(person) => (desk.chosen = person.id)}
		onkeydown={(event, person) => {
			if (event.key !== 'Enter') return false;
			desk.chosen = person.id;
			document.querySelector<HTMLElement>('#person-details :is(select, input, button)')?.focus();
			return true;
		}}
	>
		{#snippet cells(person)}
			<span
				>{person.name}{#if person.id === desk.me?.id}<span class="quiet">&nbsp;(you)</span>{/if}</span
			>
			<span class="role"><RoleMark role={person.role} /> {person.role}</span>
			<span
				>{desk
					.worksIn(person)
					.map((name) => (leads(person).includes(name) ? `${name} (lead)` : name))
					.join(', ')}</span
			>
			<span class="quiet">{person.site ?? ''}</span>
		{/snippet}
	</LongTable>
	{#if desk.found.length === 0}<p class="quiet empty">No one matches these filters. Remove a filter.</p>{/if}
</div>

<style>
	.words {
		flex: 1 1 200px;
		max-width: 340px;
	}
	.filter {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2);
		align-items: center;
	}
	.table {
		display: flex;
		flex: 1;
		flex-direction: column;
		min-height: 240px;
		border: 1px solid var(--line);
		border-radius: var(--radius);
		overflow: hidden;
	}
	.role {
		display: flex;
		gap: var(--space-2);
		align-items: center;
	}
	.empty {
		padding: var(--space-3);
	}
</style>
