<script lang="ts">
	import { fullDay } from '$lib/ui/when';
	import type { ImpactDesk } from '$lib/state/impact-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from '../KeyCaps.svelte';

	/** For the printer only: a page for everybody whom the release touches, with what their hands must learn and what is new. */
	let { desk, release }: { desk: ImpactDesk; release: number } = $props();
	const workspace = useWorkspace();
	const labelOf = (command: string) => workspace.catalogue.get(command as never)?.label ?? command;
	const touched = $derived(desk.people.filter((person) => !desk.untouched.includes(person) || newFor(person).length > 0));

	/** The habits of somebody over all setups, each once, those that are needed most on top. */
	function habitsOf(person: string) {
		const all = desk.of(person).flatMap(({ setup, habits }) => habits.map((habit) => ({ ...habit, setup: setup.name })));
		const each = new Map(all.map((habit) => [`${habit.command} ${habit.keys} ${habit.scope}`, habit]));
		return [...each.values()].sort((a, b) => b.runs - a.runs || (a.keys < b.keys ? -1 : 1));
	}
	const newFor = (person: string) =>
		desk.changes.filter(({ receivers, difference }) => receivers.has(person) && difference.kind !== 'removed');
	const when = fullDay(new Date());
</script>

<div class="sheets">
	{#each touched as person (person)}
		{@const habits = habitsOf(person)}
		{@const fresh = newFor(person)}
		<article>
			<header>
				<h1>{workspace.document.people[person] ?? desk.nameOf(person)}</h1>
				<p>{workspace.document.application.name}, release {release}, as of {when}</p>
			</header>
			{#if habits.length > 0}
				<h2>Keys with a new effect</h2>
				<table>
					<thead><tr><th>Key</th><th>Before</th><th>Now</th><th>For the previous command</th></tr></thead>
					<tbody>
						{#each habits as { keys, command, scope, then, instead } (`${command} ${keys} ${scope}`)}
							<tr>
								<td><KeyCaps {keys} /></td>
								<td>{labelOf(command)}<small>{scope}</small></td>
								<td>{then.length > 0 ? then.map(labelOf).join(' or ') : 'nothing'}</td>
								<td
									>{#each instead as other (other)}<KeyCaps keys={other} />
									{:else}–{/each}</td
								>
							</tr>
						{/each}
					</tbody>
				</table>
			{/if}
			{#if fresh.length > 0}
				<h2>New</h2>
				<ul>
					{#each fresh as { difference } (difference)}
						<li>
							{#if difference.caption.keys}<KeyCaps keys={difference.caption.keys} />{:else if difference.caption.typed}<code
									>{difference.caption.typed}</code
								>{/if}
							{difference.caption.label} <small>{difference.caption.detail}</small>
						</li>
					{/each}
				</ul>
			{/if}
			<p class="empty">Tried: ☐ on the bench &nbsp; ☐ at my seat</p>
		</article>
	{/each}
</div>

<style>
	.sheets {
		display: none;
	}
	@media print {
		.sheets {
			display: block;
			color: #000;
			background: #fff;
		}
		article {
			break-after: page;
			padding: 0 4mm;
		}
		article:last-child {
			break-after: auto;
		}
		header {
			margin-bottom: 5mm;
			border-bottom: 0.6mm solid #000;
		}
		h2 {
			margin: 5mm 0 2mm;
		}
		table {
			width: 100%;
			border-collapse: collapse;
		}
		th,
		td {
			padding: 1.4mm 2mm 1.4mm 0;
			border-bottom: 0.2mm solid #777;
			text-align: left;
			vertical-align: top;
		}
		tr,
		li {
			break-inside: avoid;
		}
		small {
			display: block;
			font-size: 8pt;
		}
		li small {
			display: inline;
		}
		ul {
			columns: 2;
			margin: 0;
			padding: 0;
			list-style: none;
		}
		.empty {
			margin-top: 6mm;
		}
	}
</style>
