<script lang="ts">
	import { day } from '$lib/ui/when';
	import { Button, Input, Label, Modal } from 'flowbite-svelte';
	import type { RoleState } from '$lib/server/signing/signing';
	import type { RolloutDesk } from '$lib/state/rollout-desk.svelte';
	import Picker from '../Picker.svelte';
	import Table from '../kit/Table.svelte';

	/** Which keys sign what: made at first, replaced when they are lost or seen, root signed for another term. */
	let { desk, onclose }: { desk: RolloutDesk; onclose: () => void } = $props();
	let open = $state(true);
	const LEAST = 12;
	let count = $state('1');
	let needed = $state('1');
	let phrases = $state<string[]>(['']);
	let again = $state<string[]>(['']);
	$effect(() => {
		const wanted = Number(count);
		while (phrases.length < wanted) {
			phrases.push('');
			again.push('');
		}
		phrases.length = again.length = wanted;
		if (Number(needed) > wanted) needed = count;
	});
	const isAlike = $derived(phrases.every((phrase, i) => phrase === again[i]));
	const isLong = $derived(phrases.every((phrase) => [...phrase].length >= LEAST));

	/** What root is asked for: another key for a role, another term, or another root key. */
	let doing = $state<string | undefined>(undefined);
	let asked = $state('');
	let fresh = $state('');
	let lost = $state('');
	const { signing } = $derived(desk);
	const root = $derived(signing?.roles.find(({ role }) => role === 'root'));
	const NAMES: Record<string, string> = {
		root: 'defines the valid signing keys; yours, with a passphrase',
		targets: 'defines who may sign for which program',
		snapshot: 'defines which versions belong together',
		timestamp: 'defines the newest version; renewed by the server',
		'own-files': 'signs the personal files at seats'
	};
	const about = ({ role }: RoleState) => NAMES[role] ?? `signs the releases of ${role.replace(/^app\./, '')}`;
	const isSoon = ({ role, expires }: RoleState) => role === 'root' && Date.parse(expires) - desk.now < 60 * 24 * 3600_000;

	async function setUp(event: SubmitEvent) {
		event.preventDefault();
		if (await desk.setUp(phrases, Number(needed))) open = false;
	}

	async function ask(event: SubmitEvent) {
		event.preventDefault();
		const said = asked
			.split('\n')
			.map((line) => line.trim())
			.filter(Boolean);
		const isDone =
			doing === 'root'
				? await desk.rotateRoot(said, lost === '' ? [] : [lost], fresh === '' ? [] : [fresh])
				: await desk.rotate(doing!, said);
		if (isDone) [doing, asked, fresh, lost] = [undefined, '', '', ''];
	}
</script>

<Modal bind:open title="Signing" aria-label="Signing" size="lg" {onclose}>
	{#if signing === null}
		<form onsubmit={setUp}>
			<p>
				Releases are signed, so that seats accept only files of this office. The main signing key signs the other keys. It is
				stored outside the data folder with a passphrase that only you know, and is needed only to change keys.
			</p>
			<p class="pick">
				<span>Main signing keys</span><Picker
					label="Main signing keys"
					items={['1', '2', '3', '5'].map((value) => ({ value, name: value }))}
					value={count}
					onpick={(value) => (count = value)}
				/>
				{#if count !== '1'}<span>Required signatures</span><Picker
						label="Required signatures"
						items={Array.from({ length: Number(count) }, (_, i) => ({ value: String(i + 1), name: String(i + 1) }))}
						value={needed}
						onpick={(value) => (needed = value)}
					/>{/if}
			</p>
			{#each phrases as _, i (i)}
				<div class="two">
					<div>
						<Label for="phrase-{i}">Passphrase{count === '1' ? '' : ` ${i + 1}`}, at least {LEAST} characters</Label>
						<Input id="phrase-{i}" size="sm" type="password" autocomplete="new-password" required bind:value={phrases[i]!} />
					</div>
					<div>
						<Label for="again-{i}">Repeat passphrase</Label>
						<Input id="again-{i}" size="sm" type="password" autocomplete="new-password" required bind:value={again[i]!} />
					</div>
				</div>
			{/each}
			{#if !isAlike && again.every((text) => text !== '')}<p class="callout tone-garnet" role="alert">
					The passphrases differ.
				</p>{/if}
			<Button type="submit" size="sm" disabled={desk.busy || !isAlike || !isLong}>Create signing keys</Button>
		</form>
	{:else if signing}
		<Table
			name="Signing roles"
			heads={['Role', { name: 'Version', isNumber: true }, 'Valid until', 'Signing keys', { name: 'Change', isSpoken: true }]}
		>
			<tbody>
				{#each signing.roles as role (role.role)}
					<tr class:soon={isSoon(role)}>
						<th scope="row">{role.role.replace(/^app\./, '')}<small class="quiet">{about(role)}</small></th>
						<td class="num">{role.version || '–'}</td>
						<td
							>{role.version === 0 ? '–' : day(role.expires)}{#if isSoon(role)}<span class="tone-limonite toned">
									▲ soon</span
								>{/if}</td
						>
						<td class="mono" title={role.keys.join('\n')}
							>{role.keys.map((key) => key.slice(0, 8)).join(' ')}{#if role.keys.length > 1}, {role.threshold} must sign{/if}</td
						>
						<td
							>{#if desk.mayRelease}<button
									type="button"
									class="linkish"
									aria-expanded={doing === role.role}
									onclick={() => (doing = doing === role.role ? undefined : role.role)}
									>{role.role === 'root' ? 'Renew or replace …' : 'New key …'}</button
								>{/if}</td
						>
					</tr>
				{/each}
			</tbody>
		</Table>
		{#if desk.mayRelease}
			<p class="quiet small">
				{signing.rootKeys.there.length} of {root?.keys.length ?? 0} main signing keys are in
				<code>{signing.rootKeys.folder}</code>. Store them elsewhere and copy them back when they are needed. For lost keys, see
				docs/keys.md.
			</p>
		{/if}
		{#if doing !== undefined}
			<form onsubmit={ask}>
				<h3>{doing === 'root' ? 'Root' : `New signing key for ${doing.replace(/^app\./, '')}`}</h3>
				{#if doing === 'root' && root}
					<p class="pick">
						<span>Remove</span><Picker
							label="Remove"
							items={[
								{ value: '', name: 'no key: renew the signature' },
								...root.keys.map((value) => ({ value, name: value.slice(0, 8) }))
							]}
							value={lost}
							onpick={(value) => (lost = value)}
						/>
					</p>
					<div>
						<Label for="fresh">Passphrase of a new main signing key</Label>
						<Input id="fresh" size="sm" type="password" autocomplete="new-password" bind:value={fresh} />
					</div>
				{/if}
				<div>
					<Label for="asked"
						>Passphrase of the main signing key{(root?.threshold ?? 1) > 1 ? `, ${root?.threshold} needed` : ''}</Label
					>
					{#if (root?.threshold ?? 1) > 1}
						<textarea
							id="asked"
							class="hidden-text"
							rows={root?.threshold}
							bind:value={asked}
							placeholder="one per line"
							autocomplete="off"></textarea>
					{:else}
						<Input id="asked" size="sm" type="password" autocomplete="off" required bind:value={asked} />
					{/if}
				</div>
				<Button type="submit" size="sm" disabled={desk.busy || asked.trim() === '' || (fresh !== '' && fresh.length < LEAST)}
					>{doing === 'root' ? 'Sign' : 'Change key'}</Button
				>
			</form>
		{/if}
	{/if}
</Modal>

<style>
	form {
		display: grid;
		gap: var(--space-3);
		justify-items: start;
	}
	form > div {
		width: min(100%, 520px);
	}
	.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: var(--space-3);
	}
	.pick {
		display: flex;
		gap: var(--space-2);
		align-items: center;
	}
	th small {
		display: block;
		font-weight: 400;
		font-size: var(--caption);
	}
	.hidden-text {
		width: 100%;
		-webkit-text-security: disc;
	}
	.small {
		font-size: var(--caption);
	}
	code {
		font-family: var(--mono);
	}
</style>
