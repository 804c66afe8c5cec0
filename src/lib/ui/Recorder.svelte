<script lang="ts">
	import { Checkbox, Input } from 'flowbite-svelte';
	import { tick } from 'svelte';
	import { hear, type Heard } from '$core/stroke/hear';
	import { LONGEST_SEQUENCE, keysOf, looseKeys, typesCharacter, type Keys, type Stroke } from '$core/stroke/stroke';
	import { useWorkspace } from '$lib/state/workspace.svelte';
	import { pressOf } from './heard';
	import KeyCaps from './KeyCaps.svelte';

	/**
	 * Takes an input from the keyboard and shows what it heard, once it listens: after Enter, the space bar or a click, until the input is
	 * accepted or the field is left. Before that its keys are those of the page, undo among them. While it listens Escape leaves, Tab moves
	 * on and Enter accepts, unless the next key is to be recorded whatever it is; that holds for one key, so that nobody is caught in it.
	 */
	let {
		label,
		onheard,
		onaccept = () => {},
		onleave = () => {},
		atOnce = false,
		field = $bindable()
	}: {
		label: string;
		onheard: (keys: Keys | undefined) => void;
		onaccept?: () => void;
		onleave?: () => void;
		/** It listens as soon as it has the focus: it was opened to take keys. */
		atOnce?: boolean;
		field?: HTMLElement | undefined;
	} = $props();

	const workspace = useWorkspace();
	let strokes = $state.raw<readonly Stroke[]>([]);
	let heard = $state.raw<Heard | undefined>(undefined);
	let isSequence = $state(false);
	let takesAny = $state(false);
	let typed = $state('');
	let typedNote = $state('');
	let listening = $state(false);
	let isUnfolded = $state(false);
	let ways = $state<HTMLElement | undefined>(undefined);
	const keys = $derived(strokes.length > 0 ? keysOf(strokes) : undefined);
	/** The options fold away once keys are pressed: what comes of them is read then. */
	const showsWays = $derived(!keys || isSequence || takesAny || isUnfolded);
	const id = $props.id();

	/** Forgets what it heard, and listens no more. */
	export function clear() {
		listening = atOnce && document.activeElement === field;
		empty();
	}

	function empty() {
		strokes = [];
		heard = undefined;
		isUnfolded = false;
		typed = '';
		onheard(undefined);
	}

	/** Shows the options again; the focus goes from the button that is gone to the first of them. */
	async function unfold() {
		isUnfolded = true;
		await tick();
		ways?.querySelector('input')?.focus();
	}

	/** Goes to the field, and listens. */
	export function listen() {
		field?.focus();
		listening = true;
	}

	function onkeydown(event: KeyboardEvent) {
		const isPlain = !event.ctrlKey && !event.altKey && !event.metaKey;
		if (!listening) {
			if (isPlain && (event.key === 'Enter' || event.key === ' ')) {
				event.preventDefault();
				listening = true;
			} else if (isPlain && event.key === 'Escape') {
				event.preventDefault();
				event.stopPropagation();
				onleave();
			}
			return;
		}
		if (!takesAny && isPlain) {
			if (event.key === 'Tab') return;
			if (event.key === 'Escape') {
				event.preventDefault();
				event.stopPropagation();
				if (keys) empty();
				else onleave();
				return;
			}
			if (event.key === 'Enter' && !event.shiftKey) {
				event.preventDefault();
				if (!keys) return;
				listening = atOnce;
				onaccept();
				return;
			}
		}
		event.preventDefault();
		event.stopPropagation();
		if (event.repeat) return;
		heard = hear(pressOf(event), workspace.document.application.rules.match);
		if (!heard.stroke) return;
		takesAny = false;
		strokes = isSequence && strokes.length < LONGEST_SEQUENCE ? [...strokes, heard.stroke] : [heard.stroke];
		onheard(keysOf(strokes));
	}

	/** What is typed, as the application hears it, and what is to be said of that. */
	function readingOf(text: string): { keys?: Keys; note: string } {
		const { office, document } = workspace;
		const { name, rules } = document.application;
		const written = looseKeys(text);
		if (!written) return { note: text.trim() === '' ? '' : `"${text.trim()}" is not a key. Write it as in Ctrl+W or G F.` };
		const meant = office.heardAs(written);
		if (meant === written) return { keys: written, note: '' };
		if (meant) {
			const note =
				rules.match === 'position'
					? `${name} uses key positions. Recorded as the key that types it here: ${meant}.`
					: `${name} uses characters. Recorded as ${meant}.`;
			return { keys: meant, note };
		}
		const ways = office.meanings(written);
		const where =
			ways.length > 0 ? `on the office's layouts it is ${ways.join(' or ')}` : 'no keyboard layout of the office has this key';
		return { note: `${name} cannot receive ${written}: ${where}. Press the key instead.` };
	}

	function readTyped() {
		const read = readingOf(typed);
		typedNote = read.note;
		if (!read.keys) return;
		heard = undefined;
		strokes = [];
		onheard(read.keys);
	}
</script>

<div class="recorder">
	<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
	<div
		bind:this={field}
		class="field"
		class:listening
		role={listening ? 'application' : 'button'}
		aria-label="{label}. {listening ? 'Press the keys; Escape leaves, Enter accepts.' : 'Enter begins.'}"
		aria-describedby="{id}-heard"
		tabindex="0"
		data-autofocus
		{onkeydown}
		onclick={listen}
		onfocus={() => (listening ||= atOnce)}
		onblur={() => (listening = false)}
	>
		{#if keys}
			<KeyCaps {keys} />
		{:else if heard?.heldModifiers.length}
			<span class="quiet">{heard.heldModifiers.join(' + ')} + …</span>
		{:else}
			<span class="quiet">{listening ? 'Press the keys' : label}</span>
		{/if}
	</div>
	<p class="heard" id="{id}-heard" aria-live="polite">
		{#if heard}
			{#if heard.stroke}position <b>{heard.position || 'unknown'}</b>{#if heard.character && heard.character !== ' '}, character <b
						>{heard.character}</b
					>{/if}, Caps Lock {heard.capsLock ? 'on' : 'off'}{#if typesCharacter(heard.stroke)}, types text{/if}{/if}
			{#each heard.notes as note (note)}<span class="note">{note}</span>{/each}
		{:else if listening}
			Escape cancels, Enter accepts, Tab goes to the next field.
		{/if}
	</p>
	{#if showsWays}<div class="ways" bind:this={ways}>
			<Checkbox bind:checked={isSequence} class="way">Sequence</Checkbox>
			<Checkbox
				bind:checked={takesAny}
				class="way"
				title="Records the next key, even Esc, Tab or Enter"
				onchange={() => takesAny && listen()}>Record Esc, Tab or Enter</Checkbox
			>
			<Input
				bind:value={typed}
				size="sm"
				class="type-it"
				placeholder="or type Ctrl+W"
				aria-label="Type the keys, for those that the browser uses itself"
				oninput={readTyped}
				onkeydown={(event) => event.key === 'Enter' && readingOf(typed).keys && onaccept()}
			/>
		</div>{:else}<button class="linkish" type="button" onclick={() => void unfold()}>Recording options</button>{/if}
	{#if typedNote}<p class="heard" role="alert">{typedNote}</p>{/if}
</div>

<style>
	.field {
		display: flex;
		align-items: center;
		min-height: 42px;
		padding: 6px var(--space-3);
		border: 1px solid var(--control);
		border-radius: 4px;
		background: var(--raised);
		cursor: text;
	}
	.field.listening {
		border-color: var(--azurite);
		outline: 2px solid var(--azurite);
		outline-offset: 0;
	}
	.heard {
		min-height: 18px;
		margin-top: var(--space-1);
		font-size: var(--caption);
		color: var(--ink-3);
	}
	.heard b {
		color: var(--ink-2);
		font-weight: 600;
	}
	.note {
		display: block;
		color: var(--limonite);
	}
	.linkish {
		font-size: var(--caption);
	}
	.ways {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: var(--space-1) var(--space-2);
		margin-top: 2px;
	}
	.ways :global(label) {
		font-size: var(--caption);
		font-weight: 400;
		color: var(--ink-2);
	}
	.ways :global(.type-it) {
		width: 122px;
		height: 26px;
		padding: 2px var(--space-2);
		font-size: var(--caption);
	}
</style>
