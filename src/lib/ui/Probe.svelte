<script lang="ts">
	import { resolveEverywhere } from '$core/answer/resolve';
	import { strokesOf, type Keys } from '$core/stroke/stroke';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { hotkeys } from './hotkeys.svelte';
	import Pips from './Pips.svelte';
	import Recorder from './Recorder.svelte';
	import Situations from './Situations.svelte';
	import Trace from './Trace.svelte';
	import { keptText, outcomeMark, outcomeText } from './wording';

	/** Answers "what would that do here?" from anywhere and changes nothing. */
	const workspace = useWorkspace();
	let open = $state(false);
	let keys = $state<Keys | undefined>(undefined);
	let field = $state<HTMLElement | undefined>(undefined);
	let opener: HTMLButtonElement;
	let panel = $state<HTMLElement | undefined>(undefined);
	const groups = $derived(keys ? resolveEverywhere(workspace.index, keys) : []);
	const keeps = $derived(keys ? keptText(keys, workspace.office.kept(keys)) : undefined);
	const last = $derived(keys ? strokesOf(keys).at(-1)! : undefined);

	/** The pad for the mouse comes when the probe is opened. */
	const Pad = () => import('./gestures/ProbePad.svelte');
	let pad = $state<{ clear(): void } | undefined>(undefined);
	let isDrawn = $state(false);
	let recorder = $state<{ clear(): void } | undefined>(undefined);

	/** The mouse asks: no keys do any more. */
	function ask() {
		isDrawn = true;
		if (keys !== undefined) recorder?.clear();
	}

	/** Where one was when the probe was opened. */
	let before: HTMLElement | undefined;
	$effect(() => {
		if (open) field?.focus();
	});

	function show() {
		before = document.activeElement instanceof HTMLElement ? document.activeElement : undefined;
		open = true;
	}

	function close() {
		open = isDrawn = false;
		keys = undefined;
		if (before?.isConnected && before !== document.body) before.focus();
		else opener.focus();
	}

	$effect(() =>
		hotkeys.add(() => ({
			title: 'Probe',
			keys: [{ keys: 'Alt Q', does: 'ask what keys would do here', run: () => !open && show() }]
		}))
	);
</script>

<svelte:window
	onpointerdown={(e) => open && !panel?.contains(e.target as Node) && !opener.contains(e.target as Node) && (open = false)}
/>

<div class="probe" data-walk="probe">
	<button
		type="button"
		bind:this={opener}
		class="opener"
		aria-expanded={open}
		aria-haspopup="dialog"
		onclick={() => (open ? close() : show())}
	>
		<span>What would it do?</span><kbd>Alt Q</kbd>
	</button>
	{#if open}
		<div
			class="panel"
			role="dialog"
			aria-label="Probe"
			tabindex="-1"
			bind:this={panel}
			onkeydown={(e) => e.key === 'Escape' && close()}
		>
			<Recorder
				label="Press any keys to ask"
				onheard={(heard) => {
					keys = heard;
					if (heard === undefined) return;
					isDrawn = false;
					pad?.clear();
				}}
				bind:this={recorder}
				onleave={close}
				bind:field
			/>
			{#if keys && !isDrawn}
				<section aria-live="polite">
					<h3>Here: {workspace.space.labelOf(workspace.situation)}</h3>
					{#if keeps}<p class="tone-limonite toned" role="note">{keeps}</p>{/if}
					<Trace {keys} situation={workspace.situation} />
				</section>
				<section>
					<h3>Everywhere</h3>
					<ul class="groups">
						{#each groups as { outcome, situations: where } (where[0])}
							{@const mark = outcomeMark(outcome)}
							<li>
								<span class="tone-{mark.tone}"><span class="toned" aria-hidden="true">{mark.shape}</span></span>
								<span>{outcomeText(workspace.index, outcome)}</span>
								<Situations list={where} />
								<button class="linkish" type="button" onclick={() => workspace.standIn(where[0]!)}
									>stand in {workspace.space.labelOf(where[0]!)}</button
								>
							</li>
						{/each}
					</ul>
				</section>
				{#if last}
					<section class="planes">
						<h3>On this key, here</h3>
						<Pips key={last.key} />
					</section>
				{/if}
			{:else if !isDrawn}
				<p class="quiet">Press a stroke or a sequence. Nothing runs and nothing changes.</p>
			{/if}
			{#await Pad() then { default: ProbePad }}<ProbePad bind:this={pad} onask={ask} />{/await}
		</div>
	{/if}
</div>

<style>
	.probe {
		position: relative;
	}
	.opener {
		display: flex;
		align-items: center;
		justify-content: space-between;
		gap: 12px;
		width: 232px;
		height: 34px;
		padding: 0 8px 0 16px;
		border: 1px solid var(--azurite);
		border-radius: 17px;
		background: var(--raised);
		color: var(--ink-2);
		font: inherit;
	}
	@media (max-width: 1100px) {
		.opener {
			width: 176px;
			gap: 6px;
			padding-left: 10px;
		}
	}
	.opener kbd {
		padding: 1px 7px;
		border: 1px solid var(--line-strong);
		border-radius: 3px;
		font-family: var(--font);
		font-size: 12px;
		font-stretch: 85%;
		font-weight: 600;
	}
	.panel {
		position: absolute;
		z-index: 40;
		top: 42px;
		right: 0;
		width: 460px;
		max-height: calc(100dvh - 120px);
		overflow: auto;
		padding: 14px;
		display: grid;
		gap: 14px;
		border: 1px solid var(--control);
		border-radius: 5px;
		background: var(--ground);
		box-shadow: 0 10px 34px rgb(0 0 0 / 0.22);
	}
	h3 {
		font-size: 13px;
		color: var(--ink-2);
		margin-bottom: 4px;
	}
	.groups {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	.groups li {
		display: grid;
		grid-template-columns: 18px 1fr auto;
		column-gap: 6px;
		padding: 4px 0;
		border-top: 1px solid var(--line);
	}
	.groups button {
		grid-column: 2 / -1;
		justify-self: start;
		font-size: 12.5px;
		text-align: left;
	}
	.planes {
		display: flex;
		align-items: center;
		justify-content: space-between;
	}
</style>
