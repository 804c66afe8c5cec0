import { ABOUT } from './about';
import { hotkeys } from './hotkeys.svelte';

/** A control as the help explains it. */
export interface ControlHelp {
	readonly name: string;
	readonly does: string;
	/** Its key, as in "Alt+1"; undefined where it has none. */
	readonly key: string | undefined;
}

/** What a control does that has no text of its own about it, by its kind. */
const BY_KIND: readonly (readonly [selector: string, does: string])[] = [
	['select', 'A choice: arrow keys change it, Enter confirms.'],
	['input[type="checkbox"], [role="switch"]', 'Space turns it on or off.'],
	['input[type="radio"], [role="radio"]', 'One of several: arrow keys choose another one.'],
	['[aria-pressed]', 'Enter turns it on or off.'],
	['summary, [aria-expanded]', 'Enter opens or closes it.'],
	['input, textarea, [role="combobox"]', 'A field for text.'],
	['[role="listbox"], [role="grid"]', 'A list: arrow keys go from item to item, Enter opens one.'],
	['a', 'Enter follows the link.'],
	['button', 'Enter runs it.']
];

/** Explains the control that has the focus; undefined for the page itself and for what is no control. */
export function controlHelp(element: Element | null): ControlHelp | undefined {
	const kind = BY_KIND.find(([selector]) => element?.matches(selector));
	if (!(element instanceof HTMLElement) || !kind) return undefined;
	const own = element.cloneNode(true) as HTMLElement;
	const kbd = own.querySelector('kbd')?.textContent;
	own.querySelectorAll('kbd').forEach((one) => one.remove());
	const [label] = (element as HTMLInputElement).labels ?? [];
	const whole = (element.ariaLabel ?? label?.textContent ?? own.textContent ?? '').replaceAll(/\s+/g, ' ').trim();
	const [, inTitle, keyInTitle] = /^(.*) \((Alt\+[^)]+)\)$/.exec(element.title) ?? [];
	const name = inTitle ?? whole;
	const path = element instanceof HTMLAnchorElement ? new URL(element.href).pathname.split('/').at(-1) : undefined;
	const described = document.getElementById(element.getAttribute('aria-describedby') ?? '')?.textContent?.trim();
	const listed = hotkeys.sets.flatMap(({ keys }) => keys).find(({ does }) => does.toLowerCase() === name.toLowerCase());
	const key = keyInTitle ?? kbd?.trim().replaceAll(' ', '+') ?? listed?.keys.replaceAll(' ', '+');
	return {
		name: name || (element.getAttribute('placeholder') ?? element.title),
		does: (path === undefined ? undefined : ABOUT[path]) || element.title || described || kind[1],
		key: key || undefined
	};
}
