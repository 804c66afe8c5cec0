<script lang="ts">
	import ViewActs from '$lib/ui/kit/ViewActs.svelte';
	import { Button } from 'flowbite-svelte';
	import { SHEET_PLATFORMS, type SheetPlatform } from '$core/sheet/ground';
	import { MOST_USED, sheetOfProfile, type SheetChoice } from '$core/sheet/of-profile';
	import { scopeText, type Scope } from '$core/context/scope';
	import { listedBriefly } from '$core/text/listed';
	import Picker from '$lib/ui/Picker.svelte';
	import { ARRANGEMENTS, type Arrangement } from '$core/sheet/sheet';
	import { PLATFORM_NAMES } from '$core/keyboard/desk';
	import { published } from '$core/strata/stratum';
	import { useWorkspace, type Workspace } from '$lib/state/workspace.svelte';
	import StatePicker from '$lib/ui/StatePicker.svelte';
	import { download } from '$lib/ui/save';
	import SheetPaper from '$lib/ui/sheet/SheetPaper.svelte';

	/** The workspace that is edited, whichever state is looked at. */
	let { edited }: { edited: Workspace } = $props();
	const workspace = useWorkspace();
	const { shown } = $derived(edited);
	let arrangement = $state<Arrangement>('context');
	let whose = $state<'office' | 'mine'>('mine');
	/** The desk that it is for, by its place among those of the office, and its system unless others are chosen. */
	let deskAt = $state(0);
	let chosen = $state.raw<readonly SheetPlatform[] | undefined>(undefined);
	let only = $state<(typeof CONTENTS)[number]>('all');
	let paper = $state<'a4' | 'a3'>('a4');

	const names: Record<Arrangement, string> = {
		context: 'By context',
		category: 'By category',
		key: 'By key',
		keyboard: 'Keyboard layout'
	};
	const CONTENTS = ['all', 'used', 'mine', 'here'] as const;
	const shows = { all: 'All commands', mine: 'My changes', used: `The ${MOST_USED} most used`, here: 'This situation' } as const;
	const desks = $derived(
		workspace.office.desks.toSorted((a, b) => b.seats.length - a.seats.length).filter((desk) => desk.seats.length > 0)
	);
	const desk = $derived(desks[deskAt] ?? workspace.office.usual);
	const platforms = $derived(chosen ?? [desk.platform === 'macos' ? ('macos' as const) : ('windows' as const)]);
	const here = $derived.by((): Scope => {
		const { axes, situations } = workspace.space;
		return Object.fromEntries(axes.map(({ id }, i) => [id, [situations[workspace.situation]![i]!]]));
	});
	/** What of the setup is wanted. */
	const choice = $derived.by((): SheetChoice | undefined => {
		if (only === 'all') return undefined;
		if (only === 'used') return { kind: 'used', most: MOST_USED };
		if (only === 'here') return { kind: 'scope', scope: here };
		return { kind: 'strata', strata: workspace.profile.filter(({ kind }) => kind === 'personal').map(({ id }) => id) };
	});
	const own = $derived(workspace.profile.at(-1)!);
	const sheet = $derived(
		sheetOfProfile(
			workspace.subject,
			whose === 'office' ? published(workspace.profile) : workspace.profile,
			workspace.office.desks,
			{
				arrangement,
				platforms,
				setup: whose === 'office' ? 'the office’s setup' : workspace.document.setup.name,
				state: shown.text,
				date: new Date(),
				desk,
				...(choice && { only: choice })
			}
		)
	);
	const file = $derived(
		(format: string) =>
			`${workspace.path}/export?${new URLSearchParams({
				...{ format, by: arrangement, whose, platforms: platforms.join(',') },
				...{ setup: workspace.document.setup.id, state: shown.state },
				...(shown.state === 'release' && { release: String(shown.release) }),
				...(only === 'mine' || only === 'used' ? { only } : {}),
				...(choice?.kind === 'scope' && { only: 'scope', in: scopeText(choice.scope) }),
				...(desk.seats[0] !== undefined && { seat: desk.seats[0] })
			})}`
	);

	/** At least one system stays. */
	function toggle(platform: SheetPlatform) {
		const next = SHEET_PLATFORMS.filter((p) => platforms.includes(p) !== (p === platform));
		if (next.length > 0) chosen = next;
	}
</script>

<ViewActs>
	<StatePicker workspace={edited} />
	<span class="out">
		<Button size="sm" color="alternative" onclick={() => void download(edited, file('html'))}>HTML</Button>
		<Button size="sm" color="alternative" onclick={() => void download(edited, file('md'))}>Markdown</Button>
		<Button size="sm" onclick={() => window.print()}>Print</Button></span
	>
</ViewActs>

<div class="view">
	<div class="bar" data-screen>
		<div class="segmented" role="group" aria-label="Order">
			{#each ARRANGEMENTS as one (one)}<button
					class="pill"
					type="button"
					aria-pressed={arrangement === one}
					onclick={() => (arrangement = one)}>{names[one]}</button
				>{/each}
		</div>
		<div class="segmented" role="group" aria-label="Setup">
			<button class="pill" type="button" aria-pressed={whose === 'mine'} onclick={() => (whose = 'mine')}>With {own.name}</button>
			<button class="pill" type="button" aria-pressed={whose === 'office'} onclick={() => (whose = 'office')}>Office only</button>
		</div>
		<Picker
			label="Contents"
			value={only}
			items={CONTENTS.map((value) => ({ value, name: shows[value] }))}
			onpick={(value) => (only = value as (typeof CONTENTS)[number])}
		/>
		{#if desks.length > 1}
			<Picker
				label="Equipment"
				value={String(deskAt)}
				items={desks.map((one, i) => ({ value: String(i), name: `for ${listedBriefly(one.seats, (seat) => seat)}` }))}
				onpick={(at) => ((deskAt = Number(at)), (chosen = undefined))}
			/>
		{/if}
		<div role="group" aria-label="Key names of">
			{#each SHEET_PLATFORMS as platform (platform)}<button
					class="pill"
					type="button"
					aria-pressed={platforms.includes(platform)}
					onclick={() => toggle(platform)}>{PLATFORM_NAMES[platform]}</button
				>{/each}
		</div>
		<div class="segmented" role="group" aria-label="Paper">
			{#each ['a4', 'a3'] as const as size (size)}<button
					class="pill"
					type="button"
					aria-pressed={paper === size}
					onclick={() => (paper = size)}>{size.toUpperCase()}</button
				>{/each}
		</div>
	</div>
	<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
	<div class="scroll" role="region" aria-label="Preview" tabindex="0"><SheetPaper {sheet} {paper} /></div>
</div>

<style>
	.view {
		display: flex;
		flex-direction: column;
		height: 100%;
	}
	.bar {
		display: flex;
		flex-wrap: wrap;
		gap: var(--space-2) var(--space-4);
		align-items: center;
		padding: var(--space-2) var(--space-4);
		border-bottom: 1px solid var(--line-strong);
		font-size: var(--dense);
	}
	.bar > div {
		display: flex;
		gap: 6px;
	}
	.out {
		display: flex;
		gap: var(--space-3);
		align-items: center;
		margin-left: auto;
	}
	.scroll {
		flex: 1;
		min-height: 0;
		padding: var(--space-4);
		overflow-y: auto;
		background: var(--panel);
	}
	@media print {
		.view,
		.scroll {
			display: block;
			height: auto;
			padding: 0;
			overflow: visible;
			background: none;
		}
		.bar {
			display: none;
		}
	}
</style>
