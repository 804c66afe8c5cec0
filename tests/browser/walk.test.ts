import { expect } from 'chai';
import { desk, eventually, laidOut } from './office.ts';

const SIZES = [
	{ width: 1280, height: 800 },
	{ width: 1024, height: 700 }
];

for (const size of SIZES)
	describe(`the whole way by keys alone, at ${size.width} x ${size.height}`, () => {
		const at = desk();
		const press = async (...keys: string[]) => {
			for (const key of keys) await at.page.keyboard.press(key);
		};
		const type = (text: string) => at.page.keyboard.type(text);
		const says = (text: string | RegExp) => at.page.getByText(text).first().waitFor();
		/** What has the focus: what it says, or what it is called. */
		const focused = () =>
			at.page.evaluate(() => {
				const one = document.activeElement as HTMLElement | null;
				if (!one || one === document.body) return 'nothing';
				const labelled = (one as HTMLInputElement).labels?.[0]?.innerText;
				return (one.getAttribute('aria-label') ?? (one.innerText || labelled || one.getAttribute('placeholder')) ?? '').trim();
			});
		/** Goes on with Tab until what is wanted has the focus. */
		const reach = async (wanted: RegExp, key = 'Tab', most = 65) => {
			const passed: string[] = [];
			for (let i = 0; i < most; i++) {
				const now = await focused();
				if (wanted.test(now)) return i;
				passed.push(now.slice(0, 30));
				await press(key);
			}
			throw new Error(`${String(wanted)} was not reached with ${key}; passed ${passed.join(' | ')}`);
		};
		/** To a view, a program's command or an action, by its name. */
		const go = async (name: string) => {
			await press('Control+k');
			await at.page.getByRole('dialog', { name: /^Go to/ }).waitFor();
			await type(name);
			await press('Enter');
			await at.page.getByRole('dialog', { name: /^Go to/ }).waitFor({ state: 'detached' });
		};
		const arrived = async (path: string) => {
			await eventually(async () => expect(at.page.url()).to.include(path));
			await at.page.waitForSelector('main section');
			await laidOut(at.page);
		};
		/** Nothing of the page may lie beside the window. */
		const fits = async () => {
			const [needed, has] = await at.page.evaluate(() => [document.documentElement.scrollWidth, window.innerWidth]);
			expect(needed!, at.page.url()).to.be.at.most(has!);
		};
		const undone = async () => {
			await press('Control+z');
			await says(/Undo: /);
		};

		before(async () => {
			await at.page.setViewportSize(size);
		});
		beforeEach(() => at.open('start'));
		afterEach(fits);

		it('finds a command, asks what a key does, and gives a key', async () => {
			await press('Alt+1');
			await arrived('/commands');
			await reach(/^Search commands/);
			await type('hole');
			await press('ArrowDown', 'ArrowUp', 'Enter');
			await says('Press the keys');
			await press('Escape', 'Alt+q', 'f');
			await at.page.getByRole('dialog').getByText('Fit all').first().waitFor();
			await press('Escape', 'Escape');
			await press('Enter');
			await says('Press the keys');
			await press('Control+Alt+9');
			await says(/is free everywhere/);
			await press('Enter');
			await says(/Ctrl\+Alt\+9 for Hole|Hole: Ctrl\+Alt\+9/);
			// the field listens for the next shortcut; Escape leaves it
			await press('Escape');
			await go('Undo');
			await says(/Undo: /);
		});

		it('looks through the draft, and back', async () => {
			await reach(/^Review$/);
			await press('Enter');
			await at.page
				.getByRole('dialog')
				.getByText(/^From default/)
				.first()
				.waitFor();
			await press('Escape');
			await eventually(async () => expect(await focused()).to.match(/^Review$/));
		});

		it('reads the keyboard, and moves a key', async () => {
			await press('Alt+2');
			await arrived('/keyboard');
			await reach(/Press a key to select it/);
			await press('k');
			await says('Shell');
			await reach(/^Move/);
			await press('Enter');
			await at.page.getByRole('dialog', { name: 'Assign' }).waitFor();
			await press('Control+Alt+k');
			await says(/is free everywhere/);
			await press('Enter');
			await at.page.getByRole('dialog', { name: 'Assign' }).waitFor({ state: 'detached' });
			await undone();
		});

		it('shapes the bars', async () => {
			await go('Toolbars');
			await arrived('/bars');
			await reach(/^Shell$|Toolbars of the window|^Extrude/);
			await press('ArrowRight', 'ArrowRight');
			await press('Control+ArrowRight');
			await says(/Toolbars: .* moved/);
			await undone();
			await press('/');
			await type('measure');
			await press('Enter');
			await says(/Measure.*(added|to |into )/);
			await go('Undo');
			await says(/Undo: /);
		});

		it('gives a typed name, and mends the file of them', async () => {
			await at.page.goto(`${at.server.address}/varve-draft-7/aliases`);
			await at.page.waitForSelector('main section');
			await press('/');
			await type('circle');
			await press('Enter');
			await type('zirk');
			await press('Enter');
			await says(/zirk/);
			await go('Undo');
			await says(/Undo: /);
		});

		it('makes a macro from a pattern', async () => {
			await at.page.goto(`${at.server.address}/varve-draft-7/start`);
			await at.page.waitForSelector('main section');
			await press('Alt+0');
			await arrived('/macros');
			await reach(/^New|^Make/);
			await press('Enter');
			await eventually(async () => expect(await focused()).to.not.equal('nothing'));
			await go('Undo');
			await says(/Undo: /);
		});

		it('reads a file of names in a layout of its own, and sees which file wins', async () => {
			await at.page.goto(`${at.server.address}/varve-draft-7/recipes`);
			await at.page.waitForSelector('main section');
			await reach(/^Sample/);
			await type('LN   runs  draw.segment\nKR   runs  draw.circle\nHF   runs  hatch.fill\n');
			await says(/byte for byte/);
			await press('Alt+8');
			await arrived('/folders');
			await says('C-03');
		});

		it('sets an option', async () => {
			await go('Options');
			await arrived('/options');
			await press('/');
			await type('autosave');
			await says(/\bevery\b|minutes|Save/i);
		});

		it('goes through the findings', async () => {
			await press('Alt+4');
			await arrived('/findings');
			await press('n', 'n');
			await laidOut(at.page);
			await press('1');
			await laidOut(at.page);
			await undone();
		});

		it('tries it on the bench', async () => {
			await press('Alt+5');
			await arrived('/bench');
			await reach(/window|Bench|canvas/i);
			await press('e');
			await says('Extrude');
		});

		it('takes a file out and looks at one', async () => {
			await press('Alt+6');
			await arrived('/hand-over');
			await reach(/^Whole profile as JSON/);
			await reach(/^Try it with an example/);
		});

		it('prints a sheet, and sees to the programs', async () => {
			await go('Print sheets');
			await arrived('/sheet');
			await reach(/^Print/);
			await go('Programs');
			await arrived('/programs');
		});

		it('publishes', async () => {
			await at.open('rollout');
			await go('Write to Office');
			await reach(/^Release notes/);
			await type('Clearance check.');
			await reach(/^Resolve/);
			await press('Enter');
			await arrived('/findings');
		});
	});
