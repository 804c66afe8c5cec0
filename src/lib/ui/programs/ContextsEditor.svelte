<script lang="ts">
	import { formOf } from '$core/text/counted';
	import { Textarea } from 'flowbite-svelte';
	import type { ContextSpace } from '$core/context/space';
	import Table from '../kit/Table.svelte';

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
			Write each axis at the start of a line, with its contexts indented below it. <span class="mono">never Assembly + Edge</span>
			excludes a combination; <span class="mono">only Document: Part; Selection: Edge | Face</span> lists the only possible
			combinations;
			<span class="mono">modes Document: part = part.open</span> lists the commands that switch between the contexts of an axis.
		</p>
	</div>
	<div aria-live="polite">
		{#if 'problem' in read}<p class="callout tone-garnet">{read.problem}</p>
		{:else if picture}
			{@const { rows, columns, counts, all } = picture}
			<p><b>{all}</b> {formOf(all, 'situation', 'situations')} result.</p>
			<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
			<div class="scroll" tabindex="0" role="region" aria-label="Situations">
				<Table
					name="Situations"
					heads={[
						rows.label,
						...(columns
							? columns.nodes.map((node) => ({ name: node.label, isNumber: true }))
							: [{ name: 'Situations', isNumber: true }])
					]}
				>
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
				</Table>
			</div>
		{/if}
	</div>
</div>

<style>
	.contexts {
		display: grid;
		grid-template-columns: minmax(240px, 1fr) minmax(0, 1.3fr);
		gap: var(--space-4);
	}
	.hint {
		margin-top: 6px;
		font-size: var(--caption);
	}
	.scroll {
		max-height: 320px;
		margin-top: 6px;
		overflow: auto;
	}
	td {
		background: var(--epidote-wash);
	}
	.never {
		background: none;
		color: var(--ink-3);
	}
</style>
