<script lang="ts">
	import { page } from '$app/state';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { views } from './views';

	const workspace = useWorkspace();
	const errors = $derived(workspace.findings.errors);
	const base = $derived(`/${workspace.document.application.id}`);
</script>

<nav class="rail" aria-label="Views">
	{#each views as { verb, items } (verb)}
		<h2>{verb}</h2>
		<ul>
			{#each items as { name, path, key } (path)}
				{@const isHere = page.url.pathname === `${base}/${path}`}
				<li>
					<a href="{base}/{path}" aria-current={isHere ? 'page' : undefined} title="{name} (Alt+{key.replace(' ', '+')})"
						>{name}{#if errors[path]}<span class="count tone-garnet"
								><span class="toned">◆ {errors[path]}<span class="visually-hidden"> errors</span></span></span
							>{/if}</a
					>
				</li>
			{/each}
		</ul>
	{/each}
</nav>

<style>
	.rail {
		width: 136px;
		flex: none;
		padding: 6px 0;
		overflow-y: auto;
		background: var(--panel);
		border-right: 1px solid var(--line-strong);
	}
	h2 {
		padding: var(--space-1) var(--space-3) 1px;
		font-size: var(--caption);
		font-weight: 600;
		color: var(--ink-3);
	}
	ul {
		margin: 0 0 var(--space-1);
		padding: 0;
		list-style: none;
	}
	a {
		display: block;
		padding: 1px var(--space-3) 2px var(--space-4);
		font-size: var(--dense);
		line-height: 20px;
		border-left: 4px solid transparent;
		color: var(--ink-2);
		text-decoration: none;
	}
	.count {
		float: right;
		font-size: var(--dense);
		font-weight: 600;
		font-variant-numeric: tabular-nums;
	}
	a:hover {
		color: var(--ink);
		background: var(--ground);
	}
	a[aria-current] {
		border-left-color: var(--azurite);
		background: var(--ground);
		color: var(--ink);
		font-weight: 650;
	}
</style>
