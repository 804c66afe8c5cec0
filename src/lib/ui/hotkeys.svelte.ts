import { untrack } from 'svelte';

/** A key with what it does, for people and for the page. */
export interface Hotkey {
	/** As it is shown: `N`, `Ctrl Z`, `Alt 1`. A letter stands for the key that types it, in upper or lower case. */
	readonly keys: string;
	/** Several keys that do alike are told as one, as in `1 to 9`. */
	readonly shown?: string;
	readonly does: string;
	/** Gives `false` where it has nothing to do, so that the key goes on. */
	run(event: KeyboardEvent): unknown;
}

/** Keys that belong together, as those of a view. */
export interface HotkeySet {
	readonly title: string;
	readonly keys: readonly Hotkey[];
	/** What else can be done there; the palette offers it by name, and asks when it opens. */
	readonly acts?: () => readonly Act[];
}

/** Something that can be done where one stands. */
export interface Act {
	readonly name: string;
	run(): unknown;
}

const OFF = 'skarn-letters';

/** The one place that hears keys for the page; views and parts bring theirs while they are there. */
class Hotkeys {
	#sets = $state.raw<readonly { readonly of: () => HotkeySet }[]>([]);
	/** Whether keys without Ctrl, Alt or Meta count (WCAG 2.1.4, Character Key Shortcuts). */
	letters = $state(typeof localStorage === 'undefined' || localStorage.getItem(OFF) !== 'off');

	/** Adds keys until the returned function is called; those that came last are asked first. */
	add(of: () => HotkeySet): () => void {
		const set = { of };
		// who adds keys in an effect does not wait for those of others
		this.#sets = [...untrack(() => this.#sets), set];
		return () => (this.#sets = untrack(() => this.#sets).filter((s) => s !== set));
	}

	/** All that can be pressed now, what came last first. */
	get sets(): HotkeySet[] {
		return this.#sets.map(({ of }) => of()).toReversed();
	}

	allowLetters(allowed: boolean) {
		this.letters = allowed;
		localStorage.setItem(OFF, allowed ? 'on' : 'off');
	}

	/** Gives the key to whom it belongs. What is typed into a field, or pressed in a dialog or on the bench, stays there. */
	press(event: KeyboardEvent): void {
		if (event.defaultPrevented || event.isComposing) return;
		const isPlain = !event.ctrlKey && !event.altKey && !event.metaKey;
		if (isPlain && !this.letters) return;
		if (leavesSearch(event)) return;
		if (staysThere(event, isPlain)) return;
		const pressed = namesOf(event);
		for (const { keys } of this.sets)
			for (const hotkey of keys)
				if (pressed.includes(hotkey.keys) && hotkey.run(event) !== false) {
					event.preventDefault();
					return;
				}
	}
}

export const hotkeys = new Hotkeys();

/** Fields in which letters are text, and undo is the field's own. */
const FIELDS =
	'input:not([type="checkbox"], [type="radio"], [type="range"], [type="button"], [type="file"]), textarea, select, [contenteditable="true"], [role="application"]';

const isSearch = (target: unknown): target is HTMLInputElement => target instanceof HTMLInputElement && target.type === 'search';

/** Escape leaves a search that has nothing in it, for the view. */
function leavesSearch(event: KeyboardEvent): boolean {
	const target = event.composedPath()[0];
	if (event.key !== 'Escape' || !isSearch(target) || target.value !== '' || target.closest('[role="dialog"], dialog'))
		return false;
	event.preventDefault();
	document.querySelector<HTMLElement>('main')?.focus();
	return true;
}

function staysThere(event: KeyboardEvent, isPlain: boolean): boolean {
	// an editor's own target is behind its shadow root
	const target = event.composedPath()[0];
	if (!(target instanceof Element)) return false;
	if (target.closest('[role="dialog"], dialog')) return true;
	const key = event.key.toLowerCase();
	const field = target.closest(FIELDS);
	if (!field) return false;
	// nobody searches for a question mark alone
	if (key === '?' && isSearch(field) && field.value === '') return false;
	const isUndo = (event.ctrlKey || event.metaKey) && (key === 'z' || key === 'y');
	return isPlain || (isUndo && hasOwnUndo(field));
}

/** A list of choices has no undo of its own, nor has a field with nothing in it. */
function hasOwnUndo(field: Element): boolean {
	if (field instanceof HTMLSelectElement) return false;
	return !(field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement) || field.value !== '';
}

/** The names under which the key may be listed: by what it types, and by its place for Alt with a figure. */
function namesOf(event: KeyboardEvent): string[] {
	const { key, code } = event;
	const first = [(event.ctrlKey || event.metaKey) && 'Ctrl', event.altKey && 'Alt'].filter((name) => name !== false);
	const shifted = event.shiftKey && (key.length > 1 || /[a-z]/i.test(key)) ? ['Shift'] : [];
	const typed = key.length === 1 ? key.toUpperCase() : key;
	const figure = /^Digit(\d)$/.exec(code)?.[1];
	// what a digit's key types differs with the layout, Shift or not: with Alt its place counts
	if (figure !== undefined && event.altKey) return [[...first, ...(event.shiftKey ? ['Shift'] : []), figure].join(' ')];
	return [[...first, ...shifted, typed].join(' ')];
}
