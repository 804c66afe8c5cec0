<script lang="ts">
	import '$core/recipe/shapes/all';
	import { goto } from '$app/navigation';
	import { Button } from 'flowbite-svelte';
	import { onMount, tick } from 'svelte';
	import type { CommandId } from '$core/application/command';
	import { USUAL } from '$core/hand-over/selection';
	import { FileRefusedError, refuseBySize, type FileProblem } from '$core/format/problem';
	import type { StratumId } from '$core/strata/stratum';
	import { ALIASES, aliasFileIn } from '$core/chapters/aliases/file';
	import { macrosIn } from '$core/chapters/macros/macro';
	import { shortcutsIn } from '$core/shortcut/entry';
	import { tagged } from '$core/profile/edit';
	import { inOrder } from '$core/strata/entry';
	import { decode, type Encoding } from '$core/format/bytes';
	import { macroRecords } from '$core/chapters/macros/file';
	import { areSteps } from '$core/chapters/macros/steps';
	import { Holds, type Field } from '$core/recipe/field';
	import { lineEndOf } from '$core/text/lines';
	import { propose, unsayable, type Marks, type Proposal } from '$core/propose/propose';
	import { readWith, writeWith } from '$core/recipe/reading';
	import { Recipe, fieldsOf } from '$core/recipe/recipe';
	import { shortcutRecords } from '$core/chapters/shortcuts/file';
	import { tryRecipe } from '$core/recipe/trial';
	import { ApiError, ask } from '$lib/state/api';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Preview from '$lib/ui/hand-over/Preview.svelte';
	import Problems from '$lib/ui/hand-over/Problems.svelte';
	import RecipeForm from '$lib/ui/recipes/RecipeForm.svelte';
	import { save } from '$lib/ui/save';
	import { FileReading, ReadingRefusedError } from '$lib/workers/reading';
	import type { Reading as Import } from '$lib/workers/reading.worker';

	const workspace = useWorkspace();
	const hasAliases = $derived(workspace.document.application.rules.aliases !== undefined);
	let holds = $state<Recipe['holds']>('aliases');
	let text = $state('');
	let encoding = $state<Encoding>('utf-8');
	let fileName = $state('sample.txt');
	let marks = $state.raw<Marks>({});
	let recipe = $state.raw<Recipe | undefined>(undefined);
	let proposals = $state.raw<readonly Proposal[]>([]);
	let kept = $state.raw<readonly Recipe[]>([]);
	let area = $state<HTMLTextAreaElement | undefined>(undefined);
	let refusal = $state.raw<FileRefusedError | undefined>(undefined);
	let imported = $state.raw<Import | undefined>(undefined);
	const files = new FileReading();
	let timer: ReturnType<typeof setTimeout> | undefined;

	$effect(() => {
		if (!hasAliases && holds === 'aliases') holds = 'shortcuts';
	});
	onMount(async () => {
		kept = (await ask<{ recipes: Recipe[] }>(`${workspace.path}/recipes`)).recipes;
	});

	const knows = (id: string) => workspace.catalogue.has(id as CommandId);
	const markable = $derived<readonly Field[]>(
		{
			aliases: ['alias', 'command', 'note', 'lock'] as const,
			shortcuts: ['keys', 'command', 'context', 'note'] as const,
			macros: ['macro', 'label', 'steps', 'note', 'lock'] as const
		}[holds]
	);
	const read = $derived.by((): { reading?: ReturnType<typeof readWith>; problems: readonly FileProblem[] } => {
		if (!recipe || text.trim() === '') return { problems: [] };
		try {
			return { reading: readWith(recipe, fileName, text), problems: [] };
		} catch (error) {
			if (error instanceof FileRefusedError) return { problems: error.problems };
			throw error;
		}
	});
	const records = $derived(read.reading?.records ?? []);
	const unknown = $derived(read.reading?.unknown ?? []);
	const known = $derived(
		records.filter((r) => (holds === 'macros' ? areSteps(r.fields.steps?.value ?? '') : knows(r.fields.command?.value ?? '')))
			.length
	);
	const unsaid = $derived(text.trim() === '' ? undefined : unsayable(text, holds, knows));
	const fields = $derived(recipe ? fieldsOf(recipe.record).filter((f) => f !== 'skip') : []);
	const trial = $derived(recipe && records.length > 0 ? tryRecipe(recipe, text, records) : undefined);
	const contexts = $derived(
		[...new Set(records.flatMap((r) => r.fields.context?.value ?? []))].filter((c) => !(c in (recipe?.contexts ?? {})))
	);

	/** Proposes anew after a moment, unless somebody has adjusted the recipe by hand. */
	function guess() {
		clearTimeout(timer);
		timer = setTimeout(() => {
			const found = propose(text, holds, knows, marks, recipe?.name ?? 'My format');
			proposals = found.slice(0, 4);
			recipe = proposals[0]?.recipe;
			imported = undefined;
		}, 120);
	}

	async function open(file: File | undefined) {
		if (!file) return;
		refusal = undefined;
		try {
			refuseBySize(file.name, file.size);
			const read = decode(file.name, new Uint8Array(await file.arrayBuffer()));
			if (/\.recipe\.json$/.test(file.name)) return takeRecipe(read.text, file.name);
			({ text, encoding } = read);
			fileName = file.name;
			marks = {};
			guess();
		} catch (error) {
			if (!(error instanceof FileRefusedError)) throw error;
			refusal = error;
		}
	}

	function takeRecipe(json: string, name: string) {
		let value: unknown;
		try {
			value = JSON.parse(json);
		} catch (error) {
			refusal = new FileRefusedError(name, [{ line: 1, column: 1, message: `not JSON: ${(error as Error).message}` }]);
			return;
		}
		const parsed = Recipe.safeParse(value);
		if (parsed.success) {
			recipe = parsed.data;
			holds = parsed.data.holds;
		} else
			refusal = new FileRefusedError(
				name,
				parsed.error.issues.map((i) => ({ line: 1, column: 1, pointer: `/${i.path.join('/')}`, message: i.message }))
			);
	}

	/** The textarea counts CRLF as one sign; the file does not. */
	function offsetIn(wanted: number): number {
		if (!text.includes('\r')) return wanted;
		let at = 0;
		for (let seen = 0; seen < wanted; seen++) at += text.startsWith('\r\n', at) ? 2 : 1;
		return at;
	}

	function mark(field: Field) {
		if (!area) return;
		const [start, end] = [offsetIn(area.selectionStart), offsetIn(area.selectionEnd)];
		if (start === end) {
			workspace.notice = { kind: 'failed', text: `Select the ${field} of one record in the sample first.` };
			return;
		}
		marks = { ...marks, [field]: { start, end } };
		if (Object.keys(marks).length >= 2) guess();
		area.focus();
	}

	async function useAliases() {
		if (!recipe) return;
		const { targetId: stratum, target } = workspace;
		const isDone = await workspace.edits.commit(
			`Aliases of ${target.name} from ${fileName}`,
			tagged({ id: ALIASES }, [{ stratum, from: aliasFileIn(target), to: { recipe, text, encoding } }])
		);
		if (isDone) await goto(`/${workspace.document.application.id}/aliases`);
	}

	async function seeImport() {
		if (!recipe) return;
		const { application, commands } = workspace.document;
		const file = new File([text], fileName);
		const chosen = recipe;
		try {
			imported = await files.shortcuts(file, {
				application,
				commands,
				profile: workspace.profile,
				into: workspace.targetId as StratumId,
				recipe: chosen,
				selection: USUAL,
				scope: undefined,
				desks: workspace.office.desks
			});
		} catch (error) {
			if (!(error instanceof ReadingRefusedError)) throw error;
			refusal = new FileRefusedError(fileName, error.problems);
		}
		await tick();
	}

	/** The shortcuts or macros of the stratum that is written to, in this format. */
	function writeOut() {
		if (!recipe) return;
		const { rows, left } =
			recipe.holds === 'macros'
				? { rows: macroRecords(inOrder(macrosIn(workspace.target))), left: [] }
				: shortcutRecords(recipe, inOrder(shortcutsIn(workspace.target)));
		save(
			`${workspace.document.application.id}-${workspace.targetId}.txt`,
			writeWith(recipe, rows, text ? lineEndOf(text) : '\n')
		);
		workspace.notice =
			left.length > 0
				? { kind: 'failed', text: `${rows.length} ${recipe.holds} written; ${left.length} left out, first: ${left[0]}` }
				: { kind: 'done', text: `${rows.length} ${recipe.holds} written.` };
	}

	async function keep() {
		if (!recipe) return;
		try {
			kept = (await ask<{ recipes: Recipe[] }>(`${workspace.path}/recipes`, 'PUT', recipe)).recipes;
			workspace.notice = {
				kind: 'done',
				text: `The recipe "${recipe.name}" is kept with ${workspace.document.application.name}.`
			};
		} catch (error) {
			if (!(error instanceof ApiError)) throw error;
			workspace.notice = { kind: 'failed', text: error.message };
		}
	}

	async function drop(name: string) {
		kept = (await ask<{ recipes: Recipe[] }>(`${workspace.path}/recipes?name=${encodeURIComponent(name)}`, 'DELETE')).recipes;
	}

	const shapeNames = { line: 'lines', delimited: 'delimited fields', json: 'JSON', yaml: 'YAML', xml: 'XML' } as const;
	const told = ({ record }: Recipe) =>
		record.shape === 'line'
			? record.template
			: record.shape === 'delimited'
				? record.columns.join(record.delimiter === '\t' ? ' ⇥ ' : ` ${record.delimiter} `)
				: record.shape === 'xml'
					? `<${record.element}>`
					: record.at || 'the whole document';
</script>

<div class="view">
	<section class="left" aria-label="Sample">
		<div class="bar">
			<h1>Recipe</h1>
			<div role="group" aria-label="The file holds">
				{#each Holds.options as kind (kind)}
					<button
						class="pill"
						type="button"
						aria-pressed={holds === kind}
						disabled={kind === 'aliases' && !hasAliases}
						onclick={() => ((holds = kind), (marks = {}), guess())}>{kind}</button
					>
				{/each}
			</div>
			<label class="linkish open"
				>Open a file<input type="file" onchange={(event) => void open(event.currentTarget.files?.[0])} /></label
			>
		</div>
		<textarea
			bind:this={area}
			bind:value={text}
			class="mono"
			spellcheck="false"
			aria-label="Sample"
			placeholder="Paste a file here, drop it, or open it. If the proposal is wrong, select the parts of one record and say what they are."
			oninput={() => ((marks = {}), guess())}
			ondragover={(event) => event.preventDefault()}
			ondrop={(event) => {
				if (!event.dataTransfer?.files.length) return;
				event.preventDefault();
				void open(event.dataTransfer.files[0]);
			}}></textarea>
		<div class="marks" role="group" aria-label="Mark the selection as">
			<span class="quiet">The selection is the</span>
			{#each markable as field (field)}
				<button class="pill" type="button" aria-pressed={marks[field] !== undefined} onclick={() => mark(field)}
					>{field}{#if marks[field]}: <b class="mono">{text.slice(marks[field].start, marks[field].end)}</b>{/if}</button
				>
			{/each}
			{#if Object.keys(marks).length > 0}<button class="linkish" type="button" onclick={() => ((marks = {}), guess())}
					>Forget the marks</button
				>{/if}
		</div>
		{#if refusal}<Problems problems={refusal.problems} file={fileName} title="Not taken. {refusal.message}" />{/if}
	</section>
	<section class="right" aria-label="Recipe">
		{#if kept.length > 0}
			<p class="kept">
				<span class="quiet">Kept:</span>
				{#each kept as one (one.name)}
					<span class="one"
						><button class="linkish" type="button" onclick={() => ((recipe = one), (holds = one.holds))}>{one.name}</button
						><button class="drop" type="button" aria-label="Drop the recipe {one.name}" onclick={() => void drop(one.name)}
							>×</button
						></span
					>
				{/each}
			</p>
		{/if}
		{#if !recipe}
			<p class="none quiet">
				{text.trim() === ''
					? 'A recipe says how a file of yours is written, both ways: with it Skarn reads the file, finds what clashes, and writes back only what you changed.'
					: 'No proposal fits. Select the parts of one record in the sample and say what they are.'}
			</p>
		{:else}
			{#if unsaid}<p class="callout tone-limonite">{unsaid}</p>{/if}
			{#if proposals.length > 1}
				<div class="proposals" role="radiogroup" aria-label="Proposals">
					{#each proposals as { recipe: one, reading }, i (i)}
						<button
							type="button"
							role="radio"
							aria-checked={recipe === one}
							class="proposal"
							class:chosen={recipe === one}
							onclick={() => (recipe = one)}
							><small class="quiet">{shapeNames[one.record.shape]} · {reading.records.length} records</small><span class="mono"
								>{told(one)}</span
							></button
						>
					{/each}
				</div>
			{/if}
			<RecipeForm {recipe} onchange={(next) => (recipe = next)} />
			<div class="result">
				<p class="counts">
					<span class="tone-epidote"><b class="toned">● {records.length}</b> records</span>
					<span class="tone-azurite"
						><b class="toned">{known}</b> of them {holds === 'macros' ? 'with steps that can be read' : 'of commands here'}</span
					>
					<span class={unknown.length > 0 ? 'tone-limonite' : 'quiet'}
						><b class="toned">▲ {unknown.length}</b> {unknown.length === 1 ? 'line' : 'lines'} that it does not read</span
					>
					{#if trial}
						<span class={trial.failed ? 'tone-garnet' : 'tone-epidote'}
							>{#if trial.failed}<b class="toned">◆ round trip</b> line {trial.failed.line}: {trial.failed.reason}{:else}<b
									class="toned">✓ round trip</b
								>
								of {trial.tried} records, byte for byte{/if}</span
						>
					{/if}
				</p>
				{#if read.problems.length > 0}<Problems
						problems={read.problems}
						file={fileName}
						title="This recipe cannot read the file."
					/>{/if}
				{#if imported}
					<Preview file={fileName} reading={imported} ondone={() => (imported = undefined)} />
				{:else}
					<div class="table">
						<table>
							<thead
								><tr
									><th class="num">Line</th>{#each fields as field (field)}<th>{field}</th>{/each}</tr
								></thead
							>
							<tbody>
								{#each records.slice(0, 100) as record (record.start)}
									<tr class:off={record.off}>
										<td class="num quiet">{record.line}</td>
										{#each fields as field (field)}
											{@const value = record.fields[field]?.value ?? ''}
											<td class="mono" class:unknown={field === 'command' && !knows(value)}
												>{value}{#if field === 'command' && !knows(value)}<span class="quiet sans">not here</span>{/if}</td
											>
										{/each}
									</tr>
								{/each}
								{#each unknown.slice(0, 50) as { line, column, message } (line)}
									<tr class="missed"
										><td class="num quiet">{line}</td><td colspan={fields.length}>▲ column {column}: {message}</td></tr
									>
								{/each}
							</tbody>
						</table>
						{#if records.length > 100}<p class="quiet more">and {records.length - 100} more</p>{/if}
					</div>
				{/if}
			</div>
			{#if contexts.length > 0 && holds === 'shortcuts'}
				<p class="callout tone-limonite">
					{contexts.length === 1 ? 'A context has' : `${contexts.length} contexts have`} no meaning here yet: {contexts
						.slice(0, 5)
						.join(', ')}. Say what they stand for under Contexts, one a line, such as
					<span class="mono">part = document=part</span>.
				</p>
			{/if}
			<p class="acts">
				{#if recipe.holds === 'aliases'}
					<Button size="sm" disabled={records.length === 0 || !hasAliases} onclick={() => void useAliases()}
						>Use as the alias file of {workspace.target.name}</Button
					>
				{:else}
					<Button size="sm" disabled={records.length === 0} onclick={() => void seeImport()}>See what it would change</Button>
					<Button size="sm" color="alternative" onclick={writeOut}>Write {workspace.target.name} so</Button>
				{/if}
				<Button size="sm" color="alternative" onclick={() => void keep()}>Keep the recipe</Button>
				<Button
					size="sm"
					color="alternative"
					onclick={() =>
						recipe &&
						save(
							`${recipe.name.replaceAll(/\W+/g, '-').toLowerCase()}.recipe.json`,
							JSON.stringify(recipe, null, '\t') + '\n',
							'application/json'
						)}>Save it as a file</Button
				>
			</p>
		{/if}
	</section>
</div>

<style>
	.view {
		display: grid;
		grid-template-columns: minmax(0, 0.85fr) minmax(0, 1.15fr);
		height: 100%;
	}
	.left,
	.right {
		display: flex;
		flex-direction: column;
		gap: 10px;
		min-height: 0;
		padding: 12px 14px;
	}
	.right {
		overflow-y: auto;
	}
	.left {
		border-right: 1px solid var(--line-strong);
	}
	.bar {
		display: flex;
		gap: 14px;
		align-items: center;
	}
	.bar > div {
		display: flex;
		gap: 6px;
	}
	.open {
		margin-left: auto;
		font-size: 13px;
	}
	.open input {
		position: absolute;
		width: 1px;
		height: 1px;
		opacity: 0;
	}
	.open:focus-within {
		outline: 2px solid var(--azurite);
	}
	.left textarea {
		flex: 1;
		min-height: 120px;
		padding: 8px 10px;
		border: 1px solid var(--control);
		border-radius: 3px;
		background: var(--raised);
		color: var(--ink);
		font-size: 13px;
		line-height: 1.5;
		white-space: pre;
		resize: none;
		tab-size: 4;
	}
	.marks {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
		align-items: center;
		font-size: 13px;
	}
	.kept {
		display: flex;
		flex-wrap: wrap;
		gap: 10px;
		font-size: 13px;
	}
	.drop {
		border: 0;
		background: none;
		color: var(--ink-3);
	}
	.proposals {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: 8px;
	}
	.proposal {
		display: grid;
		padding: 6px 10px;
		border: 1px solid var(--line-strong);
		border-radius: 4px;
		background: transparent;
		color: var(--ink);
		font-size: 12.5px;
		text-align: left;
		overflow: hidden;
	}
	.proposal.chosen {
		border-color: var(--fluorite);
		background: var(--fluorite-wash);
	}
	.proposal .mono {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.result {
		display: flex;
		flex-direction: column;
		flex: 1;
		min-height: 280px;
		gap: 8px;
	}
	.counts {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 16px;
		font-size: 13px;
	}
	.table {
		flex: 1;
		min-height: 0;
		overflow: auto;
		border: 1px solid var(--line-strong);
		border-radius: 3px;
	}
	table {
		width: 100%;
		border-collapse: collapse;
		font-size: 13px;
	}
	th {
		position: sticky;
		top: 0;
		padding: 4px 10px;
		background: var(--panel);
		font-size: 12.5px;
		font-weight: 600;
		text-align: left;
	}
	th.num {
		text-align: right;
	}
	td {
		padding: 3px 10px;
		border-top: 1px solid var(--line);
	}
	.off td {
		color: var(--ink-3);
		text-decoration: line-through;
	}
	.unknown {
		color: var(--limonite);
	}
	.sans {
		margin-left: 6px;
		font-family: var(--font);
	}
	.missed td {
		color: var(--limonite);
	}
	.more {
		padding: 6px 10px;
		font-size: 13px;
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	.callout {
		font-size: 13px;
	}
	.none {
		max-width: 460px;
	}
</style>
