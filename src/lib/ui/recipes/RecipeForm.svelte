<script lang="ts">
	import { FIELDS, type Field } from '$core/recipe/field';
	import { parseScope, scopeText } from '$core/context/scope';
	import { KeySpelling, Recipe, type RecordShape } from '$core/recipe/recipe';

	/** A recipe to be adjusted part by part, or whole as JSON. What is not sound is said and not taken. */
	let { recipe, onchange }: { recipe: Recipe; onchange: (recipe: Recipe) => void } = $props();
	const OF: Readonly<Record<Recipe['holds'], readonly Field[]>> = {
		aliases: ['alias', 'command', 'note', 'lock', 'keys', 'context'],
		shortcuts: ['alias', 'command', 'note', 'lock', 'keys', 'context'],
		macros: ['macro', 'label', 'steps', 'note', 'lock'],
		bars: ['bar', 'tab', 'group', 'command', 'label', 'note']
	};
	let problem = $state('');
	let asText = $state(false);
	const record = $derived(recipe.record);
	const fields = $derived(FIELDS.filter((f) => OF[recipe.holds].includes(f)));

	function take(wanted: unknown) {
		const parsed = Recipe.safeParse(wanted);
		if (parsed.success) {
			problem = '';
			onchange(parsed.data);
		} else {
			const [issue] = parsed.error.issues;
			problem = `${issue!.path.join(' › ')}${issue!.path.length > 0 ? ': ' : ''}${issue!.message}`;
		}
	}

	const set = (part: Partial<Record<string, unknown>>) => take({ ...recipe, ...part });
	const setRecord = (part: Partial<Record<string, unknown>>) => {
		const next = { ...record, ...part } as Record<string, unknown>;
		for (const key of Object.keys(next)) if (next[key] === '' && key !== 'at' && key !== 'quote') delete next[key];
		set({ record: next });
	};
	const setPlace = (of: Extract<RecordShape, { fields: unknown }>, field: Field, place: string) => {
		const next: Record<string, string> = { ...of.fields, [field]: place };
		if (place === '') delete next[field];
		setRecord({ fields: next });
	};

	const signs = ['ctrl', 'alt', 'shift', 'meta'] as const;
	const spelling = $derived(KeySpelling.parse(recipe.keys ?? {}));
	const setKeys = (part: Partial<Record<string, unknown>>) => set({ keys: { ...spelling, ...part } });

	/** `left = right` lines as pairs; a line that is none is told and nothing is taken. */
	function pairs(text: string, take: (pairs: [string, string][]) => void) {
		const lines = text.split('\n').filter((line) => line.trim() !== '');
		const wrong = lines.find((line) => !/\S\s*=\s*\S/.test(line));
		if (wrong !== undefined) problem = `"${wrong.trim()}" is not in the form name = meaning`;
		else take(lines.map((line) => [line.slice(0, line.indexOf('=')).trim(), line.slice(line.indexOf('=') + 1).trim()]));
	}

	const takeContexts = (text: string) =>
		pairs(text, (lines) => {
			try {
				set({
					contexts: Object.fromEntries(lines.map(([name, scope]) => [name, parseScope(scope === 'everywhere' ? '' : scope)]))
				});
			} catch (error) {
				problem = (error as Error).message;
			}
		});

	function takeText(text: string) {
		try {
			take(JSON.parse(text));
		} catch (error) {
			problem = `not JSON: ${(error as Error).message}`;
		}
	}
</script>

{#snippet entry(label: string, value: string, take: (value: string) => void, hint = '', wide = false)}
	<label class:wide>
		<span>{label}</span>
		<input
			class="mono"
			{value}
			placeholder={hint}
			spellcheck="false"
			oninput={(event) => take((event.currentTarget as HTMLInputElement).value)}
		/>
	</label>
{/snippet}

<div class="form">
	{@render entry('Name', recipe.name, (name) => set({ name }))}
	{#if asText}
		<label class="wide">
			<span>Recipe as JSON</span>
			<textarea
				class="mono"
				rows="12"
				spellcheck="false"
				value={JSON.stringify(recipe, null, 2)}
				onchange={(event) => takeText((event.currentTarget as HTMLTextAreaElement).value)}></textarea>
		</label>
	{:else if record.shape === 'line'}
		{@render entry('One record', record.template, (template) => setRecord({ template }), '{alias} -> {command}[ # {note}]', true)}
		{@render entry('Comment sign', record.comment ?? '', (comment) => setRecord({ comment }), 'none')}
		{@render entry('Continuation mark', record.continues ?? '', (continues) => setRecord({ continues }), 'nothing')}
		<label class="check"
			><input
				type="checkbox"
				checked={record.gap === 'wide'}
				onchange={(e) => setRecord({ gap: e.currentTarget.checked ? 'wide' : '' })}
			/> Fixed-width columns</label
		>
		<label>
			<span>[Sections]</span>
			<select class="picker" value={record.sections} onchange={(e) => setRecord({ sections: e.currentTarget.value })}>
				<option value="none">none</option>
				<option value="context">contain the context</option>
				<option value="kept">are ignored</option>
			</select>
		</label>
	{:else if record.shape === 'delimited'}
		{@render entry(
			'Delimiter',
			record.delimiter,
			(delimiter) => setRecord({ delimiter: delimiter === '\\t' ? '\t' : delimiter }),
			','
		)}
		{@render entry('Quote', record.quote, (quote) => setRecord({ quote }), 'none')}
		{@render entry('Comment sign', record.comment ?? '', (comment) => setRecord({ comment }), 'none')}
		<label class="check"
			><input type="checkbox" checked={record.header} onchange={(e) => setRecord({ header: e.currentTarget.checked })} /> First line
			is a header</label
		>
		<div class="columns wide" role="group" aria-label="Columns">
			{#each record.columns as column, i (i)}
				<label
					><span>Column {i + 1}</span><select
						class="picker"
						value={column}
						onchange={(e) => setRecord({ columns: record.columns.with(i, e.currentTarget.value as Field) })}
						>{#each FIELDS as field (field)}<option value={field}>{field}</option>{/each}</select
					></label
				>
			{/each}
		</div>
	{:else}
		{#if record.shape === 'xml'}{@render entry('Element', record.element, (element) => setRecord({ element }))}
		{:else}{@render entry('Records are at', record.at, (at) => setRecord({ at }), 'the whole document')}{/if}
		{#each fields as field (field)}
			{@render entry(
				field,
				record.fields[field] ?? '',
				(place) => setPlace(record, field, place),
				record.shape === 'xml' ? '@attribute or .' : '/pointer or #'
			)}
		{/each}
	{/if}
	{#if !asText && recipe.holds === 'shortcuts'}
		<details class="wide">
			<summary>Key and context names</summary>
			<div class="form inner">
				{#each signs as sign (sign)}
					{@render entry(sign, spelling[sign], (word) => setKeys({ [sign]: word }), sign)}
				{/each}
				{@render entry('Order of the modifiers', spelling.order.join(' '), (words) =>
					setKeys({ order: words.trim().split(/\s+/) })
				)}
				{@render entry('Between modifier and key', spelling.joint, (joint) => setKeys({ joint }), '+')}
				<label>
					<span>Modifier position</span>
					<select class="picker" value={spelling.place} onchange={(e) => setKeys({ place: e.currentTarget.value })}>
						<option value="before">before the key</option>
						<option value="behind">after the key</option>
					</select>
				</label>
				{@render entry('Between strokes', spelling.then, (then) => setKeys({ then: then === '' ? ' ' : then }), 'a space')}
				<label>
					<span>Letters</span>
					<select class="picker" value={spelling.letters} onchange={(e) => setKeys({ letters: e.currentTarget.value })}>
						<option value="upper">F</option>
						<option value="lower">f</option>
					</select>
				</label>
				<label>
					<span>A letter means</span>
					<select class="picker" value={spelling.by} onchange={(e) => setKeys({ by: e.currentTarget.value })}>
						<option value="character">the character</option>
						<option value="position">the position on a US keyboard</option>
					</select>
				</label>
				<label class="wide">
					<span>Other key names, one per line: name in Skarn = name in the file</span>
					<textarea
						class="mono"
						rows="2"
						spellcheck="false"
						placeholder="Escape = ESC"
						value={Object.entries(spelling.names)
							.map(([ours, theirs]) => `${ours} = ${theirs}`)
							.join('\n')}
						onchange={(event) => pairs(event.currentTarget.value, (lines) => setKeys({ names: Object.fromEntries(lines) }))}
					></textarea>
				</label>
				<label class="wide">
					<span>Contexts, one per line: name in the file = axis=context, or everywhere</span>
					<textarea
						class="mono"
						rows="2"
						spellcheck="false"
						placeholder="part = document=part"
						value={Object.entries(recipe.contexts)
							.map(([name, scope]) => `${name} = ${scopeText(scope) || 'everywhere'}`)
							.join('\n')}
						onchange={(event) => takeContexts(event.currentTarget.value)}></textarea>
				</label>
			</div>
		</details>
	{/if}
	<button class="linkish" type="button" onclick={() => (asText = !asText)}
		>{asText ? 'By field' : 'Recipe as JSON, complete'}</button
	>
</div>
{#if problem}<p class="callout tone-garnet" role="alert">{problem}. The recipe was not changed.</p>{/if}

<style>
	.form {
		display: grid;
		grid-template-columns: repeat(3, minmax(0, 1fr));
		gap: var(--space-2) var(--space-3);
		align-items: end;
	}
	.inner {
		margin-top: var(--space-2);
	}
	summary {
		font-size: var(--dense);
	}
	.wide {
		grid-column: 1 / -1;
	}
	label > span {
		display: block;
		font-size: var(--caption);
		color: var(--ink-2);
	}
	input:not([type]),
	textarea {
		width: 100%;
		padding: 3px var(--space-2);
		border: 1px solid var(--control);
		border-radius: 3px;
		background: var(--raised);
		color: var(--ink);
		font-size: var(--dense);
	}
	.check {
		font-size: var(--dense);
	}
	.columns {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2);
	}
	.linkish {
		justify-self: start;
		font-size: var(--dense);
	}
	.callout {
		margin-top: var(--space-2);
		font-size: var(--dense);
	}
</style>
