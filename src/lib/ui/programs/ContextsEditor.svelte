<script lang="ts">
	import { Textarea } from 'flowbite-svelte';
	import { ContextsError, parseContexts, type Contexts } from '$core/application/contexts-text';
	import { contextSpace } from '$core/context/space';

	/** Axes, their contexts and which combinations occur, as text, with a picture of the situations that result. */
	let { text, onchange }: { text: string; onchange: (text: string, contexts: Contexts | undefined) => void } = $props();

	const read = $derived.by((): { contexts?: Contexts; problem?: string } => {
		try {
			return { contexts: parseContexts(text) };
		} catch (error) {
			if (error instanceof ContextsError) return { problem: error.message };
			throw error;
		}
	});
	const space = $derived.by(() => {
		if (!read.contexts) return undefined;
		try {
			return contextSpace(read.contexts.axes, read.contexts.reachable);
		} catch (error) {
			return (error as Error).message;
		}
	});
	/** How many situations stand at each context of the first axis with each of the second. */
	const picture = $derived.by(() => {
		if (!space || typeof space === 'string') return undefined;
		const [rows, columns] = space.axes;
		const counts = new Map<string, number>();
		for (const [first, second = ''] of space.situations) {
			const at = `${first}\n${second}`;
			counts.set(at, (counts.get(at) ?? 0) + 1);
		}
		return { rows: rows!, columns, counts, all: space.situations.length };
	});

	function take(event: Event) {
		const next = (event.currentTarget as HTMLTextAreaElement).value;
		let contexts: Contexts | undefined;
		try {
			contexts = parseContexts(next);
			contextSpace(contexts.axes, contexts.reachable);
		} catch {
			contexts = undefined;
		}
		onchange(next, contexts);
	}
</script>

<div class="contexts">
	<div>
		<Textarea rows={14} class="mono w-full" value={text} spellcheck="false" aria-label="Contexts" oninput={take} />
		<p class="quiet hint">
			An axis at the margin, its contexts indented beneath it, a context below another one further in. <span class="mono"
				>never Assembly + Edge</span
			>
			says what cannot be at once; <span class="mono">only Document: Part; Selection: Edge | Face</span> lists what can.
		</p>
	</div>
	<div aria-live="polite">
		{#if read.problem}<p class="callout tone-garnet">{read.problem}</p>
		{:else if typeof space === 'string'}<p class="callout tone-garnet">{space}</p>
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
