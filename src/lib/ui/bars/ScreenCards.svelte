<script lang="ts">
	import type { ItemId } from '$core/chapters/bars/bar';
	import type { BarDesk } from '$lib/state/bar-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** The screens of the office with the canvas that each has left, then and now, what it loses, and the fit of the one shown. */
	let { desk }: { desk: BarDesk } = $props();
	const workspace = useWorkspace();
	/** Space on each screen: what it keeps in drawers, and what it hides. */
	const losses = $derived(
		desk.screens.map((screen, at) => {
			const layout = desk.layoutOn(at);
			const strips = layout.ribbons.flatMap(({ strip }) => strip ?? []);
			const off = strips.flatMap((strip) => strip.off.map((group) => ({ id: group.id, name: `${group.name}, floating` })));
			const drawers = [
				...strips.flatMap((strip) => strip.drawers.map(({ group, places }) => ({ id: group.id, name: group.name, places }))),
				...layout.toolbars.flatMap(({ bar, drawer }) =>
					drawer.length > 0 ? [{ id: bar.id, name: bar.name, places: drawer }] : []
				)
			].map(({ id, name: of, places }) => ({ id, name: `${of}: ${places.map((place) => place.label).join(', ')}` }));
			return { screen, at, share: layout.share, before: desk.sharesOn(at), lost: [...off, ...drawers] };
		})
	);
	const percent = (part: number) => `${(part * 100).toFixed(1)} %`;
</script>

<div class="screens" role="group" aria-label="Space on each screen">
	{#each losses as { screen, at, share, before, lost } (screen.name)}
		<section class="tone-{lost.length > 0 ? 'limonite' : 'epidote'}" class:here={at === desk.screenAt}>
			<button type="button" class="screen" aria-pressed={at === desk.screenAt} onclick={() => (desk.screenAt = at)}
				><b>{screen.name}</b> <span class="num quiet">{(share * 100).toFixed(1)} %</span></button
			>
			<p class="quiet">
				default {percent(before.factory)}{#if before.release !== undefined}, release {workspace.channel}
					{percent(before.release)}{/if}
			</p>
			{#if lost.length === 0}<p class="quiet">Everything fits.</p>{/if}
			{#each lost as one (one.id)}
				<p><button class="linkish" type="button" onclick={() => desk.select(one.id as ItemId)}>{one.name}</button></p>
			{/each}
			{#if at === desk.screenAt && desk.fit && desk.fit.changes.length > 0 && desk.fit.saves > 0.05}
				<p class="fit">
					<span aria-hidden="true">◇</span> A better layout of {desk.fit.tab.name}
					{desk.fit.saves === Infinity ? 'shows what is hidden on this screen' : `saves ${desk.fit.saves.toFixed(1)} s per day`}: {desk.fit.changes
						.map(({ group, form }) => `${group.name} ${form === 'folded' ? 'as one button' : form}`)
						.join(', ')}.
					<button class="linkish" type="button" disabled={workspace.edits.busy} onclick={() => void desk.takeFit()}
						>Apply this layout</button
					>
				</p>
			{/if}
		</section>
	{/each}
</div>

<style>
	.screens {
		display: grid;
		flex: none;
		grid-template-columns: repeat(auto-fit, minmax(148px, 1fr));
		gap: var(--space-2);
		max-height: 150px;
		overflow-y: auto;
		font-size: var(--caption);
	}
	.screens section {
		padding: var(--space-1) 0 0;
		border-top: 3px solid var(--line-strong);
	}
	.screens .here {
		border-top-color: var(--tone);
	}
	.screen {
		display: flex;
		justify-content: space-between;
		width: 100%;
		padding: 0;
		border: 0;
		background: none;
		color: var(--ink);
		font: inherit;
		text-align: left;
	}
	.fit {
		color: var(--fluorite);
	}
	.linkish {
		text-align: left;
	}
</style>
