<script lang="ts">
	import { Button, Textarea } from 'flowbite-svelte';
	import type { CommandId } from '$core/application/command';
	import type { Seat, SeatState } from '$core/release/release';
	import { differences } from '$core/chapters/shortcuts/diff';
	import { effectiveProfile } from '$core/chapters/shortcuts/effective';
	import { stratumOf } from '$core/profile/stratum';
	import { ApiError, ask } from '$lib/state/api';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from '$lib/ui/KeyCaps.svelte';
	import ReleaseCore from '$lib/ui/rollout/ReleaseCore.svelte';
	import SeatBoard from '$lib/ui/rollout/SeatBoard.svelte';
	import { labelOf } from '$lib/ui/wording';

	const workspace = useWorkspace();
	let seats = $state.raw<readonly (Seat & { state: SeatState })[]>([]);
	let notes = $state('');
	let busy = $state(false);
	let now = $state(Date.now());
	let unheard = $state('');
	const isSteward = $derived(workspace.role === 'steward');
	const office = $derived(workspace.profile.find((s) => s.kind === 'office'));

	/** What publishing would change for the seats: the office standard now against the newest release. */
	const pending = $derived.by(() => {
		if (!office) return [];
		const below = workspace.profile.filter((s) => s.kind === 'factory');
		const before = workspace.released ? [...below, stratumOf(office, workspace.released)] : below;
		return differences(effectiveProfile(before, workspace.space), effectiveProfile([...below, office], workspace.space));
	});
	const isNew = $derived(
		!workspace.released ||
			!office ||
			JSON.stringify([...office.entries.keys()].sort()) !==
				JSON.stringify([...stratumOf(office, workspace.released).entries.keys()].sort()) ||
			pending.length > 0 ||
			workspace.pendingAliases.length > 0 ||
			workspace.pendingMacros.length > 0
	);
	const errors = $derived(workspace.publishErrors);
	const faults = $derived(workspace.publishFaults);

	async function look() {
		try {
			seats = (await ask<{ seats: (Seat & { state: SeatState })[] }>(`${workspace.path}/seats`)).seats;
			now = Date.now();
			unheard = '';
		} catch (error) {
			unheard = (error as Error).message;
		}
	}

	$effect(() => {
		void look();
		const timer = setInterval(look, 2000);
		return () => clearInterval(timer);
	});

	async function act(done: string, work: () => Promise<unknown>): Promise<boolean> {
		busy = true;
		try {
			await work();
			await Promise.all([workspace.reload(), look()]);
			workspace.notice = { kind: 'done', text: done };
			return true;
		} catch (error) {
			if (!(error instanceof ApiError)) throw error;
			workspace.notice = { kind: 'failed', text: error.message };
			return false;
		} finally {
			busy = false;
		}
	}

	async function publish(event: SubmitEvent) {
		event.preventDefault();
		const body = { role: 'steward', notes, base: workspace.revision };
		if (
			await act(`Release ${(workspace.releases.at(-1)?.number ?? 0) + 1} published`, () =>
				ask(`${workspace.path}/releases`, 'POST', body)
			)
		)
			notes = '';
	}
</script>

<div class="view">
	<section class="releases" aria-label="Releases">
		<h1>Office releases</h1>
		<form onsubmit={publish}>
			<h2>Next: release {(workspace.releases.at(-1)?.number ?? 0) + 1}</h2>
			{#if !isNew}
				<p class="quiet">The office stratum is as it was published. Write to Office to change it.</p>
			{:else}
				<ul class="pending">
					{#each pending.slice(0, 40) as { kind, binding } (kind + binding.key)}
						<li>
							<span class={kind === 'added' ? 'tone-azurite' : 'tone-limonite'}
								><span class="toned">{kind === 'added' ? '+' : '−'}</span></span
							><KeyCaps keys={binding.keys} />
							<span
								>{labelOf(workspace.index, binding.command)}
								<small class="quiet">{workspace.space.scopeLabel(binding.scope)}</small></span
							>
						</li>
					{/each}
					{#each workspace.pendingAliases.slice(0, 40) as { kind, alias, command } (kind + alias + command)}
						<li>
							<span class={kind === 'added' ? 'tone-azurite' : 'tone-limonite'}
								><span class="toned">{kind === 'added' ? '+' : '−'}</span></span
							><span class="mono">{alias}</span>
							<span>{labelOf(workspace.index, command as CommandId)} <small class="quiet">typed</small></span>
						</li>
					{/each}
					{#each workspace.pendingMacros as { kind, id, label } (kind + id)}
						<li>
							<span class={kind === 'removed' ? 'tone-limonite' : 'tone-azurite'}
								><span class="toned">{kind === 'removed' ? '−' : kind === 'added' ? '+' : '±'}</span></span
							><span class="quiet">macro</span>
							<span>{label}</span>
						</li>
					{/each}
					{#if pending.length + workspace.pendingAliases.length + workspace.pendingMacros.length === 0}
						<li class="quiet">Only locks or notes differ; no key does anything else.</li>
					{/if}
				</ul>
				{#if errors.length > 0}
					<div class="callout tone-garnet">
						<p>
							<strong class="toned">◆ {errors.length === 1 ? 'An error' : `${errors.length} errors`} would go out</strong>, so
							nothing is published until each is mended or accepted with a reason in
							<a href="/{workspace.document.application.id}/findings">Findings</a>.
						</p>
						{#each errors.slice(0, 3) as finding (finding.id)}<p class="small">
								{finding.sentence}
								<a href="/{workspace.document.application.id}/findings?finding={encodeURIComponent(finding.id)}">Settle it</a>
							</p>{/each}
					</div>
				{/if}
				{#each [...new Set(faults.map((f) => f.in))] as place (place)}
					{@const here = faults.filter((f) => f.in === place)}
					<div class="callout tone-garnet">
						<p>
							<strong class="toned">◆ {here.length === 1 ? 'An error' : `${here.length} errors`} in the office’s {place}</strong>
							would go out; mend or accept {here.length === 1 ? 'it' : 'them'} in
							<a href="/{workspace.document.application.id}/{place}">{place === 'aliases' ? 'Aliases' : 'Macros'}</a>.
						</p>
						{#each here.slice(0, 3) as { sentence } (sentence)}<p class="small">{sentence}</p>{/each}
					</div>
				{/each}
				<Textarea
					bind:value={notes}
					rows={2}
					class="w-full"
					aria-label="Notes for the people at the seats"
					placeholder="What changes for the people at the seats"
				/>
				<div class="go">
					<Button
						type="submit"
						size="sm"
						disabled={busy || notes.trim() === '' || !isSteward || errors.length + faults.length > 0}
						>Publish release {(workspace.releases.at(-1)?.number ?? 0) + 1}</Button
					>
					{#if !isSteward}<span class="small"
							>Publishing is the steward's: <button
								type="button"
								class="linkish"
								onclick={() => office && workspace.writeTo(office.id)}>write to Office</button
							></span
						>{/if}
				</div>
			{/if}
		</form>
		<ReleaseCore
			releases={workspace.releases}
			channel={workspace.channel}
			{busy}
			onfollow={(release) =>
				void act(`Seats follow release ${release}`, () => ask(`${workspace.path}/channel`, 'PUT', { release }))}
		/>
	</section>
	<section class="seats" aria-label="Seats">
		<h1>Seats</h1>
		{#if unheard}<p class="callout tone-limonite" role="status">{unheard}</p>{/if}
		<SeatBoard
			{seats}
			channel={workspace.channel}
			{now}
			onrestore={(id) => void act(`${id} is asked to lay its release anew`, () => ask(`/api/seats/${id}/restore`, 'PUT'))}
			ondesk={(id, desk) => void act(`Desk of ${id} changed`, () => ask(`/api/seats/${id}/desk`, 'PUT', desk))}
			onadd={(id, note) => act(`Seat ${id} added`, () => ask(`${workspace.path}/seats`, 'POST', { id, note }))}
		/>
	</section>
</div>

<style>
	.view {
		display: grid;
		grid-template-columns: minmax(0, 1.25fr) minmax(360px, 1fr);
		height: 100%;
	}
	section {
		display: flex;
		flex-direction: column;
		gap: 14px;
		padding: 16px 18px;
		overflow-y: auto;
	}
	.seats {
		background: var(--panel);
		border-left: 1px solid var(--line-strong);
	}
	form {
		display: grid;
		gap: 10px;
		padding: 12px 14px;
		border: 1px solid var(--line-strong);
		border-radius: 4px;
		background: var(--raised);
	}
	.pending {
		margin: 0;
		padding: 0;
		list-style: none;
		max-height: 168px;
		overflow: auto;
	}
	.pending li {
		display: flex;
		gap: 8px;
		align-items: center;
		padding: 3px 0;
	}
	.go {
		display: flex;
		gap: 12px;
		align-items: center;
	}
	.small,
	small {
		font-size: 12.5px;
	}
	a {
		color: var(--azurite);
		text-decoration: underline;
	}
</style>
