<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { barsIn } from '$core/chapters/bars/bar';
	import { wholeBars } from '$core/chapters/bars/whole';
	import { scopeText } from '$core/context/scope';
	import type { SearchPaths } from '$core/folders/search';
	import {
		holdingsOf,
		MACHINE,
		saidIn,
		SECTIONS,
		selectProfile,
		USUAL,
		type Holdings,
		type Selection
	} from '$core/hand-over/selection';
	import { ask } from '$lib/state/api';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { download } from '../save';
	import { bandClass } from '../stratum-look';
	import { entriesText, sizeOf } from '../wording';
	import SelectionBar from './SelectionBar.svelte';

	/** The profile as files, whole or in part. */
	const workspace = useWorkspace();
	let out = $state.raw<Selection>(USUAL);
	let known = $state.raw<SearchPaths | undefined>(undefined);
	const categories = $derived([...new Set([...workspace.catalogue.values()].map((c) => c.category[0]!))]);

	const bars = $derived(
		wholeBars(workspace.profile.flatMap((stratum) => [...barsIn(stratum).values()])).map(({ id, item }) => ({
			id: id as string,
			name: item.name
		}))
	);

	$effect(() => {
		void ask<SearchPaths>(`${workspace.path}/folders`)
			.then((found) => (known = found))
			.catch(() => undefined);
	});

	/** What the limits leave of the profile. */
	const limited = $derived(selectProfile(workspace.profile, { ...out, sections: SECTIONS }, { index: workspace.index }));
	const selected = $derived(selectProfile(workspace.profile, out, { index: workspace.index }));
	/** How much there is of each part within the limits. */
	const holds = $derived.by((): Holdings => {
		const here = holdingsOf(saidIn(limited), workspace.index.rules);
		return { ...here, [MACHINE]: here[MACHINE]! + (known && known.groups.length > 0 ? 1 : 0) };
	});
	/** How many entries go out, and of how many if not all do. */
	const outOf = (n: number, at: number): string => {
		const all = sizeOf(workspace.profile[at]!);
		return n === all ? entriesText(n) : `${n} of ${entriesText(all)}`;
	};
	const whole = $derived(selected.reduce((sum, stratum) => sum + sizeOf(stratum), 0));

	/** Where the server writes it, of the setup that is on screen. */
	const path = (format: string, stratum?: string) => {
		const query = new URLSearchParams({ format, setup: workspace.document.setup.id, sections: out.sections.join(',') });
		if (stratum) query.set('stratum', stratum);
		if (Object.keys(out.contexts).length > 0) query.set('in', scopeText(out.contexts));
		for (const category of out.categories) query.append('category', category);
		for (const bar of out.bars ?? []) query.append('bar', bar);
		return `${workspace.path}/export?${query}`;
	};
</script>

<aside aria-label="Export">
	<h2>Export</h2>
	<p class="quiet">JSON contains everything that is selected; CSV contains one shortcut per line.</p>
	<details class="what">
		<summary>Contents</summary>
		<SelectionBar selection={out} {holds} {categories} {bars} onchange={(next) => (out = next)} />
	</details>
	<ul>
		<li class="whole">
			<span class="core" aria-hidden="true"
				>{#each workspace.profile as s (s.id)}<i class={bandClass(s.kind)}></i>{/each}</span
			>
			<span><b>Whole profile</b><small class="quiet">{entriesText(whole)} in {workspace.profile.length} levels</small></span>
			<span class="acts"
				><Button
					size="xs"
					color="alternative"
					onclick={() => void download(workspace, path('json'))}
					aria-label="Whole profile as JSON">JSON</Button
				><Button
					size="xs"
					color="alternative"
					onclick={() => void download(workspace, path('csv'))}
					aria-label="Whole profile as CSV">CSV</Button
				></span
			>
		</li>
		{#each selected as stratum, i (stratum.id)}
			<li>
				<span class="core" aria-hidden="true"><i class={bandClass(stratum.kind)}></i></span>
				<span><b>{stratum.name}</b><small class="quiet">{outOf(sizeOf(stratum), i)}</small></span>
				<span class="acts"
					><Button
						size="xs"
						color="alternative"
						onclick={() => void download(workspace, path('json', stratum.id))}
						aria-label="{stratum.name} as JSON">JSON</Button
					><Button
						size="xs"
						color="alternative"
						onclick={() => void download(workspace, path('csv', stratum.id))}
						aria-label="{stratum.name} as CSV">CSV</Button
					></span
				>
			</li>
		{/each}
	</ul>
	<p class="more">
		<span class="quiet">Shortcuts as a spreadsheet:</span>
		<button class="linkish" type="button" onclick={() => void download(workspace, path('xlsx'))}>XLSX</button>
	</p>
	<p class="more">
		<a class="linkish" href="sheet">Print the setup as sheets</a>
	</p>
</aside>

<style>
	aside {
		display: flex;
		flex-direction: column;
		align-items: flex-start;
		gap: var(--space-2);
		padding: var(--space-4);
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
		gap: var(--space-2);
		align-items: center;
		padding: var(--space-2) 0;
		border-top: 1px solid var(--line);
	}
	small {
		display: block;
		font-size: var(--caption);
	}
	.what {
		width: 100%;
		padding: 6px 0;
		border-top: 1px solid var(--line);
		border-bottom: 1px solid var(--line);
		font-size: var(--dense);
	}
	.what summary {
		font-weight: 600;
	}
	.what[open] > summary {
		margin-bottom: var(--space-2);
	}
	.more {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-1) var(--space-2);
		font-size: var(--dense);
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
		gap: var(--space-1);
	}
	aside :global(.acts a),
	aside :global(.acts button) {
		padding: 2px var(--space-2);
	}
</style>
