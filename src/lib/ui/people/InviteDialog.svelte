<script lang="ts">
	import { PEOPLE_COLUMNS, readPeople, type ReadPerson } from '$core/people/people-csv';
	import type { PeopleDesk } from '$lib/state/people-desk.svelte';
	import ListDialog from '../ListDialog.svelte';
	import Picker from '../Picker.svelte';

	/** Invites one or many people. */
	let { desk, onclose }: { desk: PeopleDesk; onclose: () => void } = $props();
	let days = $state('7');
	const nameOf = (id: string) => desk.led.find((one) => one.id === id)?.name ?? id;
	const read = (text: string) =>
		readPeople(text, { strata: desk.led, setups: desk.recommended, people: desk.people.map(({ name }) => name) });
	const cells = ({ person }: ReadPerson) => [
		...[person.name, person.role],
		[...person.leads.map((id) => `leads ${nameOf(id)}`), ...person.member.map(nameOf)].join(', '),
		...[person.site, person.setup]
	];
	const EXAMPLE = 'name,role,disciplines,site,setup\nDoor desk 3,designer,Doors,Hall 2,';
</script>

<ListDialog
	title="Invite people"
	label="The people"
	example={EXAMPLE}
	heads={['Name', 'Role', 'Disciplines', 'Site', 'Setup']}
	{read}
	{cells}
	act={(many) => (many <= 1 ? 'Invite' : `Invite ${many} people`)}
	busy={desk.busy}
	failed={desk.said?.kind === 'failed' ? desk.said.text : undefined}
	onact={(rows) =>
		desk.invite(
			rows.map(({ person }) => person),
			Number(days)
		)}
	{onclose}
>
	<p>
		One person per line: {PEOPLE_COLUMNS.join(', ')}. Only the name is required. The default role is designer. Paste from a
		spreadsheet, or drop a CSV file.
	</p>
	{#snippet more()}
		<span class="quiet">Links valid for</span>
		<Picker
			label="Links valid for"
			items={['1', '7', '30'].map((value) => ({ value, name: value === '1' ? 'a day' : `${value} days` }))}
			value={days}
			onpick={(value) => (days = value)}
		/>
	{/snippet}
</ListDialog>
