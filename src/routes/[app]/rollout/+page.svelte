<script lang="ts">
	import { day } from '$lib/ui/when';
	import { counted } from '$core/text/counted';
	import ViewActs from '$lib/ui/kit/ViewActs.svelte';
	import { page } from '$app/state';
	import { Button, Textarea } from 'flowbite-svelte';
	import type { Difference } from '$core/chapter/chapter';
	import { listed } from '$core/text/listed';
	import { RolloutDesk, type RolloutSeat } from '$lib/state/rollout-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import Confirm from '$lib/ui/Confirm.svelte';
	import DifferenceRow from '$lib/ui/DifferenceRow.svelte';
	import CompareReleases from '$lib/ui/rollout/CompareReleases.svelte';
	import DriftDialog from '$lib/ui/rollout/DriftDialog.svelte';
	import GoingOut from '$lib/ui/rollout/GoingOut.svelte';
	import HeldErrors from '$lib/ui/rollout/HeldErrors.svelte';
	import ReleaseCore from '$lib/ui/rollout/ReleaseCore.svelte';
	import ReleaseDiff from '$lib/ui/rollout/ReleaseDiff.svelte';
	import RingCourse from '$lib/ui/rollout/RingCourse.svelte';
	import RingsDialog from '$lib/ui/rollout/RingsDialog.svelte';
	import SigningDialog from '$lib/ui/rollout/SigningDialog.svelte';
	import SeatBoard from '$lib/ui/rollout/SeatBoard.svelte';
	import VirtualRows from '$lib/ui/VirtualRows.svelte';

	const workspace = useWorkspace();
	const desk = new RolloutDesk(workspace);
	let notes = $state('');
	let isArranging = $state(false);
	let isSigning = $state(false);
	/** The release that seats are about to follow. */
	let following = $state<number | undefined>(undefined);
	/** The seat whose change by hand is looked at, as it was when it was asked for. */
	let differing = $state.raw<RolloutSeat | undefined>(undefined);
	/** The seat that is about to be removed. */
	let removing = $state<string | undefined>(undefined);

	const { pending, isNew } = $derived(workspace.next);
	const { errors, faults } = $derived(workspace.publishing);
	$effect(() => {
		workspace.publishing.check();
		return () => workspace.publishing.end();
	});
	/** Errors in what goes out besides the office stratum, but for those that are told of it already. */
	const held = $derived.by(() => {
		const told = new Set<string>([...errors, ...faults].map(({ id }) => id));
		return workspace.next.heldBesides
			.map(({ name, errors: all }) => ({ name, errors: all.filter(({ finding }) => !told.has(finding)) }))
			.filter(({ errors: left }) => left.length > 0);
	});
	$effect(() => {
		if (desk.mayRelease) workspace.next.checkHeld();
		return () => workspace.next.held.stop();
	});

	$effect(() => {
		void desk.load();
		const timer = setInterval(() => void desk.load(), 2000);
		return () => clearInterval(timer);
	});

	async function publish(event: SubmitEvent) {
		event.preventDefault();
		if (await desk.publish(notes, workspace.next.besides)) notes = '';
	}
</script>

<div class="view">
	<section class="releases" aria-label="Releases">
		<h2>
			Releases
			{#if desk.signing !== undefined}<Button size="xs" color="alternative" onclick={() => (isSigning = true)}
					>{desk.signing === null ? 'Sign releases …' : 'Signing …'}</Button
				>{/if}
		</h2>
		{#if desk.signing === null}
			<p class="callout tone-limonite">
				Releases are not signed yet, so seats cannot install them. {#if desk.mayRelease}Create the signing keys first: <button
						type="button"
						class="linkish"
						onclick={() => (isSigning = true)}>Set up signing</button
					>.{:else}A steward has to create the signing keys.{/if}
			</p>
		{:else if desk.rootEnds !== undefined}
			<p class="callout tone-limonite">
				The main signature is valid until {day(desk.rootEnds)}. After that seats install no releases.
				<button type="button" class="linkish" onclick={() => (isSigning = true)}>Renew</button>.
			</p>
		{/if}
		<RingCourse {desk} onrings={() => (isArranging = true)} />
		<form id="publish" onsubmit={publish}>
			<h2>Next: release {(workspace.releases.at(-1)?.number ?? 0) + 1}</h2>
			{#if desk.mayRelease}<GoingOut />{/if}
			{#if !isNew}
				<p class="quiet">
					{workspace.next.isWide ? 'The content is' : 'The office level is'} unchanged since the last release.
				</p>
			{:else}
				{#if !pending}
					<p class="quiet" role="status">Comparing with the installed release …</p>
				{:else if pending.length > 0}
					<p class="quiet">{counted(pending.length, 'difference')} for the seats.</p>
					<div class="pending">
						<VirtualRows rows={pending} role="list" aria-label="Changes in the next release" tabindex={0}>
							{#snippet row(difference: Difference, _i: number, top: number)}
								<div class="row" role="listitem" style:transform="translateY({top}px)"><DifferenceRow {difference} /></div>
							{/snippet}
						</VirtualRows>
					</div>
				{:else}
					<p class="quiet">Only locks, notes or the order change. No key changes its effect.</p>
				{/if}
				{#if workspace.publishing.checks.progress !== undefined}
					<p class="quiet" role="status">
						Checking the next release: {Math.round(workspace.publishing.checks.progress * 100)} %
					</p>
				{/if}
				<HeldErrors lists={held} />
				{#if desk.mayRelease}
					<Textarea bind:value={notes} rows={2} class="w-full" aria-label="Release notes" placeholder="Release notes" />
					<ViewActs
						><Button
							type="submit"
							form="publish"
							size="sm"
							disabled={desk.busy ||
								notes.trim() === '' ||
								workspace.publishing.checks.progress !== undefined ||
								workspace.next.held.progress !== undefined ||
								errors.length + faults.length + held.length > 0}
							>Publish release {(workspace.releases.at(-1)?.number ?? 0) + 1}</Button
						></ViewActs
					>
				{:else}
					<p class="quiet">
						Only stewards can publish. <a class="linkish" href="impact">See your changes</a>
					</p>
				{/if}
			{/if}
		</form>
		<ReleaseCore
			releases={workspace.releases}
			channel={workspace.channel}
			busy={desk.busy}
			onfollow={desk.mayRelease ? (release) => (following = release) : undefined}
		/>
		{#if workspace.releases.length > 1}<CompareReleases releases={workspace.releases} />{/if}
	</section>
	<section class="seats" aria-label="Seats">
		<h2>Seats</h2>
		{#if desk.unheard}<p class="callout tone-limonite" role="status">{desk.unheard}</p>{/if}
		{#if desk.without.length > 0}
			<div class="callout tone-limonite" role="status">
				<p>
					{desk.without.length === 1 ? 'One setup runs' : `${desk.without.length} setups run`} without a required level:
				</p>
				<ul aria-label="Setups without a required level">
					{#each desk.without as one (one.setup + one.person)}
						{@const at = desk.seatsWith(one)}
						<li>
							{workspace.nameOf(one.person)}, {one.name}: without {listed(one.missing)}{at.length > 0
								? `, at ${listed(at)}`
								: one.isStart
									? ', what they start with'
									: ''}
						</li>
					{/each}
				</ul>
			</div>
		{/if}
		<SeatBoard {desk} address={page.url.origin} ondiffer={(seat) => (differing = seat)} onremove={(id) => (removing = id)} />
	</section>
</div>
{#if following !== undefined}
	{@const release = following}
	<Confirm
		title="Move all seats to release {release}?"
		does="Move to release {release}"
		onconfirm={() => void desk.backTo(release)}
		onclose={() => (following = undefined)}
	>
		{#if workspace.channel !== null}<ReleaseDiff from={workspace.channel} to={release} />{/if}
	</Confirm>
{/if}
{#if isArranging}<RingsDialog {desk} onclose={() => (isArranging = false)} />{/if}
{#if isSigning}<SigningDialog {desk} onclose={() => (isSigning = false)} />{/if}
{#if differing}
	{@const at = differing}
	<DriftDialog {at} sits={desk.sitting(at)} onanew={() => void desk.restore(at.id)} onclose={() => (differing = undefined)} />
{/if}
{#if removing}
	{@const id = removing}
	<Confirm
		title="Remove the seat {id}?"
		does="Remove {id}"
		onconfirm={() => void desk.remove(id)}
		onclose={() => (removing = undefined)}
	>
		<p>The seat and its reports are deleted. The workstation keeps its files and gets no further updates.</p>
	</Confirm>
{/if}

<style>
	.view {
		display: grid;
		grid-template-columns: minmax(0, 1.25fr) minmax(360px, 1fr);
		height: 100%;
	}
	section {
		display: flex;
		flex-direction: column;
		gap: var(--space-3);
		padding: var(--space-4) var(--space-4);
		overflow-y: auto;
	}
	.seats {
		background: var(--panel);
		border-left: 1px solid var(--line-strong);
	}
	h2 {
		display: flex;
		justify-content: space-between;
	}
	form {
		display: grid;
		gap: var(--space-2);
		padding: var(--space-3) var(--space-3);
		border: 1px solid var(--line-strong);
		border-radius: 4px;
		background: var(--raised);
	}
	.pending {
		display: flex;
		height: 132px;
	}
	.row {
		position: absolute;
		inset: 0 0 auto;
		display: grid;
		grid-template-columns: 16px 14px 150px minmax(0, 1fr);
		align-items: center;
		gap: var(--space-2);
		height: var(--row);
	}
</style>
