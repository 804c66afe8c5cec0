<script lang="ts">
	import { counted } from '$core/text/counted';
	import { goto } from '$app/navigation';
	import { Button } from 'flowbite-svelte';
	import { ApplicationForm, catalogueFromTable, type ColumnMapping, type KeyNames } from '$core/application/catalogue-table';
	import type { Table as CommandList } from '$core/format/table/tree';
	import { listed } from '$core/text/listed';
	import { factoryOf } from '$core/hand-over/factory-of';
	import { ApiError, ask } from '$lib/state/api';
	import Problems from '$lib/ui/hand-over/Problems.svelte';
	import Picker from '$lib/ui/Picker.svelte';
	import CommandTable from '$lib/ui/programs/CommandTable.svelte';
	import { USUAL_RULES, type Rules } from '$lib/state/program-rules';
	import RulesForm from '$lib/ui/programs/RulesForm.svelte';
	import Table from '../kit/Table.svelte';

	let rules = $state.raw<Rules>(USUAL_RULES);
	let typing = $state.raw<'nowhere' | 'everywhere' | string[]>('nowhere');
	let list = $state.raw<{ file: string; table: CommandList; mapping: ColumnMapping; names: KeyNames } | undefined>(undefined);
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
						signs: 'any except spaces',
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
		const some = (many: number, one: string, more?: string) => (many === 0 ? [] : [counted(many, one, more)]);
		const inputs = built?.inputs ?? [];
		return listed([
			...some(inputs.filter((i) => i.keys !== undefined).length, 'shortcut'),
			...some(inputs.filter((i) => i.alias !== undefined).length, 'alias', 'aliases')
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
			Letter keys type text <Picker
				label="Letter keys type text"
				value={Array.isArray(typing) ? typing[0]! : typing}
				onpick={(v) => (typing = v === 'nowhere' || v === 'everywhere' ? v : [v])}
				items={[
					{ value: 'nowhere', name: 'nowhere' },
					{ value: 'everywhere', name: 'everywhere, to a command line' },
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
					title="{built.refused.length} of {list.table.records.length} lines with problems"
				/>{/if}
			<Table name="Commands" heads={['Label', 'Id', 'Category', 'Exists in']}>
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
			</Table>
			{#if brings}<p class="quiet">{brings} become its factory level.</p>{/if}
			<p>
				<Button disabled={busy || built.commands.length === 0} onclick={bring}
					>Add {built.application.name} with {built.commands.length} commands</Button
				>
			</p>
			<p class="quiet">You can add more contexts and exclusions in Programs later.</p>
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
		gap: var(--space-3);
		padding: var(--space-4);
		overflow-y: auto;
	}
	.form {
		background: var(--panel);
		border-right: 1px solid var(--line-strong);
	}
	.rule {
		display: grid;
		gap: 3px;
		font-size: var(--dense);
		color: var(--ink-2);
	}
	.rule :global(select) {
		max-width: none;
		width: 100%;
	}
</style>
