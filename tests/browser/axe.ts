import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';
import type { AxeResults } from 'axe-core';
import type { Page } from 'playwright-core';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** What axe finds serious or critical on the page as it stands, once all that moves has come to its end. */
export async function violationsOn(page: Page): Promise<string[]> {
	// what fades in has the contrast of its end only then
	await page.evaluate(`Promise.all(
		document.getAnimations()
			.filter((a) => a.effect.getComputedTiming().endTime < Infinity)
			.map((a) => a.finished.catch(() => undefined))
	).then(() => undefined)`);
	// evaluated in the page's own world, which the content security policy leaves to the test
	await page.evaluate(axe);
	const results = await page.evaluate<AxeResults>('axe.run({ resultTypes: ["violations"] })');
	return results.violations
		.filter((v) => v.impact === 'serious' || v.impact === 'critical')
		.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160) + ' ' + (n.failureSummary ?? '')).join(' | ')}`);
}
