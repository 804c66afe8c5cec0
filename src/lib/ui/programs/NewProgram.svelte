<script lang="ts">
	import { goto } from '$app/navigation';
	import { Button } from 'flowbite-svelte';
	import { ApplicationForm, catalogueFromTable, type ColumnMapping, type KeyNames } from '$core/application/catalogue-table';
	import type { Table } from '$core/format/table/tree';
	import { listed } from '$core/text/listed';
	import { factoryOf } from '$core/hand-over/factory-of';
	import { ApiError, ask } from '$lib/state/api';
	import Problems from '$lib/ui/hand-over/Problems.svelte';
	import Picker from '$lib/ui/Picker.svelte';
	import CommandTable from '$lib/ui/programs/CommandTable.svelte';
	import { USUAL_RULES, type Rules } from '$lib/state/program-rules';
	import RulesForm from '$lib/ui/programs/RulesForm.svelte';

	let rules = $state.raw<Rules>(USUAL_RULES);
	let typing = $state.raw<'nowhere' | 'everywhere' | string[]>('nowhere');
	let list = $state.raw<{ file: string; table: Table; mapping: ColumnMapping; names: KeyNames } | undefined>(undefined);
	let problem = $state('');
	let busy = $state(false);
	/** Commands that are shown before they are brought. */
	const MOST_SHOWN = 8;

	/** Names are typed where the list has some, be it said or not. */
	const wanted = $derived({
		...rules,
		typing,
		aliases:
			rules.aliases ??
			(list?.mapping.alias === undefined
				? undefined
				: {
						case: 'ignored',
						signs: 'any but blanks',
						longest: 40,
						completes: false,
						accept: ['Enter'],
						twice: 'first'
					})
	});
	const form = $derived(ApplicationForm.safeParse(wanted));
	const built = $derived(
		list && form.success ? catalogueFromTable(list.table.records, list.mapping, form.data, list.names) : undefined
	);
	const modes = $derived(built?.application.axes[0]!.nodes.filter((node) => node.id !== 'anywhere-else') ?? []);
	const labels = $derived(new Map(modes.map(({ id, label }) => [id as string, label])));
	/** What the program brings itself, in words. */
	const brings = $derived.by(() => {
		const count = (many: number, one: string) => (many === 0 ? [] : [`${many} ${many === 1 ? one : `${one}s`}`]);
		const inputs = built?.inputs ?? [];
		return listed([
			...count(inputs.filter((i) => i.keys !== undefined).length, 'shortcut'),
			...count(inputs.filter((i) => i.alias !== undefined).length, 'typed name')
		]);
	});

	function take(next: typeof list) {
		list = next;
		problem = '';
		if (next && rules.name === '') rules = { ...rules, name: next.file.replace(/\.[^.]*$/, '').replaceAll(/[-_]+/g, ' ') };
	}

	async function bring() {
		if (!built) return;
		busy = true;
		problem = '';
		try {
			await ask('/api/applications', 'POST', {
				application: built.application,
				commands: built.commands,
				strata: [
					{ id: 'factory', kind: 'factory', name: 'Factory' },
					{ id: 'office', kind: 'office', name: 'Office' },
					{ id: 'personal', kind: 'personal', name: 'Personal' }
				],
				factory: factoryOf(built.inputs)
			});
			await goto(`/${built.application.id}/commands`, { invalidateAll: true });
		} catch (error) {
			problem = error instanceof ApiError ? error.message : String(error);
		} finally {
			busy = false;
		}
	}
</script>

<div class="view">
	<section class="form" aria-label="Application">
		<h2>The program</h2>
		<RulesForm {rules} onchange={(next) => (rules = next)} />
		<div class="rule">
			Bare keys are text <Picker
				label="Bare keys are text"
				value={Array.isArray(typing) ? typing[0]! : typing}
				onpick={(v) => (typing = v === 'nowhere' || v === 'everywhere' ? v : [v])}
				items={[
					{ value: 'nowhere', name: 'nowhere' },
					{ value: 'everywhere', name: 'everywhere: a command line listens' },
					...modes.map((m) => ({ value: m.id as string, name: `only in ${m.label}` }))
				]}
			/>
		</div>
		{#if !form.success && (list || rules.hardwired)}<p class="callout tone-limonite">{form.error.issues[0]?.message}</p>{/if}
	</section>
	<section class="list" aria-label="Command list">
		<CommandTable onchange={take} />
		{#if problem}<p class="callout tone-garnet" role="alert">{problem}</p>{/if}
		{#if built && list}
			{#if built.refused.length > 0}<Problems
					problems={built.refused}
					file={list.file}
					title="{built.refused.length} of {list.table.records.length} lines need a look"
				/>{/if}
			<table>
				<thead><tr><th>Label</th><th>Id</th><th>Category</th><th>Exists in</th></tr></thead>
				<tbody>
					{#each built.commands.slice(0, MOST_SHOWN) as command (command.id)}
						<tr
							><td>{command.label}</td><td class="mono">{command.id}</td><td>{command.category.join(' › ')}</td><td
								>{command.contexts
									.flatMap((s) => Object.values(s).flat())
									.map((id) => labels.get(id as string) ?? id)
									.join(', ') || 'everywhere'}</td
							></tr
						>
					{/each}
				</tbody>
			</table>
			{#if brings}<p class="quiet">{brings} become what the program says itself, its factory stratum.</p>{/if}
			<p>
				<Button disabled={busy || built.commands.length === 0} onclick={bring}
					>Bring {built.commands.length} commands as {built.application.name}</Button
				>
			</p>
			<p class="quiet">More axes of contexts, trees of them and what cannot occur together are said in Programs afterwards.</p>
		{/if}
	</section>
</div>

<style>
	.view {
		display: grid;
		grid-template-columns: 320px minmax(0, 1fr);
		height: 100%;
	}
	section {
		display: flex;
		flex-direction: column;
		gap: 12px;
		padding: 18px;
		overflow-y: auto;
	}
	.form {
		background: var(--panel);
		border-right: 1px solid var(--line-strong);
	}
	.rule {
		display: grid;
		gap: 3px;
		font-size: 13px;
		color: var(--ink-2);
	}
	.rule :global(select) {
		max-width: none;
		width: 100%;
	}
	table {
		border-collapse: collapse;
		width: 100%;
		font-size: 13px;
	}
	th {
		text-align: left;
		font-weight: 500;
		color: var(--ink-3);
	}
	th,
	td {
		padding: 5px 10px 5px 0;
		border-bottom: 1px solid var(--line);
	}
</style>
