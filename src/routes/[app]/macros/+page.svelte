<script lang="ts">
	import { Button, Checkbox, Dropdown, DropdownItem, Input } from 'flowbite-svelte';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import type { CommandId } from '$core/application/command';
	import { acceptancesOf, staleAcceptances } from '$core/check/acceptance';
	import { SEVERITIES } from '$core/check/severity';
	import { Macro, MACROS, macroIdFor, macrosIn, type MacroStep, type StepKind } from '$core/chapters/macros/macro';
	import { duplicateOf, patternsFor, type Pattern } from '$core/chapters/macros/patterns';
	import { dropMacro, lockMacro, removeMacro, setMacro } from '$core/chapters/macros/writing';
	import { entryKeyFor } from '$core/strata/entry';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import FindingsHere from '$lib/ui/findings/FindingsHere.svelte';
	import { SIGNS } from '$lib/ui/findings/severity';
	import StaleAcceptances from '$lib/ui/findings/StaleAcceptances.svelte';
	import KeyCaps from '$lib/ui/KeyCaps.svelte';
	import IconPicker from '$lib/ui/macros/IconPicker.svelte';
	import MacroIcon from '$lib/ui/macros/MacroIcon.svelte';
	import MacroList from '$lib/ui/macros/MacroList.svelte';
	import MacroRun from '$lib/ui/macros/MacroRun.svelte';
	import StepList from '$lib/ui/macros/StepList.svelte';
	import StratumChip from '$lib/ui/StratumChip.svelte';

	const workspace = useWorkspace();
	const macros = $derived([...workspace.macros.inForce.values()].sort((a, b) => a.macro.label.localeCompare(b.macro.label)));
	const asked = $derived(page.url.searchParams.get('macro') as CommandId | null);
	const placed = $derived(macros.find(({ macro }) => macro.id === asked) ?? macros[0]);
	const macro = $derived(placed?.macro);
	let at = $state(0);
	let isChoosingIcon = $state(false);

	const levelOf = (id: string) => workspace.profile.findIndex((s) => s.id === id);
	const own = $derived(macro && macrosIn(workspace.target).get(entryKeyFor('set', macro.id)));
	/** Why nothing can be changed here; undefined where it can. */
	const closed = $derived.by(() => {
		if (!placed) return undefined;
		const level = levelOf(workspace.targetId);
		if (levelOf(placed.stratum.id) > level)
			return `${placed.stratum.name} says this macro. Write to ${placed.stratum.name} to change it; you write to ${workspace.target.name} now.`;
		if (placed.lockedBy && levelOf(placed.lockedBy.id) < level)
			return `${placed.lockedBy.name} has locked this macro. Duplicate it to make one of your own.`;
		return undefined;
	});
	/** Those of the macro in hand, accepted ones among them. */
	const findings = $derived(workspace.findings.allOfMacros.filter((f) => f.command === macro?.id));
	const open = $derived(workspace.findings.ofMacros);
	const stale = $derived(
		staleAcceptances(
			acceptancesOf(workspace.accepted, MACROS),
			workspace.findings.allOfMacros.map((f) => f.acceptable())
		)
	);
	const idle = $derived(workspace.macros.idle.filter((i) => i.entry.id === macro?.id));
	const routes = $derived(macro ? workspace.index.of(macro.id) : []);
	const counts = $derived(SEVERITIES.map((s) => ({ s, n: open.filter((f) => f.severity === s).length })));
	/** What a new step runs until another command is chosen: the most used. */
	const usual = $derived(
		workspace.document.commands.reduce((best, c) => ((c.use ?? 0) > (best.use ?? 0) ? c : best), workspace.document.commands[0]!)
	);

	function choose(id: CommandId) {
		at = 0;
		void goto(`?macro=${encodeURIComponent(id)}`, { replaceState: true, keepFocus: true, noScroll: true });
	}

	/** Writes the macro into the stratum in hand; of a lower one, as a version over it. */
	const write = (label: string, after: Macro) => workspace.edits.commit(label, setMacro(workspace.target, after));

	function change(what: string, changed: Partial<Macro>) {
		if (!macro) return;
		const parsed = Macro.safeParse({ ...macro, ...changed });
		if (parsed.success) void write(`Macro ${parsed.data.label}: ${what}`, parsed.data);
		else workspace.notice = { kind: 'failed', text: `The macro was not changed: ${parsed.error.issues[0]!.message}.` };
	}

	async function make(label: string, pattern: Pick<Pattern, 'inside' | 'steps'> | Macro) {
		const id = macroIdFor(
			label,
			(taken) => workspace.catalogue.has(taken) || workspace.profile.some((s) => macrosIn(s).has(entryKeyFor('set', taken)))
		);
		const made =
			'id' in pattern
				? duplicateOf(pattern, id, label)
				: Macro.parse({ id, label, inside: pattern.inside, steps: pattern.steps });
		if (await write(`Macro: ${label}`, made)) choose(id);
	}

	/** Takes the own version away; of a lower stratum, says that it is not there. */
	function remove() {
		if (!macro || !placed) return;
		const { target } = workspace;
		if (own?.op === 'set')
			void workspace.edits.commit(
				`Macro ${macro.label}: ${placed.over ? 'own version' : 'macro'} taken away`,
				dropMacro(target, macro.id)
			);
		else void workspace.edits.commit(`Macro ${macro.label}: not in ${target.name}`, removeMacro(target, macro.id));
	}

	const bringBack = (id: CommandId) => void workspace.edits.commit(`Macro ${id}: there again`, dropMacro(workspace.target, id));
	const gone = $derived([...macrosIn(workspace.target).values()].filter(({ op }) => op === 'remove'));
	const isLockedHere = $derived(macro !== undefined && macrosIn(workspace.target).has(entryKeyFor('lock', macro.id)));

	function lock(isLocked: boolean) {
		if (!macro) return;
		const label = `Macro ${macro.label}: ${isLocked ? 'locked' : 'unlocked'} in ${workspace.target.name}`;
		void workspace.edits.commit(label, lockMacro(workspace.target, macro.id, isLocked));
	}

	function fresh(kind: StepKind): MacroStep {
		switch (kind) {
			case 'cancel':
			case 'accept':
				return { do: kind };
			case 'run':
				return { do: 'run', command: usual.id };
			case 'type':
				return { do: 'type', text: '10' };
			case 'pick':
				return { do: 'pick', what: '' };
			case 'launch':
				return { do: 'launch', program: 'viewer', arguments: [] };
		}
	}

	const textOf = (event: Event) => (event.currentTarget as HTMLInputElement).value;
</script>

<div class="view">
	<section class="list" aria-label="All macros">
		<header>
			<Button size="sm" id="new-macro">New …</Button>
			<Dropdown simple triggeredBy="#new-macro" class="w-72">
				{#each patternsFor(usual.id) as pattern (pattern.name)}
					<DropdownItem onclick={() => void make(pattern.name === 'Empty' ? 'New macro' : pattern.name, pattern)}
						>{pattern.name}</DropdownItem
					>
				{/each}
			</Dropdown>
			<a class="linkish" href="bench">Record on the bench</a>
		</header>
		<MacroList {macros} chosen={macro?.id} onchoose={choose} />
		{#if macros.length === 0}
			<p class="none quiet">
				No macro yet. A macro is a command made of steps; it is assigned, typed and published like any other.
			</p>
		{/if}
		{#each gone as { id } (id)}
			<p class="gone quiet">
				<span class="mono">{id}</span> is taken away in {workspace.target.name}.
				<button class="linkish" type="button" onclick={() => bringBack(id)}>Bring it back</button>
			</p>
		{/each}
		<StaleAcceptances {stale} />
		<p class="counts" aria-label="Findings of macros">
			{#each counts as { s, n } (s)}<span class="tone-{SIGNS[s].tone}"
					><span class="toned">{SIGNS[s].shape} {n}</span> {n === 1 ? SIGNS[s].name : SIGNS[s].names}</span
				>{/each}
		</p>
	</section>
	{#if macro && placed}
		{#key macro.id}
			<section class="editor" aria-label="Macro">
				<div class="head">
					<button
						type="button"
						class="icon"
						disabled={closed !== undefined}
						aria-label="Choose the icon"
						title="Choose the icon"
						onclick={() => (isChoosingIcon = true)}><MacroIcon icon={macro.icon} size={30} /></button
					>
					<div class="names">
						<Input
							size="sm"
							class="title"
							value={macro.label}
							disabled={closed !== undefined}
							aria-label="Label"
							onchange={(event: Event) => change('label', { label: textOf(event) })}
						/>
						<span class="mono quiet">{macro.id}</span>
					</div>
					<StratumChip id={placed.stratum.id} named />
				</div>
				<Input
					size="sm"
					value={macro.description}
					disabled={closed !== undefined}
					placeholder="What it is for"
					aria-label="Description"
					onchange={(event: Event) => change('description', { description: textOf(event) })}
				/>
				<div class="options">
					<Checkbox
						checked={macro.inside}
						disabled={closed !== undefined}
						onchange={(event: Event) => change('for use inside', { inside: (event.currentTarget as HTMLInputElement).checked })}
						>For use while another command runs</Checkbox
					>
					<Checkbox
						checked={isLockedHere}
						disabled={closed !== undefined}
						onchange={(event: Event) => lock((event.currentTarget as HTMLInputElement).checked)}
						>Locked for the strata above</Checkbox
					>
				</div>
				{#if closed !== undefined}
					<p class="callout tone-azurite">{closed}</p>
				{:else if placed.stratum.id !== workspace.targetId}
					<p class="callout tone-azurite">
						{placed.stratum.name} says this macro. A change makes a version of its own in {workspace.target.name}.
					</p>
				{:else if placed.over}
					<p class="callout tone-azurite">
						This version stands in place of {placed.over.name}’s.
						<button class="linkish" type="button" onclick={remove}>Go back to {placed.over.name}’s</button>
					</p>
				{/if}
				<StepList
					steps={macro.steps}
					findings={open.filter((f) => f.command === macro.id)}
					bind:at
					disabled={closed !== undefined || workspace.edits.busy}
					{fresh}
					onchange={(what, steps) => change(what, { steps })}
				/>
				<div class="ways">
					<Button size="xs" color="alternative" onclick={() => void make(`${macro.label}, copy`.slice(0, 80), macro)}
						>Duplicate</Button
					>
					<Button size="xs" color="alternative" disabled={closed !== undefined} onclick={remove}
						>{own ? 'Take away' : `Not in ${workspace.target.name}`}</Button
					>
				</div>
			</section>
			<aside>
				<section>
					<h2>Routes</h2>
					{#each routes as binding (binding.key)}
						<p class="route">
							<KeyCaps keys={binding.keys} /><span class="quiet">{workspace.space.scopeLabel(binding.scope)}</span>
						</p>
					{/each}
					<p class="route">
						{#if routes.length === 0}<span class="quiet">No shortcut yet.</span>{/if}
						<a href="commands?command={encodeURIComponent(macro.id)}">Assign like any command</a>
					</p>
				</section>
				<FindingsHere
					{findings}
					name="Findings of this macro"
					onshow={({ witness }) => (at = (witness.kind === 'macro' && witness.step) || 0)}
				/>
				<section><MacroRun {macro} {at} onchoose={(step) => (at = step)} /></section>
				{#each idle as { stratum, reason, by } (stratum.id)}
					<p class="quiet other">
						<StratumChip id={stratum.id} />
						{stratum.name}’s version is without effect: {reason === 'locked'
							? `${by?.name} has locked it`
							: `${by?.name}’s stands`}.
						{#if stratum.id === workspace.targetId}<button class="linkish" type="button" onclick={() => bringBack(macro.id)}
								>Drop it</button
							>{/if}
					</p>
				{/each}
			</aside>
		{/key}
	{:else}
		<section class="editor"><p class="quiet">Make a macro, or record one on the bench.</p></section>
	{/if}
</div>
{#if isChoosingIcon && macro}
	<IconPicker icon={macro.icon} onpick={(icon) => change('icon', { icon })} onclose={() => (isChoosingIcon = false)} />
{/if}

<style>
	.view {
		display: grid;
		grid-template-columns: 296px minmax(0, 1fr) 312px;
		height: 100%;
	}
	.list {
		display: flex;
		flex-direction: column;
		min-height: 0;
		border-right: 1px solid var(--line-strong);
	}
	.list header {
		display: flex;
		justify-content: space-between;
		align-items: center;
		padding: 10px 12px;
		font-size: 13px;
	}
	.list :global(ul[role='listbox']) {
		flex: 1;
	}
	.none,
	.gone {
		padding: 10px 12px;
		font-size: 13px;
	}
	.counts {
		display: flex;
		gap: 14px;
		padding: 8px 12px;
		border-top: 1px solid var(--line-strong);
		background: var(--panel);
		font-size: 13px;
	}
	.editor {
		display: flex;
		flex-direction: column;
		gap: 10px;
		min-height: 0;
		padding: 14px 16px;
		overflow-y: auto;
	}
	.head {
		display: flex;
		gap: 12px;
		align-items: flex-start;
	}
	.icon {
		display: grid;
		place-items: center;
		width: 52px;
		height: 52px;
		flex: none;
		border: 1px solid var(--control);
		border-radius: 6px;
		background: var(--raised);
	}
	.names {
		display: grid;
		flex: 1;
		gap: 3px;
		min-width: 0;
	}
	.names :global(.title) {
		font-weight: 650;
	}
	.options {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 22px;
		font-size: 13px;
	}
	.callout {
		font-size: 13px;
	}
	.ways {
		display: flex;
		gap: 8px;
	}
	aside {
		display: flex;
		flex-direction: column;
		gap: 16px;
		padding: 14px 16px;
		border-left: 1px solid var(--line-strong);
		background: var(--panel);
		overflow-y: auto;
	}
	h2 {
		margin-bottom: 6px;
	}
	.route {
		display: flex;
		gap: 10px;
		align-items: center;
		padding: 2px 0;
		font-size: 13px;
	}
	a {
		color: var(--azurite);
	}
	.other {
		font-size: 13px;
	}
	@media (max-width: 1150px) {
		.view {
			grid-template-columns: 220px minmax(0, 1fr) 250px;
		}
	}
</style>
