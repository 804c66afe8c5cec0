<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import { valueText } from '$core/application/option';
	import { POINTER_DEVICES, POINTERS, type Pointer } from '$core/keyboard/desk';
	import { listed } from '$core/text/listed';
	import { HELD, type NavigationDesk } from '$lib/state/navigation-desk.svelte';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import KeyCaps from '../KeyCaps.svelte';
	import Picker from '../Picker.svelte';
	import StratumChip from '../StratumChip.svelte';
	import Device from './Device.svelte';
	import Manners from './Manners.svelte';
	import Table from '../kit/Table.svelte';

	/** What the buttons and the wheel do but for flicks, and how another program is navigated. */
	let { desk }: { desk: NavigationDesk } = $props();
	const workspace = useWorkspace();
	const labelOf = (id: Parameters<typeof workspace.catalogue.get>[0]) => workspace.catalogue.get(id)?.label ?? id;
	const rose = $derived(desk.rosesOn(desk.part));

	$effect(() => void desk.load().catch((error: Error) => (workspace.notice = { kind: 'failed', text: error.message })));
</script>

<div class="navigation">
	<section aria-label="Buttons and wheel">
		<div class="device">
			<Device {desk} />
			<div class="said">
				<p class="pair">
					<Picker
						label="Pointing device"
						value={desk.pointer}
						items={POINTERS.map((id) => ({ value: id, name: POINTER_DEVICES[id].name }))}
						onpick={(pointer) => (desk.chosen = pointer as Pointer)}
					/>
					<Picker
						label="Button or wheel"
						value={desk.part}
						items={desk.parts.map((part) => ({ value: part, name: part === 'Wheel' ? 'Wheel' : `${part} button` }))}
						onpick={(part) => (desk.part = part as typeof desk.part)}
					/>
				</p>
				<Table
					name="Action"
					heads={[{ name: 'Input', isSpoken: true }, ...HELD.map((held) => held.join('+') || 'alone')]}
					isFixed
				>
					<tbody>
						{#each desk.rows as row (row.name)}
							<tr>
								<th scope="row">{row.name}</th>
								{#each row.cells as { keys, bindings } (keys)}
									<td>
										<button
											type="button"
											aria-pressed={desk.selected === keys}
											aria-label="{keys}: {bindings.length > 0 ? listed(bindings.map((b) => labelOf(b.command))) : 'nothing'}"
											onclick={() => (desk.selected = keys)}
										>
											{#if bindings[0]}<StratumChip id={bindings[0].stratum} />
												{labelOf(bindings[0].command)}{#if bindings.length > 1}<span class="quiet">
														+{bindings.length - 1}</span
													>{/if}
											{:else}<span class="quiet">·</span>{/if}
										</button>
									</td>
								{/each}
							</tr>
						{/each}
					</tbody>
				</Table>
				{#if rose !== ''}<p class="quiet">Flicks with {rose} are used by roses.</p>{/if}
			</div>
		</div>
	</section>
	<Manners {desk} />
	<section aria-label="Match another program">
		<p class="pair">
			<span>Compare with</span>
			<Picker
				label="Navigation of another program"
				value={desk.other}
				items={[{ value: '', name: 'another program …' }, ...desk.others.map((name) => ({ value: name, name }))]}
				onpick={(name) => (desk.other = name)}
			/>
		</p>
		{#if desk.other !== ''}
			<div class="beside">
				<Table name="Navigation compared with {desk.other}" heads={['Action', 'Here', desk.other]}>
					<tbody>
						{#each desk.beside as { command, here, there, isSame } (command.id)}
							<tr class:same={isSame}>
								<th scope="row">{command.label}</th>
								<td
									>{#each here as binding (binding.key)}<KeyCaps keys={binding.keys} />{:else}<span class="quiet"
											>no mouse input</span
										>{/each}</td
								>
								<td
									>{#each there as keys (keys)}<KeyCaps {keys} tone={isSame ? undefined : 'limonite'} />{/each}</td
								>
							</tr>
						{/each}
						{#each desk.mannersBeside as { definition, value, there } (definition.path)}
							<tr class:same={value === there}>
								<th scope="row">{definition.label}</th>
								<td>{valueText(definition, value)}</td>
								<td class:tone-limonite={value !== there}>{valueText(definition, there)}</td>
							</tr>
						{/each}
					</tbody>
				</Table>
			</div>
			{#if typeof desk.taking === 'string'}<p class="tone-garnet">{desk.taking}.</p>
			{:else if desk.taking.changes.length > 0}
				<p>
					{#if desk.taking.aside.length > 0}Removed, because they conflict: {listed(
							desk.taking.aside.map((b) => `${labelOf(b.command)} on ${b.keys}`)
						)}.{/if}
					<Button size="xs" disabled={workspace.edits.busy} onclick={() => void desk.takeOver()}>Match {desk.other}</Button>
				</p>
			{:else}<p class="quiet">Both programs navigate in the same way.</p>{/if}
		{/if}
	</section>
</div>

<style>
	.navigation {
		display: grid;
		gap: var(--space-4);
		min-height: 0;
		overflow-y: auto;
	}
	.device {
		display: flex;
		gap: var(--space-5);
	}
	.said {
		flex: 1;
		min-width: 0;
	}
	.pair {
		display: flex;
		gap: var(--space-2);
		align-items: center;
		margin: 0 0 var(--space-2);
	}
	.said :global(thead th:first-child) {
		width: 140px;
	}
	.said th {
		overflow: hidden;
		text-overflow: ellipsis;
	}
	td {
		padding: 2px var(--space-1) 2px 0;
	}
	td button {
		width: 100%;
		min-height: 28px;
		padding: 2px var(--space-2);
		border: 1px solid var(--line);
		border-radius: 3px;
		background: var(--raised);
		color: var(--ink);
		font: inherit;
		text-align: left;
	}
	[aria-pressed='true'] {
		border-color: var(--azurite);
		box-shadow: 0 0 0 1px var(--azurite);
	}
	.beside {
		width: auto;
		min-width: 60%;
	}
	.same {
		color: var(--ink-3);
	}
</style>
