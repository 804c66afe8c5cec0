<script lang="ts">
	import { Button, Modal } from 'flowbite-svelte';
	import { LockOutline } from 'flowbite-svelte-icons';
	import { untrack } from 'svelte';
	import { isNarrow, type Setup } from '$core/people/setup';
	import { Role } from '$core/strata/role';
	import { listed } from '$core/text/listed';
	import { told } from '$lib/state/api';
	import type { SetupsDesk } from '$lib/state/setups.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Picker from '../Picker.svelte';
	import { bandClass } from '../stratum-look';
	import OneField from './OneField.svelte';

	/** All setups of the program: what each lies on, in which order, and the ways to make another. */
	let { desk, onclose }: { desk: SetupsDesk; onclose: () => void } = $props();
	const workspace = useWorkspace();
	let open = $state(true);
	let chosenId = $state<string>(untrack(() => workspace.document.setup.id));
	let fromId = $state('');
	let shares = $state(false);
	const chosen = $derived(desk.mine.find(({ id }) => id === chosenId) ?? desk.mine[0]);
	const sources = $derived([
		...desk.mine.map((setup) => ({ value: setup.id as string, name: setup.name })),
		...desk.others
			.toSorted((a, b) => Number(b.isRecommended) - Number(a.isRecommended))
			.map((setup) => ({
				value: setup.id as string,
				name: `${setup.name}, ${setup.isRecommended ? 'recommended by' : 'of'} ${desk.nameOf(setup.person)}`
			}))
	]);
	const from = $derived([...desk.mine, ...desk.others].find(({ id }) => id === fromId) ?? chosen);

	$effect(() => {
		untrack(() => desk.load()).catch((error: unknown) => (desk.said = told(error)));
	});

	const ROLES = Role.options;
	const disciplines = $derived(desk.choosable.filter(({ kind }) => kind === 'discipline' || kind === 'project'));
	const audience = $derived(chosen?.audience ?? { roles: [], strata: [] });
	const turned = <T,>(list: readonly T[], one: T): T[] =>
		list.includes(one) ? list.filter((other) => other !== one) : [...list, one];

	const nameOf = (setup: Setup) => `${setup.name}${setup.isStart ? ', started with' : ''}`;
	/** The uppermost first, as they are drawn and as they speak. */
	const stacked = $derived(chosen ? chosen.strata.toReversed().flatMap((id) => desk.headOf(id) ?? []) : []);
	const apart = $derived(desk.choosable.filter(({ id }) => !chosen?.strata.includes(id)));
</script>

<Modal bind:open title="Setups of {workspace.document.application.name}" aria-label="Setups" size="lg" {onclose}>
	{#if desk.said}<p class="callout tone-garnet" role="alert">{desk.said}</p>{/if}
	{#if desk.made}<p class="callout" role="status">{desk.made}</p>{/if}
	<div class="parts">
		<ul class="list" aria-label="Your setups">
			{#each desk.mine as setup (setup.id)}
				<li>
					<button type="button" aria-pressed={setup.id === chosen?.id} onclick={() => (chosenId = setup.id)}>
						<span class="stack" aria-hidden="true"
							>{#each setup.strata.toReversed() as id (id)}{@const head = desk.headOf(id)}{#if head}<i
										class={bandClass(head.kind)}
									></i>{/if}{/each}</span
						>
						<span>{nameOf(setup)}{setup.id === workspace.document.setup.id ? ', looked at' : ''}</span>
					</button>
				</li>
			{/each}
		</ul>
		{#if chosen}
			<section aria-label="The setup {chosen.name}">
				<ol aria-label="Levels, highest first">
					{#each stacked as head, i (head.id)}
						{@const shared = desk.sharedWith(chosen, head)}
						<li>
							<i class={bandClass(head.kind)}></i><b>{head.name}</b>
							{#if desk.isRequired(head.id)}<span class="lock"><LockOutline size="sm" aria-hidden="true" /> required</span>{/if}
							<span class="quiet"
								>{head.kind}{#if shared.length > 0}, shared with {shared.map(({ name }) => name).join(', ')}{/if}</span
							>
							<span class="acts">
								<button
									class="linkish"
									type="button"
									disabled={i === 0 || desk.busy}
									aria-label="Move {head.name} up"
									onclick={() => void desk.move(chosen, head.id, 1)}>Up</button
								>
								<button
									class="linkish"
									type="button"
									disabled={i === stacked.length - 1 || desk.busy}
									aria-label="Move {head.name} down"
									onclick={() => void desk.move(chosen, head.id, -1)}>Down</button
								>
								<button
									class="linkish"
									type="button"
									disabled={desk.busy || desk.isRequired(head.id)}
									title={desk.isRequired(head.id) ? 'The office requires this level in every setup' : undefined}
									aria-label="Remove {head.name} from the setup"
									onclick={() => void desk.choose(chosen, head.id, false)}>Remove</button
								>
							</span>
						</li>
					{/each}
					<li class="quiet"><i class={bandClass('factory')}></i>Factory<span>lowest level, read-only</span></li>
				</ol>
				{#if apart.length > 0}
					<p>
						<span class="quiet">Not in this setup:</span>
						{#each apart as head (head.id)}<button
								class="pill"
								type="button"
								disabled={desk.busy}
								onclick={() => void desk.choose(chosen, head.id, true)}>+ {head.name}</button
							>
						{/each}
					</p>
				{/if}
				{#if desk.missingIn(chosen).length > 0}
					<p class="callout tone-limonite">
						{listed(desk.missingIn(chosen).map(({ name }) => name))}
						{desk.missingIn(chosen).length === 1 ? 'is' : 'are'} required in every setup, but missing in this one.
						<button class="linkish" type="button" disabled={desk.busy} onclick={() => void desk.complete(chosen)}>Add</button>
					</p>
				{/if}
				{#if !desk.isWritable(chosen)}<p class="callout tone-limonite">You cannot edit any level of this setup.</p>{/if}
				<p class="acts">
					<Button size="xs" disabled={chosen.id === workspace.document.setup.id} onclick={() => void desk.turnTo(chosen.id)}
						>View</Button
					>
					<Button
						size="xs"
						color="alternative"
						disabled={chosen.isStart || desk.busy}
						onclick={() => void desk.change(chosen, { isStart: true })}>Make default</Button
					>
					{#if desk.mayRecommend}<Button
							size="xs"
							color="alternative"
							disabled={desk.busy}
							onclick={() => void desk.change(chosen, { isRecommended: !chosen.isRecommended })}
							>{chosen.isRecommended ? 'Stop recommending' : 'Recommend'}</Button
						>{/if}
					{#if desk.mayRequire}<Button
							size="xs"
							color="alternative"
							disabled={desk.busy}
							title="No one can remove the shared levels that this setup contains"
							onclick={() => void desk.change(chosen, { isRequired: !chosen.isRequired })}
							>{chosen.isRequired ? 'Stop requiring' : 'Require its levels'}</Button
						>{/if}
					<Button
						size="xs"
						color="alternative"
						disabled={desk.mine.length < 2 || desk.busy}
						onclick={() => void desk.remove(chosen)}>Remove</Button
					>
				</p>
				{#if desk.mayRecommend && (chosen.isRecommended || chosen.isRequired)}
					<fieldset class="audience">
						<legend>{chosen.isRequired ? 'Required' : 'Recommended'} for</legend>
						{#each ROLES as role (role)}<label
								><input
									type="checkbox"
									checked={audience.roles.includes(role)}
									disabled={desk.busy}
									onchange={() => void desk.change(chosen, { audience: { ...audience, roles: turned(audience.roles, role) } })}
								/>
								{role}s</label
							>{/each}
						{#each disciplines as { id, name } (id)}<label
								><input
									type="checkbox"
									checked={audience.strata.includes(id)}
									disabled={desk.busy}
									onchange={() => void desk.change(chosen, { audience: { ...audience, strata: turned(audience.strata, id) } })}
								/>
								in {name}</label
							>{/each}
						<span class="quiet"
							>{isNarrow(audience)
								? 'They see it on Start, and new people start with it.'
								: 'No one selected: for everyone.'}</span
						>
					</fieldset>
				{/if}
				<OneField
					label="New name for {chosen.name}"
					does="Rename"
					disabled={desk.busy}
					ondone={(name) => desk.change(chosen, { name })}
				/>
				{#each stacked.filter(({ kind }) => kind === 'personal') as head (head.id)}
					<OneField
						label="New name for {head.name}"
						does="Rename level"
						disabled={desk.busy}
						ondone={(name) => desk.rename(head, name)}
					/>
				{/each}
			</section>
		{/if}
	</div>
	<h3>New setup</h3>
	<div class="make">
		<span class="quiet">from</span>
		<Picker label="From" items={sources} value={from?.id ?? ''} onpick={(id) => (fromId = id)} />
		<OneField
			label="Name"
			does="Create"
			disabled={desk.busy || !from}
			ondone={async (name) => (from ? desk.make(name, from, shares) : false)}
		/>
	</div>
	<label class="shares"
		><input type="checkbox" bind:checked={shares} /> Share my personal levels, so that a change affects both setups</label
	>
	<p class="quiet">Personal levels are copied unless you share them. Removing a setup does not delete its levels.</p>
</Modal>

<style>
	.audience {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-1) var(--space-3);
		margin: 6px 0;
		padding: 6px var(--space-2);
		border: 1px solid var(--line);
		border-radius: var(--radius);
		font-size: var(--dense);
	}
	.parts {
		display: grid;
		grid-template-columns: 220px minmax(0, 1fr);
		gap: var(--space-6);
	}
	ul,
	ol {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	.list button {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		width: 100%;
		padding: 6px var(--space-2);
		border: 0;
		border-left: 4px solid transparent;
		background: none;
		color: var(--ink);
		text-align: left;
	}
	.list button[aria-pressed='true'] {
		border-left-color: var(--azurite);
		background: var(--panel);
		font-weight: 650;
	}
	.stack {
		display: grid;
		width: 16px;
		flex: none;
		border: 1px solid var(--ink-3);
		border-radius: 4px;
		overflow: hidden;
	}
	.stack i {
		height: 6px;
	}
	ol li {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		min-height: var(--row);
		border-top: 1px solid var(--line);
	}
	ol li i {
		width: 26px;
		height: 14px;
		border-radius: 3px;
	}
	.lock {
		display: inline-flex;
		gap: var(--space-1);
		align-items: center;
	}
	ol .acts {
		margin-left: auto;
	}
	.acts,
	.make {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-3);
		align-items: center;
	}
	section {
		display: grid;
		gap: var(--space-2);
		align-content: start;
	}
	.linkish:disabled {
		color: var(--ink-3);
		text-decoration: none;
	}
</style>
