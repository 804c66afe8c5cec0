<script lang="ts">
	import { Button, Spinner } from 'flowbite-svelte';
	import { scopeText, type Scope } from '$core/context/scope';
	import type { SearchPaths } from '$core/folders/search';
	import { holdingsOf, MACHINE, saidIn, USUAL, type Holdings, type Selection } from '$core/hand-over/selection';
	import type { StratumId } from '$core/strata/stratum';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import FileDrop from '$lib/ui/hand-over/FileDrop.svelte';
	import Preview from '$lib/ui/hand-over/Preview.svelte';
	import SelectionBar from '$lib/ui/hand-over/SelectionBar.svelte';
	import ScopePicker from '$lib/ui/ScopePicker.svelte';
	import { ask } from '$lib/state/api';
	import Problems from '$lib/ui/hand-over/Problems.svelte';
	import Picker from '$lib/ui/Picker.svelte';
	import { bandClass } from '$lib/ui/stratum-look';
	import { entriesText, sizeOf } from '$lib/ui/wording';
	import { FileReading, ReadingRefusedError } from '$lib/workers/reading';
	import type { Reading } from '$lib/workers/reading.worker';

	const workspace = useWorkspace();
	const files = new FileReading();
	let into = $state('');
	let file = $state.raw<File | undefined>(undefined);
	let reading = $state.raw<Reading | undefined>(undefined);
	let refusal = $state.raw<ReadingRefusedError | undefined>(undefined);
	let problem = $state('');
	let stage = $state('');
	/** What is taken of the file, and the contexts that its shortcuts get: their own, all, or those chosen. */
	let wanted = $state.raw<Selection>(USUAL);
	let place = $state<'own' | 'all' | 'one'>('own');
	let one = $state.raw<Scope>({});
	const scopeFor = () => (place === 'own' ? undefined : place === 'all' ? {} : one);
	let out = $state.raw<Selection>(USUAL);
	let known = $state.raw<SearchPaths | undefined>(undefined);
	const writable = $derived(workspace.profile.filter((s) => s.kind !== 'factory'));

	$effect(() => {
		void ask<SearchPaths>(`${workspace.path}/folders`)
			.then((found) => (known = found))
			.catch(() => undefined);
	});

	/** How much there is of each part here. */
	const holds = $derived.by((): Holdings => {
		const here = holdingsOf(saidIn(workspace.profile), workspace.index.rules);
		return { ...here, [MACHINE]: here[MACHINE]! + (known && known.groups.length > 0 ? 1 : 0) };
	});
	const categories = $derived([...new Set([...workspace.catalogue.values()].map((c) => c.category[0]!))]);

	async function read(given: File | undefined = file) {
		if (!given) return;
		if (given !== file) {
			reading = undefined;
			wanted = USUAL;
			place = 'own';
		}
		file = given;
		refusal = undefined;
		problem = '';
		stage = 'Starting';
		const { application, commands } = workspace.document;
		const { profile } = workspace;
		const target = into === '' ? undefined : (into as StratumId);
		try {
			reading = await files.shortcuts(
				given,
				{ application, commands, profile, into: target, selection: wanted, scope: scopeFor(), desks: workspace.office.desks },
				(next) => (stage = next)
			);
		} catch (error) {
			if (error instanceof ReadingRefusedError) refusal = error;
			else problem = `${given.name} could not be read: ${(error as Error).message}`;
		} finally {
			stage = '';
		}
	}

	function leave() {
		file = undefined;
		reading = undefined;
		refusal = undefined;
		problem = '';
	}

	const href = (format: string, stratum?: string) => {
		const query = new URLSearchParams({ format, sections: out.sections.join(',') });
		if (stratum) query.set('stratum', stratum);
		if (Object.keys(out.contexts).length > 0) query.set('in', scopeText(out.contexts));
		for (const category of out.categories) query.append('category', category);
		return `${workspace.path}/export?${query}`;
	};
</script>

<div class="view">
	<aside aria-label="Take out">
		<h1>Take out</h1>
		<p class="quiet">The open format keeps everything that is ticked; CSV holds one shortcut a line for tables.</p>
		<details class="what">
			<summary>What goes out</summary>
			<SelectionBar selection={out} {holds} {categories} onchange={(next) => (out = next)} />
		</details>
		<ul>
			<li class="whole">
				<span class="core" aria-hidden="true"
					>{#each workspace.profile as s (s.id)}<i class={bandClass(s.kind)}></i>{/each}</span
				>
				<span
					><b>Whole profile</b><small class="quiet"
						>{workspace.profile.reduce((n, s) => n + sizeOf(s), 0)} entries in {workspace.profile.length} strata</small
					></span
				>
				<span class="acts"
					><Button
						size="xs"
						color="alternative"
						href={href('json')}
						download
						data-sveltekit-reload
						aria-label="Whole profile as JSON">JSON</Button
					><Button
						size="xs"
						color="alternative"
						href={href('csv')}
						download
						data-sveltekit-reload
						aria-label="Whole profile as CSV">CSV</Button
					></span
				>
			</li>
			{#each workspace.profile as stratum (stratum.id)}
				<li>
					<span class="core" aria-hidden="true"><i class={bandClass(stratum.kind)}></i></span>
					<span><b>{stratum.name}</b><small class="quiet">{entriesText(sizeOf(stratum))}</small></span>
					<span class="acts"
						><Button
							size="xs"
							color="alternative"
							href={href('json', stratum.id)}
							download
							data-sveltekit-reload
							aria-label="{stratum.name} as JSON">JSON</Button
						><Button
							size="xs"
							color="alternative"
							href={href('csv', stratum.id)}
							download
							data-sveltekit-reload
							aria-label="{stratum.name} as CSV">CSV</Button
						></span
					>
				</li>
			{/each}
		</ul>
		<p class="more">
			<span class="quiet">Shortcuts as a sheet:</span>
			<a class="linkish" href={href('xlsx')} download data-sveltekit-reload>XLSX</a>
		</p>
		<p class="more">
			<span class="quiet">Quick reference of what is in force:</span>
			<a class="linkish" href={href('md')} download data-sveltekit-reload>Markdown</a>
			<a class="linkish" href={href('html')} download data-sveltekit-reload>HTML to print</a>
		</p>
		<h2>Another application</h2>
		<p class="quiet">A list of its commands is enough to begin with a program of your own.</p>
		<Button size="sm" color="alternative" href="/catalogue">Bring a catalogue…</Button>
	</aside>
	<section class="in" aria-label="Bring in">
		<div class="head">
			<h1>Bring in</h1>
			<span class="into"
				>into <Picker
					label="Import into"
					value={into}
					onpick={(next) => ((into = next), void read())}
					items={[
						{ value: '', name: 'the strata the file names' },
						...writable.map((s) => ({ value: s.id as string, name: s.name }))
					]}
				/></span
			>
		</div>
		{#if !reading || refusal}
			<FileDrop
				label="Drop a profile (JSON) or shortcuts (CSV, XLSX), or click to choose"
				hint="Up to 50 MB. You see what it would do before anything changes."
				accept=".json,.csv,.xlsx,application/json,text/csv"
				onfile={read}
				onproblem={(message) => (leave(), (problem = message))}
			/>
		{/if}
		{#if stage}
			<p class="busy" role="status">
				<Spinner size="5" />
				{stage} … <Button size="xs" color="alternative" onclick={() => (files.cancel(), leave())}>Cancel</Button>
			</p>
		{/if}
		{#if problem}<p class="callout tone-garnet" role="alert">{problem}</p>{/if}
		{#if refusal}<Problems
				problems={refusal.problems}
				file={file?.name ?? 'file'}
				title="Nothing of this file was taken. {refusal.message}"
			/>{/if}
		{#if reading && file}
			<details class="what" open={(reading.holds[MACHINE] ?? 0) > 0 || place !== 'own'}>
				<summary>What is taken of it</summary>
				<SelectionBar
					selection={wanted}
					holds={reading.holds}
					categories={reading.categories}
					onchange={(next) => ((wanted = next), void read())}
				/>
				<p class="place">
					Its shortcuts hold
					<Picker
						label="Contexts of the shortcuts"
						value={place}
						items={[
							{ value: 'own', name: 'where the file says' },
							{ value: 'all', name: 'in all contexts' },
							{ value: 'one', name: 'only in …' }
						]}
						onpick={(next) => ((place = next as typeof place), void read())}
					/>
					{#if place === 'one'}<ScopePicker scope={one} onchange={(next) => ((one = next), void read())} />{/if}
				</p>
			</details>
		{/if}
		{#if reading && file}<Preview file={file.name} {reading} ondone={leave} />{/if}
		{#if !reading && !refusal && !stage}
			<p class="quiet">
				Columns of a CSV: keys and command are needed; scope, stratum and op are taken when they are there, as in <span
					class="mono">Ctrl+E,file.export,,office,set</span
				>.
			</p>
		{/if}
	</section>
</div>

<style>
	.view {
		display: grid;
		grid-template-columns: 316px minmax(0, 1fr);
		height: 100%;
	}
	aside {
		display: flex;
		flex-direction: column;
		align-items: flex-start;
		gap: 10px;
		padding: 16px;
		background: var(--panel);
		border-right: 1px solid var(--line-strong);
		overflow-y: auto;
	}
	ul {
		width: 100%;
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li {
		display: grid;
		grid-template-columns: 22px 1fr auto;
		gap: 8px;
		align-items: center;
		padding: 8px 0;
		border-top: 1px solid var(--line);
	}
	small {
		display: block;
		font-size: 12.5px;
	}
	.what {
		width: 100%;
		padding: 6px 0;
		border-top: 1px solid var(--line);
		border-bottom: 1px solid var(--line);
		font-size: 13px;
	}
	.what summary {
		font-weight: 600;
	}
	.what[open] summary {
		margin-bottom: 8px;
	}
	.place {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		align-items: center;
		margin-top: 8px;
	}
	.more {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 10px;
		font-size: 13px;
	}
	.core {
		display: grid;
		gap: 1px;
		width: 14px;
		height: 34px;
		border-radius: 3px;
		overflow: hidden;
	}
	.acts {
		display: flex;
		gap: 4px;
	}
	aside :global(.acts a),
	aside :global(.acts button) {
		padding: 2px 8px;
	}
	.in {
		display: flex;
		flex-direction: column;
		gap: 12px;
		min-height: 0;
		padding: 16px;
	}
	.head {
		display: flex;
		align-items: center;
		gap: 16px;
	}
	.into {
		display: flex;
		align-items: center;
		gap: 6px;
	}
	.busy {
		display: flex;
		gap: 10px;
		align-items: center;
	}
</style>
