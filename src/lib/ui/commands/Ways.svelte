<script lang="ts">
	import type { Command } from '$core/application/command';
	import { settingOn } from '$core/chapters/bars/setting';
	import { barTree } from '$core/chapters/bars/tree';
	import { barWays } from '$core/chapters/bars/ways';
	import { narrowestOf } from '$core/keyboard/office-screens';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from '../KeyCaps.svelte';

	/** All ways to a command where one stands, keys and bars alike, the quickest first. */
	let { command }: { command: Command } = $props();
	const workspace = useWorkspace();
	const ways = $derived.by(() => {
		const { profile, space, situation, index, office } = workspace;
		// a window on the screen of the office that has least room
		const setting = settingOn(index, barTree(profile), situation, narrowestOf(office.desks));
		const bars = barWays(setting, command.id).map(({ id, where, seconds, terms }) => ({
			id: id as string,
			keys: undefined,
			where,
			seconds,
			how: terms.map((term) => `${term.name} ${term.seconds.toFixed(2)} s`).join(', ')
		}));
		const keys = index.of(command.id).flatMap(({ key, keys: pressed, scope }) => {
			const reach = office.reach(pressed);
			const how = reach && `${Math.round(reach.mm)} mm of finger travel, ${reach.effort}`;
			return reach
				? [{ id: key as string, keys: pressed, where: space.scopeLabel(scope), seconds: reach.seconds, how: how! }]
				: [];
		});
		return [...bars, ...keys].sort((a, b) => a.seconds - b.seconds);
	});
	const hasBars = $derived(ways.some((way) => way.keys === undefined));
</script>

{#if hasBars}
	<section aria-label="Access">
		<h2>Access</h2>
		<ul>
			{#each ways as way (way.id)}
				<li title={way.how}>
					{#if way.keys}<KeyCaps keys={way.keys} />
						<span class="quiet">{way.where}</span>{:else}<a
							href="/{workspace.document.application.id}/bars?item={encodeURIComponent(way.id)}">{way.where}</a
						>{/if}
					<span class="num">{way.seconds.toFixed(2)} s</span>
				</li>
			{/each}
		</ul>
	</section>
{/if}

<style>
	ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		padding: var(--space-1) 0;
		border-top: 1px solid var(--line);
		font-size: var(--body);
	}
	.num {
		margin-left: auto;
	}
</style>
