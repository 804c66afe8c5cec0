import type { Page } from 'playwright-core';

/**
 * Controls in sight, or in the open dialog, that assistive software cannot tell: those without a name of at least two letters or
 * figures, and those that have role and name of another in the same named part.
 */
export async function unclearControls(page: Page): Promise<string[]> {
	// tsx names functions by a helper of its own, which the page lacks
	await page.evaluate('globalThis.__name = (made) => made');
	return page.evaluate(() => {
		const scope = document.querySelector('dialog[open]') ?? document.body;
		const textOf = (id: string) => document.getElementById(id)?.textContent ?? '';
		const nameOf = (control: Element) =>
			[
				control.getAttribute('aria-labelledby')?.split(' ').map(textOf).join(' '),
				control.getAttribute('aria-label'),
				[...((control as HTMLInputElement).labels ?? [])].map((label) => label.textContent).join(' '),
				control.tagName === 'SELECT' ? '' : control.textContent,
				control.getAttribute('title'),
				control.getAttribute('placeholder')
			]
				.map((name) => (name ?? '').replace(/\s+/g, ' ').trim())
				.find((name) => name !== '') ?? '';
		const partOf = (control: Element) => {
			const part = control.parentElement?.closest(
				'[aria-label], [aria-labelledby], fieldset, dialog, nav, aside, header, footer'
			);
			return part ? [...document.querySelectorAll(part.tagName)].indexOf(part) + part.tagName : '';
		};
		const found: string[] = [];
		const seen = new Set<string>();
		for (const control of scope.querySelectorAll('button, a[href], select, input, textarea, summary')) {
			// what a list offers is told by its options, and what an editor has inside by itself
			if (!control.checkVisibility() || control.closest('[role="option"], [role="listbox"], .cm-editor')) continue;
			const [role, name] = [control.getAttribute('role') ?? control.tagName.toLowerCase(), nameOf(control)];
			if (!/[\p{L}\p{N}].*[\p{L}\p{N}]/u.test(name)) found.push(`${role} without a clear name: "${name}"`);
			const known = `${role} ${name} ${partOf(control)}`;
			if (seen.has(known)) found.push(`${role} twice: "${name}"`);
			seen.add(known);
		}
		return found;
	});
}
