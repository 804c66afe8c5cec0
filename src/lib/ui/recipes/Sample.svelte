<script lang="ts">
	import { Holds, type Field } from '$core/recipe/field';
	import type { RecipeWorkshop } from '$lib/state/recipe-workshop.svelte';
	import Problems from '../hand-over/Problems.svelte';

	/** The file as somebody pasted or opened it, and what they say its parts are. */
	let { workshop }: { workshop: RecipeWorkshop } = $props();
	let area = $state<HTMLTextAreaElement | undefined>(undefined);

	/** The textarea counts CRLF as one sign; the file does not. */
	function offsetIn(wanted: number): number {
		const { text } = workshop;
		if (!text.includes('\r')) return wanted;
		let at = 0;
		for (let seen = 0; seen < wanted; seen++) at += text.startsWith('\r\n', at) ? 2 : 1;
		return at;
	}

	function mark(field: Field) {
		if (!area) return;
		workshop.mark(field, offsetIn(area.selectionStart), offsetIn(area.selectionEnd));
		area.focus();
	}
</script>

<div class="bar">
	<h2>Recipe</h2>
	<div class="segmented" role="group" aria-label="The file contains">
		{#each Holds.options as kind (kind)}
			<button
				class="pill"
				type="button"
				aria-pressed={workshop.holds === kind}
				disabled={kind === 'aliases' && !workshop.hasAliases}
				onclick={() => workshop.take({ holds: kind })}>{kind}</button
			>
		{/each}
	</div>
	<label class="linkish open"
		>Open a file<input type="file" onchange={(event) => void workshop.open(event.currentTarget.files?.[0])} /></label
	>
</div>
<textarea
	bind:this={area}
	bind:value={workshop.text}
	class="mono"
	spellcheck="false"
	aria-label="Sample"
	placeholder="Paste, drop or open a file here. If the proposed recipe is wrong, select the parts of one record and mark what they are."
	oninput={() => workshop.forgetMarks()}
	ondragover={(event) => event.preventDefault()}
	ondrop={(event) => {
		if (!event.dataTransfer?.files.length) return;
		event.preventDefault();
		void workshop.open(event.dataTransfer.files[0]);
	}}></textarea>
<div class="marks" role="group" aria-label="Mark the selection as">
	<span class="quiet">Mark the selection as</span>
	{#each workshop.markable as field (field)}
		{@const marked = workshop.marks[field]}
		<button class="pill" type="button" aria-pressed={marked !== undefined} onclick={() => mark(field)}
			>{field}{#if marked}: <b class="mono">{workshop.text.slice(marked.start, marked.end)}</b>{/if}</button
		>
	{/each}
	{#if Object.keys(workshop.marks).length > 0}<button class="linkish" type="button" onclick={() => workshop.forgetMarks()}
			>Clear marks</button
		>{/if}
</div>
{#if workshop.refusal}<Problems
		problems={workshop.refusal.problems}
		file={workshop.fileName}
		title="Not imported. {workshop.refusal.message}"
	/>{/if}

<style>
	.bar {
		display: flex;
		gap: var(--space-3);
		align-items: center;
	}
	.bar > div {
		display: flex;
		gap: 6px;
	}
	.open {
		margin-left: auto;
		font-size: var(--dense);
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
	textarea {
		flex: 1;
		min-height: 120px;
		padding: var(--space-2) var(--space-2);
		border: 1px solid var(--control);
		border-radius: 3px;
		background: var(--raised);
		color: var(--ink);
		font-size: var(--dense);
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
		font-size: var(--dense);
	}
</style>
