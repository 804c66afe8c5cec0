<script lang="ts">
	import { Textarea } from 'flowbite-svelte';
	import type { ContextSpace } from '$core/context/space';

	/** Axes, their contexts and which combinations occur, as text, with a picture of the situations that result. */
	let {
		text,
		read,
		onchange
	}: {
		text: string;
		read: { readonly space: ContextSpace } | { readonly problem: string };
		onchange: (text: string) => void;
	} = $props();

	/** How many situations stand at each context of the first axis with each of the second. */
	const picture = $derived.by(() => {
		if ('problem' in read) return undefined;
		const { space } = read;
		const [rows, columns] = space.axes;
		const counts = new Map<string, number>();
		for (const [first, second = ''] of space.situations) {
			const at = `${first}\n${second}`;
			counts.set(at, (counts.get(at) ?? 0) + 1);
		}
		return { rows: rows!, columns, counts, all: space.situations.length };
	});
</script>

<div class="contexts">
	<div>
		<Textarea
			rows={14}
			class="mono w-full"
			value={text}
			spellcheck="false"
			aria-label="Contexts"
			oninput={(event: Event) => onchange((event.currentTarget as HTMLTextAreaElement).value)}
		/>
		<p class="quiet hint">
			An axis at the margin, its contexts indented beneath it, a context below another one further in. <span class="mono"
				>never Assembly + Edge</span
			>
			says what cannot be at once; <span class="mono">only Document: Part; Selection: Edge | Face</span> lists what can;
			<span class="mono">modes Document: part = part.open</span> that people switch among the contexts of an axis themselves, by these
			commands.
		</p>
	</div>
	<div aria-live="polite">
		{#if 'problem' in read}<p class="callout tone-garnet">{read.problem}</p>
		{:else if picture}
			{@const { rows, columns, counts, all } = picture}
			<p><b>{all}</b> {all === 1 ? 'situation' : 'situations'} result.</p>
			<div class="scroll">
				<table>
					<thead>
						<tr
							><th scope="col">{rows.label}</th>{#if columns}{#each columns.nodes as node (node.id)}<th scope="col"
										>{node.label}</th
									>{/each}{:else}<th scope="col">Situations</th>{/if}</tr
						>
					</thead>
					<tbody>
						{#each rows.nodes as node (node.id)}
							<tr>
								<th scope="row">{node.label}</th>
								{#each columns ? columns.nodes.map((n) => n.id as string) : [''] as second (second)}
									{@const count = counts.get(`${node.id}\n${second}`) ?? 0}
									<td class="num" class:never={count === 0}>{count === 0 ? '·' : count}</td>
								{/each}
							</tr>
						{/each}
					</tbody>
				</table>
			</div>
		{/if}
	</div>
</div>

<style>
	.contexts {
		display: grid;
		grid-template-columns: minmax(240px, 1fr) minmax(0, 1.3fr);
		gap: 18px;
	}
	.hint {
		margin-top: 6px;
		font-size: 12.5px;
	}
	.scroll {
		max-height: 320px;
		margin-top: 6px;
		overflow: auto;
	}
	table {
		border-collapse: collapse;
		font-size: 12.5px;
	}
	th,
	td {
		padding: 3px 8px;
		border: 1px solid var(--line);
		font-weight: 500;
		text-align: left;
	}
	td {
		background: var(--epidote-wash);
		text-align: right;
	}
	.never {
		background: none;
		color: var(--ink-3);
	}
</style>
