<script lang="ts">
	import { Button, Input, Label, Textarea } from 'flowbite-svelte';
	import { untrack } from 'svelte';
	import type { StratumId } from '$core/strata/stratum';
	import type { ProposalsDesk } from '$lib/state/proposals-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Picker from '../Picker.svelte';

	/** Proposes to a common stratum what somebody says for themselves. */
	let {
		desk,
		wanted,
		ondone
	}: {
		desk: ProposalsDesk;
		/** What is chosen at first: a chapter and a key, a line each. */
		wanted?: string | undefined;
		ondone: () => void;
	} = $props();
	const workspace = useWorkspace();
	const sayings = $derived(desk.sayings);
	const first = untrack(() => sayings.findIndex(({ saying }) => `${saying.chapter}\n${saying.key}` === wanted));
	let target = $state<StratumId>(untrack(() => desk.targets[0]?.id ?? ('' as StratumId)));
	let label = $state(untrack(() => sayings[first]?.part.text ?? ''));
	let reason = $state('');
	let chosen = $state<number[]>(first < 0 ? [] : [first]);

	async function example() {
		if (!(await desk.makeExample()) || !sayings[0]) return;
		chosen = [0];
		label = sayings[0].part.text;
	}

	async function propose(event: SubmitEvent) {
		event.preventDefault();
		const picked = chosen.map((i) => sayings[i]!.saying);
		if (await desk.propose(target, picked, label.trim(), reason.trim())) ondone();
	}
</script>

<h2>Propose a change</h2>
{#if sayings.length === 0}
	<p class="quiet">You have no personal changes in this setup yet. Make a change, try it for a while, then propose it.</p>
	{#if desk.example}<p>
			<Button size="sm" color="alternative" disabled={workspace.edits.busy} onclick={() => void example()}
				>Try it with an example</Button
			>
			<span class="quiet">{desk.example.keys} for {desk.example.command.label}, in your personal level</span>
		</p>{/if}
{:else}
	<form onsubmit={propose}>
		<ul aria-label="Your personal changes">
			{#each sayings as { part }, i (i)}
				<li>
					<label
						><input type="checkbox" value={i} bind:group={chosen} />
						{part.sign === '−' ? 'without ' : ''}{part.text} <span class="quiet">{part.words}</span></label
					>
				</li>
			{/each}
		</ul>
		<div class="to">
			<span class="quiet">to</span><Picker
				label="To"
				items={desk.targets.map(({ id, name }) => ({ value: id as string, name }))}
				value={target}
				onpick={(id) => (target = id as StratumId)}
			/>
		</div>
		<div>
			<Label for="proposed">Short title</Label><Input id="proposed" size="sm" required maxlength={180} bind:value={label} />
		</div>
		<div><Label for="why">Reason</Label><Textarea id="why" rows={3} class="w-full" required bind:value={reason} /></div>
		<div class="to">
			<Button
				type="submit"
				size="sm"
				disabled={desk.busy || chosen.length === 0 || label.trim() === '' || reason.trim().length < 3}
				>Propose {chosen.length > 1 ? `${chosen.length} changes` : 'it'}</Button
			>
			<Button size="sm" color="alternative" onclick={ondone}>Cancel</Button>
		</div>
	</form>
{/if}

<style>
	form {
		display: grid;
		gap: var(--space-3);
		max-width: 560px;
	}
	ul {
		max-height: 300px;
		margin: 0;
		padding: 0;
		overflow-y: auto;
		list-style: none;
	}
	li {
		padding: var(--space-1) 0;
		border-top: 1px solid var(--line);
	}
	label {
		display: flex;
		gap: var(--space-2);
		align-items: center;
	}
	.to {
		display: flex;
		gap: var(--space-2);
		align-items: center;
	}
</style>
