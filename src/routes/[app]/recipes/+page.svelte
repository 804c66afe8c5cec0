<script lang="ts">
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
				<span class="quiet">Kept:</span>
				{#each workshop.kept as one (one.name)}
					<span class="one"
						><button class="linkish" type="button" onclick={() => workshop.use(one)}>{one.name}</button><button
							class="drop"
							type="button"
							aria-label="Drop the recipe {one.name}"
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
						A recipe says how a file of yours is written, both ways: with it Skarn reads the file, finds what clashes, and writes
						back only what you changed.
					</p>
					<p>
						<Button size="sm" color="alternative" onclick={() => workshop.takeExample()}>Load an example</Button>
					</p>
					{#if workshop.recent.list.length > 0}
						<p>
							The last files:
							{#each workshop.recent.list as { name, text } (name)}<button
									class="linkish last"
									type="button"
									onclick={() => workshop.take({ text, fileName: name })}>{name}</button
								>{/each}
						</p>
					{/if}
				{:else}
					<p>No proposal fits. Select the parts of one record in the sample and say what they are.</p>
				{/if}
			</div>
		{:else}
			{#if workshop.unsaid}<p class="callout tone-limonite">{workshop.unsaid}</p>{/if}
			{#if workshop.proposals.length > 1}<Proposals {workshop} />{/if}
			<RecipeForm recipe={workshop.recipe} onchange={(next) => (workshop.recipe = next)} />
			<Records {workshop} />
			{#if workshop.contexts.length > 0 && workshop.holds === 'shortcuts'}
				<p class="callout tone-limonite">
					{workshop.contexts.length === 1 ? 'A context has' : `${workshop.contexts.length} contexts have`} no meaning here yet:
					{workshop.contexts.slice(0, 5).join(', ')}. Say what they stand for under Contexts, one a line, such as
					<span class="mono">part = document=part</span>.
				</p>
			{/if}
			<p class="acts">
				{#if workshop.recipe.holds === 'aliases'}
					<Button
						size="sm"
						disabled={workshop.records.length === 0 || !workshop.hasAliases}
						onclick={() => (workshop.replaces ? (isAsking = true) : void useAliases())}
						>Use as the alias file of {workspace.target.name}</Button
					>
				{:else}
					<Button size="sm" disabled={workshop.records.length === 0} onclick={() => void workshop.compare()}
						>See what it would change</Button
					>
					<Button size="sm" color="alternative" onclick={writeOut}>Write {workspace.target.name} so</Button>
				{/if}
				{#if workspace.may('programs')}<Button size="sm" color="alternative" onclick={() => void workshop.keep()}
						>Keep the recipe</Button
					>{:else}<span class="quiet">Stewards keep recipes for the office; save yours as a file.</span>{/if}
				<Button size="sm" color="alternative" onclick={saveRecipe}>Save it as a file</Button>
			</p>
		{/if}
	</section>
</div>
{#if isAsking}
	<Confirm
		title="Replace the alias file of {workspace.target.name}?"
		does="Replace it"
		onconfirm={() => void useAliases()}
		onclose={() => (isAsking = false)}
	>
		<p>
			{workspace.target.name} has an alias file already. {workshop.fileName} takes its place, with its {workshop.records.length}
			{workshop.records.length === 1 ? 'record' : 'records'}; what stood there goes. One undo brings it back.
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
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	.callout {
		font-size: 13px;
	}
	.none {
		display: grid;
		gap: 10px;
		max-width: 460px;
	}
	.last {
		margin-left: 8px;
	}
</style>
