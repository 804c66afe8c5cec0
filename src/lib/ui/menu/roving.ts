const STEPS: Readonly<Record<string, 1 | -1>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/**
 * Arrow keys go from one button to the next, round and round (WAI-ARIA Authoring Practices, toolbar and menu). Gives whether the key was
 * one of those.
 */
export function rove(event: KeyboardEvent, buttons: readonly HTMLElement[]): boolean {
	const step = STEPS[event.key];
	if (step === undefined || event.ctrlKey || event.altKey || buttons.length === 0) return false;
	buttons[(buttons.indexOf(document.activeElement as HTMLElement) + step + buttons.length) % buttons.length]?.focus();
	return true;
}
