<script lang="ts">
	import { resolve } from '$core/answer/resolve';
	import { PLANES } from '$core/keyboard/office-desks';
	import { keysOf, type Modifier } from '$core/stroke/stroke';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { bandClass } from './stratum-look';
	import { keptText, outcomeText } from './wording';

	/** Occupancy of one key: eight pips for the combinations of the three common modifiers, in the chosen situation. */
	let { key }: { key: string } = $props();
	const workspace = useWorkspace();
	const short: Record<Modifier, string> = { Ctrl: 'C', Alt: 'A', Shift: 'S', Meta: 'M' };
	const pips = $derived(
		PLANES.map((modifiers) => {
			const keys = keysOf([{ modifiers, key }]);
			const outcome = resolve(workspace.index, keys, workspace.situation);
			const binding =
				outcome.kind === 'fires'
					? outcome.winner
					: 'offered' in outcome
						? outcome.offered[0]
						: 'longer' in outcome
							? outcome.longer[0]
							: undefined;
			const keeps = keptText(keys, workspace.office.kept(keys));
			const stratum = workspace.profile.find((s) => s.id === binding?.stratum);
			return {
				keys,
				name: modifiers.map((m) => short[m]).join('') || '–',
				text: `${outcomeText(workspace.index, outcome)}${keeps ? `; ${keeps}` : ''}`,
				kept: keeps !== undefined,
				stratum,
				tied: 'offered' in outcome
			};
		})
	);
</script>

<ul class="pips" aria-label="Used combinations of this key and modifiers in this situation">
	{#each pips as pip (pip.name)}
		<li title="{pip.keys}: {pip.text}">
			<span class="plane" aria-hidden="true">{pip.name}</span>
			<i class={pip.stratum ? bandClass(pip.stratum.kind) : pip.kept ? 'kept' : 'free'} class:tied={pip.tied}></i>
			<span class="visually-hidden">{pip.keys}: {pip.text}</span>
		</li>
	{/each}
</ul>

<style>
	.pips {
		display: grid;
		grid-template-columns: repeat(4, 30px);
		gap: 3px var(--space-1);
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li {
		display: grid;
		justify-items: center;
		gap: 1px;
	}
	.plane {
		font-size: var(--caption);
		line-height: 12px;
		font-stretch: 75%;
		color: var(--ink-3);
	}
	i {
		width: 26px;
		height: 7px;
		border-radius: 3px;
	}
	.free {
		border: 1px solid var(--control);
	}
	.kept {
		border: 1px dashed var(--limonite);
	}
	.tied {
		outline: 1.5px solid var(--garnet);
		outline-offset: 1px;
	}
</style>
