<script lang="ts" module>
	/** The head of a column. */
	export interface Head {
		readonly name: string;
		/** Of its figures, as in "ms"; a column with a unit holds figures. */
		readonly unit?: string;
		/** Figures stand at the right. */
		readonly isNumber?: boolean;
		/** A longer explanation. */
		readonly title?: string;
		/** Its name is only spoken. */
		readonly isSpoken?: boolean;
		/** Written as in a file. */
		readonly isCode?: boolean;
	}
</script>

<script lang="ts">
	import type { Snippet } from 'svelte';

	/** A table of a few rows. Its heads stay in sight where the part around it scrolls; `.num` in a row puts a figure at the right. */
	let {
		name,
		heads = [],
		head,
		isEmpty = false,
		empty = 'No entries.',
		isFixed = false,
		children
	}: {
		/** What the rows are, for assistive software. */
		name: string;
		heads?: readonly (string | Head)[];
		/** The cells of the head, where they are more than names. */
		head?: Snippet;
		isEmpty?: boolean;
		/** What an empty table says. */
		empty?: string;
		/** All columns are as wide as their heads say. */
		isFixed?: boolean;
		/** The bodies or rows. */
		children: Snippet;
	} = $props();
	const all = $derived(heads.map((one): Head => (typeof one === 'string' ? { name: one } : one)));
</script>

<table aria-label={name} class:fixed={isFixed}>
	<thead>
		<tr>
			{#if head}{@render head()}
			{:else}{#each all as { name, unit, isNumber, title, isSpoken, isCode }, i (i)}
					<th scope="col" class:num={isNumber || unit !== undefined} class:mono={isCode} {title}>
						<span class:visually-hidden={isSpoken}
							>{name}{#if unit}, {unit}{/if}</span
						>
					</th>
				{/each}{/if}
		</tr>
	</thead>
	{#if isEmpty}
		<tbody>
			<tr>
				<td class="quiet" colspan={Math.max(1, all.length)}>
					<span role="status">{empty}</span>
				</td>
			</tr>
		</tbody>
	{:else}{@render children()}{/if}
</table>

<style>
	/* in the layer of shared parts, so that a view can still shape its own cells */
	@layer components {
		table {
			width: 100%;
			border-spacing: 0;
			font-size: var(--dense);
		}
		.fixed {
			table-layout: fixed;
		}
		table :global(:is(th, td)) {
			height: var(--row);
			padding: 2px var(--space-3) 2px 0;
			border-bottom: 1px solid var(--line);
			font-weight: 400;
			text-align: left;
		}
		table :global(:is(th, td):last-child) {
			padding-right: 2px;
		}
		table :global(tbody th) {
			font-weight: 550;
		}
		table :global(.num) {
			text-align: right;
			white-space: nowrap;
		}
		thead :global(th) {
			position: sticky;
			z-index: 1;
			top: 0;
			height: 28px;
			border-bottom-color: var(--line-strong);
			background: var(--table-ground, var(--ground));
			color: var(--ink-2);
			font-size: var(--caption);
			font-weight: 550;
			vertical-align: bottom;
		}
		thead .mono {
			font-family: var(--mono);
		}
	}
</style>
