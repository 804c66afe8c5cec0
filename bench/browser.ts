import { gzipSync } from 'node:zlib';
import type { Page } from 'playwright-core';
import { fillDemo } from '../demo/fill.ts';
import { shortcutsIn } from '../core/shortcut/entry.ts';
import { inOrder } from '../core/strata/entry.ts';
import { launch } from '../tests/browser/chromium.ts';
import { startServer } from '../tests/browser/server.ts';
import { emptyAliasFile } from '../core/chapters/aliases/file.ts';
import { ALIAS_INPUT, generate, longAliasFile } from './generate.ts';
import { mean, median, percentile, type Line } from './report.ts';

/** Times between frames, in ms, while `move` runs on every frame for the given number of frames. */
const frames = (page: Page, count: number, move: string) =>
	// a text, because the page's policy allows no function made there and the compiler marks names in functions sent there
	page.evaluate<number[]>(`new Promise((resolve) => {
		const gaps = [];
		let last = performance.now();
		let i = 0;
		requestAnimationFrame(function tick(now) {
			gaps.push(now - last);
			last = now;
			if (i >= ${count}) return resolve(gaps.slice(2));
			${move};
			i++;
			requestAnimationFrame(tick);
		});
	})`);

/** The first page's weight, scrolling, and the verdict on screen, in headless Chromium against the built server. */
export async function browserBench(): Promise<Line[]> {
	const server = await startServer();
	const browser = await launch();
	try {
		await fillDemo(server.address);
		const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
		const scripts: Promise<{ url: string; size: number }>[] = [];
		page.on('response', (response) => {
			if (response.ok() && /\.js(\?|$)/.test(response.url()))
				scripts.push(response.body().then((body) => ({ url: response.url(), size: gzipSync(body).length })));
		});
		await page.goto(server.address);
		await page.waitForLoadState('networkidle');
		const weight = (await Promise.all(scripts)).reduce((sum, s) => sum + s.size, 0);

		const { application, commands, profile } = generate(5_000, 20_000);
		const answer = await fetch(`${server.address}/api/applications`, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify({
				application: { ...application, rules: { ...application.rules, aliases: ALIAS_INPUT } },
				commands,
				strata: profile.map(({ id, kind, name }) => ({ id, kind, name })),
				factory: { shortcuts: inOrder(shortcutsIn(profile[0]!)).map(({ rank: _, ...entry }) => entry) }
			})
		});
		if (!answer.ok) throw new Error(await answer.text());
		await page.goto(`${server.address}/generated/commands`);
		await page.waitForSelector('[role="option"]');
		// the findings of the first check have come
		await page.waitForSelector('main[aria-busy="false"]', { timeout: 60_000 });
		const idle = await frames(page, 60, '');
		const scroll = `document.querySelector('#command-list').scrollTop = i * 97`;
		const scrolled = await frames(page, 240, scroll);

		// the yardstick: the same rows as dead markup, scrolled alike; without a GPU the painting alone misses frames here
		const dead = await browser.newPage({ viewport: { width: 1280, height: 800 } });
		await dead.goto(`${server.address}/generated/commands`);
		await dead.waitForSelector('main[aria-busy="false"]', { timeout: 60_000 });
		await dead.evaluate(`(() => {
			const list = document.querySelector('#command-list');
			const copy = list.cloneNode(true);
			const row = list.querySelector('[role="option"]');
			const all = copy.firstElementChild;
			all.replaceChildren();
			for (let n = 0; n < 700; n++) {
				const another = row.cloneNode(true);
				another.style.transform = 'translateY(' + n * 42 + 'px)';
				all.append(another);
			}
			list.replaceWith(copy);
		})()`);
		const plain = await frames(dead, 240, scroll);
		await dead.close();

		// the verdict on screen: from the key press to the first frame that shows the answer
		await page.locator('[role="option"]').nth(3).click();
		const field = page.locator('.field').first();
		await field.click();
		await page.keyboard.press('Control+Alt+k');
		await page.waitForSelector('.verdict');
		const shown: number[] = [];
		for (let i = 0; i < 40; i++) {
			const key = 'abcdefghijklmnopqrst'[i % 20]!;
			shown.push(
				await page.evaluate(async (letter) => {
					const target = document.activeElement!;
					const start = performance.now();
					target.dispatchEvent(
						new KeyboardEvent('keydown', {
							key: letter,
							code: `Key${letter.toUpperCase()}`,
							ctrlKey: true,
							bubbles: true,
							cancelable: true
						})
					);
					// the answer is written in a microtask; it counts when it stands in the page and is laid out
					const wanted = `Ctrl+${letter.toUpperCase()} `;
					for (let tries = 0; tries < 1000; tries++) {
						if (document.querySelector('.verdict [role="status"]')?.textContent?.includes(wanted)) break;
						if (tries === 999) throw new Error(`no verdict on ${letter}`);
						await Promise.resolve();
					}
					void document.body.offsetHeight;
					return performance.now() - start;
				}, key)
			);
			// nobody presses the next key in the same tenth of a second; what would change is worked out meanwhile
			await page.waitForTimeout(150);
		}
		// the keyboard: another modifier is held, another situation is chosen
		await page.goto(`${server.address}/generated/keyboard`);
		await page.waitForSelector('main[aria-busy="false"]', { timeout: 60_000 });
		await page.locator('.board').focus();
		const drawn: number[] = [];
		for (let i = 0; i < 30; i++) {
			drawn.push(
				await page.evaluate(
					async (isDown) => {
						const board = document.querySelector<HTMLElement>('.board')!;
						const picture = board.querySelector('canvas')!;
						const before = picture.dataset['drawn'];
						const start = performance.now();
						const event = { key: 'Control', code: 'ControlLeft', ctrlKey: isDown, bubbles: true, cancelable: true };
						board.dispatchEvent(new KeyboardEvent(isDown ? 'keydown' : 'keyup', event));
						for (let tries = 0; tries < 1000 && picture.dataset['drawn'] === before; tries++) await Promise.resolve();
						if (picture.dataset['drawn'] === before) throw new Error('the drawing did not follow');
						void board.offsetHeight;
						return performance.now() - start;
					},
					i % 2 === 0
				)
			);
			await page.waitForTimeout(60);
		}
		const situations: number[] = [];
		await page.getByRole('button', { name: /^Situation:/ }).click();
		const picker = page.getByRole('combobox', { name: application.axes[0]!.label });
		const nodes = await picker.locator('option').evaluateAll((options) => options.map((o) => (o as HTMLOptionElement).value));
		for (let i = 0; i < 20; i++) {
			situations.push(
				await picker.evaluate(
					async (element, value) => {
						const select = element as HTMLSelectElement;
						const board = document.querySelector<HTMLElement>('.board')!;
						const picture = board.querySelector('canvas')!;
						const before = picture.dataset['drawn'];
						const start = performance.now();
						select.value = value;
						select.dispatchEvent(new Event('change', { bubbles: true }));
						for (let tries = 0; tries < 1000 && picture.dataset['drawn'] === before; tries++) await Promise.resolve();
						if (picture.dataset['drawn'] === before) throw new Error('the drawing did not follow');
						void board.offsetHeight;
						return performance.now() - start;
					},
					nodes[(i + 1) % nodes.length]!
				)
			);
			await page.waitForTimeout(60);
		}
		// typing in a long alias file: from the key to the finding that speaks of it
		const written = await fetch(`${server.address}/api/applications/generated/edits`, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify({
				base: 0,
				stratum: 'personal',
				label: 'aliases',
				changes: [
					{
						chapter: 'aliases',
						stratum: 'personal',
						from: null,
						to: { ...emptyAliasFile, text: longAliasFile(commands) }
					}
				]
			})
		});
		if (!written.ok) throw new Error(await written.text());
		await page.goto(`${server.address}/generated/aliases`);
		await page.locator('.cm-line').nth(20).click();
		// before the command, so that every key makes another one of which there is no such
		await page.keyboard.press('Home');
		for (let i = 0; i < 'ak -> '.length; i++) await page.keyboard.press('ArrowRight');
		await page
			.getByRole('group', { name: 'Findings of this file' })
			.getByText(/warnings?/)
			.first()
			.waitFor();
		// a text, as above
		await page.evaluate(`(() => {
			const found = document.querySelector('.found');
			let since;
			window.refreshed = [];
			addEventListener('keydown', () => (since = performance.now()), true);
			new MutationObserver(() => {
				if (since === undefined) return;
				void found.offsetHeight;
				window.refreshed.push(performance.now() - since);
				since = undefined;
				window.waiting?.();
			}).observe(found, { subtree: true, childList: true, characterData: true });
		})()`);
		for (let i = 0; i < 130; i++) {
			// a word is typed and taken back; whoever asks for the end again and again takes time from the page
			await page.keyboard.press(i % 16 < 8 ? 'x' : 'Backspace');
			await page.evaluate(`new Promise((ok) => (refreshed.length > ${i} ? ok() : (window.waiting = ok)))`);
			await page.waitForTimeout(40);
		}
		// the first ones warm page and worker up
		const refreshed = (await page.evaluate<number[]>('window.refreshed')).slice(30);
		// a place is carried over the others of the window, one a frame
		await page.goto(`${server.address}/gneiss-solid-5/bars`);
		await page.waitForSelector('.window .place');
		const quiet = await frames(page, 60, '');
		await page.evaluate(`document.querySelector('.window .place').dispatchEvent(
			new DragEvent('dragstart', { bubbles: true, cancelable: true, dataTransfer: new DataTransfer() })
		)`);
		const carried = await frames(
			page,
			240,
			`const places = document.querySelectorAll('.window .place');
			places[(i * 7) % places.length].dispatchEvent(
				new DragEvent('dragover', { bubbles: true, cancelable: true, dataTransfer: new DataTransfer() })
			)`
		);
		// the cabin of the stand-in is turned, a move of the pointer a frame
		await page.goto(`${server.address}/gneiss-solid-5/bench`);
		await page.waitForSelector('.looked svg');
		const still = await frames(page, 60, '');
		await page.evaluate(`(() => {
			const pane = document.querySelector('.looked').parentElement;
			const { left, top } = pane.getBoundingClientRect();
			window.pointerSays = (type, x, y, button) => pane.dispatchEvent(
				new PointerEvent(type, { bubbles: true, cancelable: true, pointerId: 1, pointerType: 'mouse', button, buttons: 4, clientX: left + x, clientY: top + y })
			);
			// a made-up pointer cannot be captured
			pane.setPointerCapture = () => {};
			window.pointerSays('pointerdown', 200, 200, 1);
		})()`);
		const orbited = await frames(page, 240, `pointerSays('pointermove', 200 + (i % 120), 200 + ((i * 3) % 60), -1)`);
		return [
			{ what: 'in Chromium' },
			{ what: 'first page: script, gzip', value: weight / 1000, unit: 'kB', most: 250 },
			{ what: 'frames while idle, median gap', value: median(idle), unit: 'ms' },
			{ what: 'frames while scrolling 5,000 commands, median gap', value: median(scrolled), unit: 'ms' },
			{
				what: 'frames while scrolling, mean gap over that of the same rows as dead markup',
				value: mean(scrolled) / mean(plain),
				unit: 'x',
				most: 1.25
			},
			{
				what: 'key press to verdict laid out, p95 in idle frames',
				value: percentile(shown, 95) / median(idle),
				unit: 'x',
				most: 1
			},
			{
				what: 'keyboard: another modifier held, redrawn, p95 in idle frames',
				value: percentile(drawn, 95) / median(idle),
				unit: 'x',
				most: 1
			},
			{
				what: 'keyboard: another situation, redrawn, p95 in idle frames',
				value: percentile(situations, 95) / median(idle),
				unit: 'x',
				most: 1
			},
			{
				what: 'bars: a place carried over another each frame, median gap in idle frames',
				value: median(carried) / median(quiet),
				unit: 'x',
				most: 1.1
			},
			{
				what: 'bench: the cabin turned each frame, median gap in idle frames',
				value: median(orbited) / median(still),
				unit: 'x',
				most: 1.1
			},
			{
				what: 'typing in a 5,000-line alias file: from the key to the findings laid out, once warm, p95',
				value: percentile(refreshed, 95),
				unit: 'ms',
				most: 50
			}
		];
	} finally {
		await browser.close();
		await server.stop();
	}
}
