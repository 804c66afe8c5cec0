import { expect } from 'chai';
import { START, views } from '../../src/lib/ui/views.ts';
import { violationsOn } from './axe.ts';
import { desk, laidOut } from './office.ts';
import { unclearControls } from './spoken.ts';

describe('The frame of the views', () => {
	const at = desk({});
	const open = async (path: string) => {
		await at.page.goto(`${at.server.address}/gneiss-solid-5/${path}`);
		await at.page.locator('.view-head h1').waitFor();
		await at.page.waitForLoadState('networkidle');
	};
	const paths = views.flatMap(({ items }) => items.map(({ path, name }) => ({ path, name })));

	for (const [width, height] of [
		[1024, 700],
		[1280, 800],
		[1920, 1080]
	] as const)
		it(`cuts nothing and wraps nothing at ${width} × ${height}, in every view`, async () => {
			const { page } = at;
			await page.setViewportSize({ width, height });
			for (const { path, name } of paths) {
				await page.goto(`${at.server.address}/gneiss-solid-5/${path}`);
				await page.locator('.view-head h1').waitFor();
				await page.evaluate(() => document.fonts.ready);
				const found = await page.evaluate(() => {
					const cut = [
						...document.querySelectorAll<HTMLElement>('.shell > header :is(select, button), nav.rail a, .view-head h1, .view-head .pill')
					]
						.filter((one) => one.scrollWidth > one.clientWidth + 1)
						.map((one) => one.textContent?.trim() ?? '');
					const head = document.querySelector('.view-head')!.getBoundingClientRect();
					const low = [...document.querySelectorAll('.view-head .acts button')].filter(
						(one) => one.getBoundingClientRect().bottom > head.bottom
					).length;
					const small = [...document.querySelectorAll<HTMLElement>('.shell > header *, nav.rail *, .view-head *')]
						.filter((one) => [...one.childNodes].some((node) => node.nodeType === 3 && node.textContent?.trim()))
						.filter((one) => {
							const size = parseFloat(getComputedStyle(one).fontSize);
							return size > 0 && size < 12;
						})
						.map((one) => one.textContent);
					return {
						title: document.querySelector<HTMLElement>('.view-head h1')!.innerText,
						titles: document.querySelectorAll('.view-head').length,
						cut,
						low,
						small,
						wide: document.documentElement.scrollWidth > innerWidth,
						right:
							Math.max(...[...document.querySelectorAll('.shell > header > *')].map((e) => e.getBoundingClientRect().right)) >
							innerWidth
					};
				});
				expect(found, path).to.deep.equal({ title: name, titles: 1, cut: [], low: 0, small: [], wide: false, right: false });
			}
		});

	it('holds with texts that are 40 % longer and have accents, in every view', async () => {
		const { page } = at;
		const trouble: string[] = [];
		await page.setViewportSize({ width: 1280, height: 800 });
		for (const { path } of paths) {
			await open(path);
			const found = await page.evaluate(() => {
				const ACCENTS: Record<string, string> = {
					a: 'á',
					e: 'ê',
					i: 'ï',
					o: 'ö',
					u: 'ü',
					c: 'ç',
					n: 'ñ',
					A: 'Å',
					E: 'É',
					O: 'Ø'
				};
				// what people name and what programs name is no text of ours
				const DATA =
					'svg, canvas, .mono, .cm-editor, textarea, option, [role="option"], [role="row"], .window, kbd, .keys, .chip select, [aria-label^="Situation:"], [role="radiogroup"]';
				const walker = document.createTreeWalker(document.querySelector('.shell')!, NodeFilter.SHOW_TEXT);
				const texts: Text[] = [];
				while (walker.nextNode()) texts.push(walker.currentNode as Text);
				for (const text of texts)
					if (/[a-z]{2}/i.test(text.data) && !text.parentElement!.closest(DATA))
						text.data =
							text.data.replace(/[aeioucnAEO]/g, (one) => ACCENTS[one]!) +
							'\u00a0é'.repeat(Math.ceil(text.data.trim().length * 0.2));
				const cut = [...document.querySelectorAll<HTMLElement>('.shell :is(button, h1, h2, h3, legend, label, th, .pill)')]
					.filter((one) => !one.closest(DATA) && !one.closest('.visually-hidden') && one.offsetParent !== null)
					.filter((one) => one.scrollWidth > one.clientWidth + 2 && getComputedStyle(one).overflowX === 'hidden')
					.map((one) => one.textContent!.trim().slice(0, 40));
				const main = document.querySelector('main')!.getBoundingClientRect();
				const outside = [...document.querySelectorAll<HTMLElement>('main :is(button, a, h1, h2, select, input)')]
					.filter((one) => one.offsetParent !== null && !one.closest(DATA))
					.filter((one) => {
						const { left, right, width } = one.getBoundingClientRect();
						let scrolls: HTMLElement | null = one.parentElement;
						while (scrolls && !/auto|scroll/.test(getComputedStyle(scrolls).overflowX)) scrolls = scrolls.parentElement;
						return width > 0 && !scrolls?.closest('main') && (right > main.right + 1 || left < main.left - 1);
					})
					.map((one) => one.textContent!.trim().slice(0, 40));
				return { cut, outside, wide: document.documentElement.scrollWidth > innerWidth };
			});
			if (found.cut.length > 0 || found.outside.length > 0 || found.wide) trouble.push(`${path}: ${JSON.stringify(found)}`);
		}
		expect(trouble).to.deep.equal([]);
	});

	it('has no text under 12 px, controls with names of their own, and nothing cut at twice the size, in every view', async () => {
		const { page } = at;
		const trouble: string[] = [];
		for (const [width, height] of [
			[1280, 800],
			[640, 400]
		] as const) {
			await page.setViewportSize({ width, height });
			for (const { path } of paths) {
				await open(path);
				const found = await page.evaluate(() => {
					// the window of a program and paper have sizes of their own
					const DRAWN = 'svg, canvas, .window, [aria-label="Preview"], [role="application"]';
					const small = [...document.querySelectorAll<HTMLElement>('body *')]
						.filter((one) => one.offsetParent !== null && !one.closest(DRAWN))
						.filter((one) => [...one.childNodes].some((node) => node.nodeType === 3 && node.textContent?.trim()))
						.filter((one) => {
							const size = parseFloat(getComputedStyle(one).fontSize);
							return size > 0 && size < 12;
						})
						.map((one) => one.textContent!.trim().slice(0, 30));
					const primary = [...document.querySelectorAll<HTMLElement>('.view-head .bg-primary-700')].length;
					return { small, primary, wide: document.documentElement.scrollWidth > innerWidth };
				});
				if (found.small.length > 0 || found.primary > 1 || found.wide) trouble.push(`${path} ${width}: ${JSON.stringify(found)}`);
			}
		}
		expect(trouble).to.deep.equal([]);
	});

	it('is clear to assistive software at each size and in both themes, in every view and in each menu and dialog', async () => {
		const { page } = at;
		const trouble: string[] = [];
		const note = (where: string, found: readonly string[]) => trouble.push(...found.map((one) => `${where}: ${one}`));
		const sizes = [
			[1024, 700, 'dark'],
			[1920, 1080, 'light'],
			[1280, 800, 'dark']
		] as const;
		/** What opens a menu, a dialog or more of the view. */
		const openers = () => page.locator('button:enabled:visible').filter({ hasText: /(…|▾)$/, hasNotText: 'Accept' });
		for (const { path } of paths) {
			await open(path);
			for (const [width, height, colorScheme] of sizes) {
				await page.setViewportSize({ width, height });
				await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
				note(`${path}, ${width}, ${colorScheme}`, await violationsOn(page));
			}
			note(path, await unclearControls(page));
			const names = await openers().allInnerTexts();
			for (const [i, name] of names.entries()) {
				if (i > 0) await open(path);
				await openers().nth(i).click();
				await laidOut(page);
				note(`${path}, ${name}`, [...(await violationsOn(page)), ...(await unclearControls(page))]);
			}
		}
		expect(trouble).to.deep.equal([]);
	});

	it('shows all views in the rail of a window of 800 px without scrolling', async () => {
		const { page } = at;
		await page.setViewportSize({ width: 1280, height: 800 });
		await page.goto(`${at.server.address}/gneiss-solid-5/${START.path}`);
		const rail = page.getByRole('navigation', { name: 'Views' });
		await rail.waitFor();
		expect(await rail.evaluate((one) => one.scrollHeight <= one.clientHeight)).to.equal(true);
		expect(await rail.getByRole('link').count()).to.equal(paths.length);
	});
});
