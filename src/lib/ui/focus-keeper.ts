const FOCUSABLE =
	'a[href], button:not(:disabled), input:not(:disabled):not([type="hidden"]), select:not(:disabled), textarea:not(:disabled), summary, [tabindex]:not([tabindex="-1"]), [contenteditable="true"]';
/** So long a control may be disabled, while an edit is written, before the focus goes on, in milliseconds. */
const PATIENCE = 1_500;
const LOOK_AGAIN = 40;

/** Where the focus was: the element, what it was in from the inside out, and the place that it had there among all that takes focus. */
interface Place {
	readonly element: HTMLElement;
	readonly around: readonly { readonly part: HTMLElement; readonly at: number }[];
	/** The way to the element from the body down, by places among children: a view that is built anew is built alike. */
	readonly way: readonly number[];
	/** What had the focus before a dialog opened, for elements in one. */
	readonly opener: HTMLElement | undefined;
	readonly isInDialog: boolean;
}

const isSeen = (element: HTMLElement): boolean => element.isConnected && element.getClientRects().length > 0;
const takesFocus = (element: HTMLElement): boolean => isSeen(element) && element.matches(FOCUSABLE);
const focusablesIn = (part: HTMLElement): HTMLElement[] =>
	[...part.querySelectorAll<HTMLElement>(FOCUSABLE)].filter((element) => isSeen(element));
const dialogOf = (element: HTMLElement): Element | null => element.closest('dialog, [role="dialog"]');

function placeOf(element: HTMLElement, opener: HTMLElement | undefined): Place {
	const around: Place['around'][number][] = [];
	const way: number[] = [];
	for (let part = element.parentElement, child = element; part; child = part, part = part.parentElement) {
		way.unshift([...part.children].indexOf(child));
		if (part === document.body) break;
		around.push({ part, at: focusablesIn(part).indexOf(element) });
	}
	return { element, around, way, opener, isInDialog: dialogOf(element) !== null };
}

/** What does nothing by itself when Enter is pressed on it: a way to somewhere, or a list that is walked through. */
const HARMLESS =
	'a[href], summary, main, [role="listbox"], [role="grid"], [role="tree"], [role="feed"], [role="region"], [tabindex="0"]:not(button, input, select, textarea, [role])';
/** What things are shown in, and what they stand in. */
const ITEM =
	'li, tr, [role="row"], [role="listitem"], [role="option"], [role="group"], article, fieldset, form, section[aria-label], aside, [role="region"], dialog, [role="dialog"], nav, main';

/** What stands at that place or next to it, before it first. */
function nearest(list: readonly HTMLElement[], at: number): HTMLElement | undefined {
	return list[Math.max(0, Math.min(at, list.length - 1))];
}

/**
 * Where the focus may rest in the place of something that is gone: never on what acts, since the next key was meant for something
 * else. That is the thing itself if it does nothing, else the item that it is part of.
 */
function restingPlace(found: HTMLElement): HTMLElement | undefined {
	return found.matches(HARMLESS) ? found : (found.closest<HTMLElement>(ITEM) ?? undefined);
}

function rest(on: HTMLElement | undefined): void {
	const place = on ?? document.querySelector('main');
	if (!place) return;
	if (!place.matches(FOCUSABLE) && !place.hasAttribute('tabindex')) place.tabIndex = -1;
	place.focus({ preventScroll: true });
}

/** What takes the place of an element that is gone: what stands where it stood in the nearest part that is still there. */
function nextTo({ around, way, opener, isInDialog }: Place): HTMLElement | undefined {
	// what takes every key for itself would take the next one, an undo among them
	if (opener && takesFocus(opener) && !opener.closest('[role="application"]')) return opener;
	for (const { part, at } of around) {
		if (!isSeen(part)) continue;
		const there = focusablesIn(part);
		const next = nearest(there, at);
		if (next) return restingPlace(next);
	}
	// a dialog that was opened by pointer has nobody to give the focus back to but the view
	const end = isInDialog ? undefined : atEndOf(way);
	return end && restingPlace(end);
}

/** What stands at the end of the way now, or nearest to it. */
function atEndOf(way: readonly number[]): HTMLElement | undefined {
	const passed: Element[] = [document.body];
	for (const step of way) {
		const { children } = passed[0]!;
		const child = children[Math.min(step, children.length - 1)];
		if (!child) break;
		passed.unshift(child);
	}
	for (const part of passed) {
		if (!(part instanceof HTMLElement) || part === document.body) continue;
		if (takesFocus(part)) return part;
		const [first] = focusablesIn(part);
		if (first) return first;
	}
	return undefined;
}

/**
 * Never lets the keyboard lose its place: when what has the focus is taken away or switched off, the focus goes to what has
 * come in its place, and after a dialog to where one was before. Until the returned function is called.
 */
export function keepFocus(): () => void {
	let place: Place | undefined;
	let opener: HTMLElement | undefined;
	let timer: ReturnType<typeof setTimeout> | undefined;
	let lostAt = 0;

	function onfocusin({ target }: FocusEvent): void {
		if (!(target instanceof HTMLElement) || target === document.body) return;
		const dialog = dialogOf(target);
		if (!dialog) opener = undefined;
		else if (place && dialogOf(place.element) !== dialog) opener = place.element;
		place = placeOf(target, opener);
	}

	/** By pointer somebody may well mean nothing at all; what is pressed may have the focus already, and be gone by what it does. */
	function onpointerdown({ target }: PointerEvent): void {
		const pressed = target instanceof Element ? target.closest<HTMLElement>(FOCUSABLE) : null;
		place = pressed && pressed === document.activeElement ? placeOf(pressed, opener) : undefined;
	}

	function look(): void {
		timer = undefined;
		if (!place) return;
		const { element } = place;
		const isWaiting = document.activeElement === element && !element.matches(FOCUSABLE) && Date.now() - lostAt < PATIENCE;
		if (isWaiting) timer = setTimeout(look, LOOK_AGAIN);
		if (document.activeElement !== document.body) return;
		if (takesFocus(element)) return element.focus({ preventScroll: true });
		if (isSeen(element) && Date.now() - lostAt < PATIENCE) {
			timer = setTimeout(look, LOOK_AGAIN);
			return;
		}
		rest(nextTo(place));
	}

	const changes = new MutationObserver(() => {
		if (timer !== undefined || !place) return;
		// what was switched off loses the focus only when the page is drawn next
		const { element } = place;
		if (document.activeElement !== document.body && element.isConnected && element.matches(FOCUSABLE)) return;
		lostAt = Date.now();
		timer = setTimeout(look, LOOK_AGAIN);
	});
	document.addEventListener('focusin', onfocusin);
	document.addEventListener('pointerdown', onpointerdown, true);
	changes.observe(document.body, { subtree: true, childList: true, attributes: true, attributeFilter: ['disabled', 'open'] });
	return () => {
		clearTimeout(timer);
		changes.disconnect();
		document.removeEventListener('focusin', onfocusin);
		document.removeEventListener('pointerdown', onpointerdown, true);
	};
}
