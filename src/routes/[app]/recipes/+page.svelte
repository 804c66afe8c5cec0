<script lang="ts">
	import { counted } from '$core/text/counted';
	import { goto } from '$app/navigation';
	import { Button } from 'flowbite-svelte';
	import { onMount } from 'svelte';
	import { RecipeWorkshop } from '$lib/state/recipe-workshop.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Confirm from '$lib/ui/Confirm.svelte';
	import Proposals from '$lib/ui/recipes/Proposals.svelte';
	import RecipeForm from '$lib/ui/recipes/RecipeForm.svelte';
	import Records from '$lib/ui/recipes/Records.svelte';
	import Sample from '$lib/ui/recipes/Sample.svelte';
	import { save } from '$lib/ui/save';

	const workspace = useWorkspace();
	const workshop = new RecipeWorkshop(workspace);
	let isAsking = $state(false);
	onMount(() => workshop.load());

	async function useAliases() {
		if (await workshop.useAsAliasFile()) await goto(`/${workspace.document.application.id}/aliases`);
	}

	function writeOut() {
		const file = workshop.written();
		if (file) save(file.name, file.text);
	}

	function saveRecipe() {
		const { recipe } = workshop;
		if (!recipe) return;
		const name = recipe.name.replaceAll(/\W+/g, '-').toLowerCase();
		save(`${name}.recipe.json`, JSON.stringify(recipe, null, '\t') + '\n', 'application/json');
	}
</script>

<div class="view">
	<section class="left" aria-label="Sample"><Sample {workshop} /></section>
	<section class="right" aria-label="Recipe">
		{#if workshop.kept.length > 0}
			<p class="kept">
				<span class="quiet">Saved recipes:</span>
				{#each workshop.kept as one (one.name)}
					<span class="one"
						><button class="linkish" type="button" onclick={() => workshop.use(one)}>{one.name}</button><button
							class="drop"
							type="button"
							aria-label="Delete the recipe {one.name}"
							onclick={() => void workshop.drop(one.name)}>×</button
						></span
					>
				{/each}
			</p>
		{/if}
		{#if !workshop.recipe}
			<div class="none quiet">
				{#if workshop.text.trim() === ''}
					<p>
						A recipe describes the format of a file. With it Skarn reads the file, checks it for conflicts, and writes back only
						what you changed.
					</p>
					<p>
						<Button size="sm" color="alternative" onclick={() => workshop.takeExample()}>Try it with an example</Button>
					</p>
					{#if workshop.recent.list.length > 0}
						<p>
							Recent files:
							{#each workshop.recent.list as { name, text } (name)}<button
									class="linkish last"
									type="button"
									onclick={() => workshop.take({ text, fileName: name })}>{name}</button
								>{/each}
						</p>
					{/if}
				{:else}
					<p>No recipe fits. Select the parts of one record in the sample and mark what they are.</p>
				{/if}
			</div>
		{:else}
			{#if workshop.unsaid}<p class="callout tone-limonite">{workshop.unsaid}</p>{/if}
			{#if workshop.proposals.length > 1}<Proposals {workshop} />{/if}
			<RecipeForm recipe={workshop.recipe} onchange={(next) => (workshop.recipe = next)} />
			<Records {workshop} />
			{#if workshop.contexts.length > 0 && workshop.holds === 'shortcuts'}
				<p class="callout tone-limonite">
					{workshop.contexts.length === 1 ? 'A context has' : `${workshop.contexts.length} contexts have`} no meaning yet:
					{workshop.contexts.slice(0, 5).join(', ')}. Define them under Contexts, one per line, such as
					<span class="mono">part = document=part</span>.
				</p>
			{/if}
			<p class="acts">
				{#if workshop.recipe.holds === 'aliases'}
					<Button
						size="sm"
						disabled={workshop.records.length === 0 || !workshop.hasAliases}
						onclick={() => (workshop.replaces ? (isAsking = true) : void useAliases())}
						>Use as alias file of {workspace.target.name}</Button
					>
				{:else}
					<Button size="sm" disabled={workshop.records.length === 0} onclick={() => void workshop.compare()}
						>Preview changes</Button
					>
					<Button size="sm" color="alternative" onclick={writeOut}>Export {workspace.target.name} in this format</Button>
				{/if}
				{#if workspace.may('programs')}<Button size="sm" color="alternative" onclick={() => void workshop.keep()}
						>Save recipe</Button
					>{:else}<span class="quiet">Only stewards can save recipes for the office. You can export yours as a file.</span>{/if}
				<Button size="sm" color="alternative" onclick={saveRecipe}>Export as file</Button>
			</p>
		{/if}
	</section>
</div>
{#if isAsking}
	<Confirm
		title="Replace the alias file of {workspace.target.name}?"
		does="Replace"
		onconfirm={() => void useAliases()}
		onclose={() => (isAsking = false)}
	>
		<p>
			{workspace.target.name} already has an alias file. It is replaced by {workshop.fileName} with {counted(
				workshop.records.length,
				'record'
			)}. You can undo this.
		</p>
	</Confirm>
{/if}

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
		gap: var(--space-2);
		min-height: 0;
		padding: var(--space-3) var(--space-3);
	}
	.right {
		overflow-y: auto;
	}
	.left {
		border-right: 1px solid var(--line-strong);
	}
	.kept {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2);
		font-size: var(--dense);
	}
	.drop {
		border: 0;
		background: none;
		color: var(--ink-3);
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2);
	}
	.callout {
		font-size: var(--dense);
	}
	.none {
		display: grid;
		gap: var(--space-2);
		max-width: 460px;
	}
	.last {
		margin-left: var(--space-2);
	}
</style>
