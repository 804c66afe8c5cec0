import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import type { Locator } from 'playwright-core';
import { desk, eventually, standIn } from './office.ts';

describe('Gestures', () => {
	const at = desk();
	const roses = () => at.page.getByRole('listbox', { name: 'Directions of Part solids' });
	const part = () => at.page.getByRole('region', { name: 'Rose in Part solids' });
	const petal = (name: RegExp) => part().getByRole('option', { name });
	const undo = () => at.page.getByRole('button', { name: 'Undo' }).click();
	const log = () => at.page.getByRole('complementary');
	/** Opens the list of findings where it is folded to their number. */
	async function unfold(findings: Locator) {
		await findings.waitFor();
		const folded = findings.locator('details:not([open]) > summary');
		if ((await folded.count()) > 0) await folded.click();
	}

	/** A flick with the right button from the middle of the drawing. */
	async function flick(dx: number, dy: number) {
		const pane = (await at.page
			.locator('.pane')
			.filter({ has: at.page.locator('svg') })
			.first()
			.boundingBox())!;
		const [x, y] = [pane.x + pane.width / 2, pane.y + pane.height / 2];
		await at.page.mouse.move(x, y);
		await at.page.mouse.down({ button: 'right' });
		await at.page.mouse.move(x + dx / 2, y + dy / 2);
		await at.page.mouse.move(x + dx, y + dy);
		await at.page.mouse.up({ button: 'right' });
	}

	/** Draws with a button held, by points from the middle of something. */
	async function draw(where: Locator, button: 'left' | 'middle' | 'right', path: readonly number[]) {
		const box = (await where.boundingBox())!;
		const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
		await at.page.mouse.move(x + path[0]!, y + path[1]!);
		await at.page.mouse.down({ button });
		for (let i = 2; i < path.length; i += 2) await at.page.mouse.move(x + path[i]!, y + path[i + 1]!, { steps: 12 });
		await at.page.mouse.up({ button });
	}

	it('are shaped by keys alone: round the rose, a command found and given, taken away, and back', async () => {
		await at.open('gestures');
		await petal(/^→: Fillet edges$/).click();
		await roses().focus();
		await roses().press('ArrowRight');
		await at.page.getByRole('heading', { name: '↓ in Part solids' }).waitFor();
		await roses().press('Enter');
		await at.page.keyboard.type('mass properties');
		await at.page.keyboard.press('Enter');
		await petal(/^↓: Mass properties$/).waitFor();
		await roses().press('Delete');
		await petal(/^↓: nothing$/).waitFor();
		await undo();
		await undo();
		await petal(/^↓: Extruded cut$/).waitFor();
	});

	it('go from four directions to eight and back without loss', async () => {
		await at.open('gestures');
		await part().getByText('Unassigned:').waitFor();
		await part().getByRole('combobox', { name: 'Directions in Part solids' }).selectOption('8');
		await petal(/^↗: Revolve$/).waitFor();
		await part().getByText('Unassigned:').waitFor({ state: 'detached' });
		await part().getByRole('combobox', { name: 'Directions in Part solids' }).selectOption('4');
		await part().getByText('Revolve ↗').waitFor();
		await undo();
		await undo();
	});

	it('take a command that is carried onto a direction by mouse', async () => {
		await at.open('gestures');
		await at.page.getByRole('combobox', { name: 'Find a command for the direction' }).fill('mass properties');
		await at.page
			.getByRole('option', { name: /Mass properties/ })
			.first()
			.dragTo(petal(/^←: Shell$/));
		await petal(/^←: Mass properties$/).waitFor();
		await undo();
		await petal(/^←: Shell$/).waitFor();
	});

	it('run on the bench: a flick, and not where there is no direction; a click of the same button opens the menu', async () => {
		await at.open('bench');
		await standIn(at.page, 'Document', 'part.solids');
		await flick(0, -80);
		await at.page
			.getByText(/Extrude runs/)
			.first()
			.waitFor();
		await log()
			.getByText(/80 px in \d+ ms at 0°: ↑ of 4 directions/)
			.first()
			.waitFor();
		await at.page.keyboard.press('Escape');
		// four directions: what goes up and to the right is one of the two
		await flick(80, -30);
		await log()
			.getByText(/at 69°: → of 4 directions, ↑ was next/)
			.first()
			.waitFor();
		await at.page
			.getByText(/Fillet edges runs/)
			.first()
			.waitFor();
		await at.page.keyboard.press('Escape');
		await flick(2, 0);
		await at.page.getByRole('menu', { name: 'Context menu' }).waitFor();
		await at.page.keyboard.press('Escape');
	});

	it('show the rose while the button is held, and are flicks then however long they took', async () => {
		await at.open('bench');
		const pane = (await at.page
			.locator('.pane')
			.filter({ has: at.page.locator('svg') })
			.first()
			.boundingBox())!;
		const [x, y] = [pane.x + pane.width / 2, pane.y + pane.height / 2];
		await at.page.mouse.move(x, y);
		await at.page.mouse.down({ button: 'right' });
		await at.page.locator('.held').getByText('Fillet edges').waitFor();
		await at.page.mouse.move(x + 60, y);
		await at.page.mouse.up({ button: 'right' });
		await at.page
			.getByText(/Fillet edges runs/)
			.first()
			.waitFor();
		await at.page.locator('.held').waitFor({ state: 'detached' });
		await at.page.keyboard.press('Escape');
	});

	it('move the drawing: the wheel comes closer and goes back, the middle button with Shift moves it', async () => {
		await at.open('bench');
		const look = () => at.page.locator('.looked').getAttribute('style');
		const pane = (await at.page
			.locator('.pane')
			.filter({ has: at.page.locator('svg') })
			.first()
			.boundingBox())!;
		await at.page.mouse.move(pane.x + 40, pane.y + 40);
		await at.page.mouse.wheel(0, -100);
		await eventually(async () => expect(await look()).to.include('scale(1.2)'));
		await at.page.mouse.wheel(0, 100);
		await eventually(async () => expect(await look()).to.match(/scale\(1(\.0+\d*)?\)|scale\(0\.99/));
		await at.page.keyboard.down('Shift');
		await at.page.mouse.down({ button: 'middle' });
		await at.page.mouse.move(pane.x + 60, pane.y + 60);
		await at.page.mouse.move(pane.x + 90, pane.y + 80);
		await at.page.mouse.up({ button: 'middle' });
		await at.page.keyboard.up('Shift');
		await eventually(async () => expect(await look()).to.match(/translate\(5\d(\.\d+)?px, ?[34]\d/));
	});

	it('are suggested for all contexts at once, beside what is there, and taken as one edit', async () => {
		await at.open('gestures');
		await at.page.getByRole('button', { name: 'Suggest commands …' }).click();
		const dialog = at.page.getByRole('dialog');
		await dialog.getByText('Optimal: no other choice saves more time.').waitFor();
		await dialog.getByRole('button', { name: /^Apply \d+ changes?$/ }).click();
		await dialog.waitFor({ state: 'detached' });
		await at.page.getByText('Gestures: suggestions applied').first().waitFor({ state: 'attached' });
		await at.page.getByRole('button', { name: 'Suggest commands …' }).click();
		await dialog.getByRole('button', { name: 'No change needed' }).waitFor();
		await at.page.keyboard.press('Escape');
		await undo();
		await petal(/^↑: Extrude$/).waitFor();
	});

	it('make the navigation of one program that of another, and change what a button does', async () => {
		await at.page.goto(`${at.server.address}/tuff-mesh-3/gestures`);
		await at.page.waitForSelector('main section');
		const findings = at.page.getByRole('region', { name: 'Findings of gestures' });
		await unfold(findings);
		await findings.getByText(/^Orbit is dragged with Right, which is used by a rose/).waitFor();
		await at.page.getByRole('button', { name: 'Navigation' }).click();
		await at.page.getByRole('combobox', { name: 'Navigation of another program' }).selectOption('Gneiss Solid 5');
		expect(
			await at.page.getByRole('table', { name: 'Navigation compared with Gneiss Solid 5' }).getByRole('row').count()
		).to.equal(8);
		await at.page.getByRole('button', { name: 'Match Gneiss Solid 5' }).click();
		await at.page.getByText('Both programs navigate in the same way.').waitFor();
		await findings.getByText(/^Orbit is dragged with Right/).waitFor({ state: 'detached' });
		await at.page.getByRole('button', { name: /^Right: / }).press('Enter');
		await at.page.getByRole('button', { name: 'Ctrl+RightClick: nothing' }).click();
		await at.page.getByRole('combobox', { name: 'Find a command for the input' }).fill('fit');
		await at.page.keyboard.press('Enter');
		await at.page.getByRole('button', { name: /^Ctrl\+RightClick: (?!nothing)/ }).waitFor();
		await undo();
		await undo();
		await at.page.getByRole('button', { name: 'Match Gneiss Solid 5' }).waitFor();
	});

	it('test the hand: forty flicks, what it keeps apart, and kept at a desk', async () => {
		await at.open('gestures');
		await at.page.getByRole('button', { name: 'Measure your hand' }).click();
		await at.page.getByRole('button', { name: 'Begin' }).click();
		const pad = at.page.locator('[data-pad]');
		const box = (await pad.boundingBox())!;
		const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
		for (let i = 0; i < 40; i++) {
			await at.page.getByText(`${i} of 40`).waitFor();
			const wanted = Number(await at.page.locator('[data-wanted]').getAttribute('data-wanted'));
			// a hand that goes 3 degrees off, now to this side and now to that
			const angle = ((wanted + (i % 2 === 0 ? 3 : -3)) * Math.PI) / 180;
			await at.page.mouse.move(x, y);
			await at.page.mouse.down();
			await at.page.mouse.move(x + Math.sin(angle) * 100, y - Math.cos(angle) * 100);
			await at.page.mouse.up();
		}
		await at.page.getByRole('heading', { name: /^Your hand can tell (1[0-2]|[789]) directions apart$/ }).waitFor();
		await at.page.getByRole('img', { name: /^Errors by number of directions: 2: 0\.0 %/ }).waitFor();
		expect(await at.page.getByRole('row').count()).to.equal(9);
		await at.page.getByRole('combobox', { name: 'Save for the equipment of' }).selectOption('C-01');
		await at.page.getByText('The measured hand is saved for C-01.').waitFor();
	});

	it('show all hands of the office together, and one of them in the roses', async () => {
		await at.open('gestures');
		await at.page.getByRole('button', { name: 'Measure your hand' }).click();
		const hands = at.page.getByRole('region', { name: 'Measured hands of the office' });
		await hands.getByRole('heading', { name: /^Both measured hands can tell \d+ directions apart$/ }).waitFor();
		await hands.getByRole('row', { name: /^Right, Sketch in part .* at C-02 nobody$/ }).waitFor();
		await at.page.getByRole('button', { name: 'Back to the roses' }).click();
		await at.page.getByRole('combobox', { name: 'Hand', exact: true }).selectOption('C-02');
		const sketch = at.page.getByRole('region', { name: /^Rose in Sketch/ });
		await sketch.getByText(/^\d+\.\d % land wrong \(\d+\.\d to \d+\.\d %\)\.$/).waitFor();
		await sketch.getByRole('button', { name: /^Turned by \d°: / }).click();
		await sketch.getByText(/^Turned by \d°\.$/).waitFor();
		await undo();
	});

	it('are drawn: a shape of one’s own, given a command by keys, and run on the bench', async () => {
		await at.open('gestures');
		await at.page.getByRole('button', { name: 'Shapes', exact: true }).click();
		const shapes = at.page.getByRole('listbox', { name: 'Drawn shapes' });
		const pad = at.page.getByRole('img', { name: 'Draw the shape here' });
		await at.page.getByRole('textbox', { name: 'Name of the new shape' }).fill('Seven');
		await draw(pad, 'left', [-40, -40, 40, -40, 0, 45]);
		await shapes.getByRole('option', { name: /Seven No command/ }).waitFor();
		await draw(pad, 'left', [-38, -42, 42, -38, 4, 44]);
		await at.page.getByText('Drawing 2 of 2').waitFor();
		// a straight line is no shape
		await draw(pad, 'left', [-40, 0, 40, 2]);
		await at.page.getByText(/^That is almost straight/).waitFor();
		await shapes.focus();
		await shapes.press('Enter');
		await at.page.keyboard.type('mass properties');
		await at.page.keyboard.press('Enter');
		await shapes.getByRole('option', { name: /Seven Mass properties/ }).waitFor();
		await at.page.getByRole('cell', { name: /^Seven recognised as Seven: (9\d|100) %$/ }).waitFor();

		await at.open('bench');
		await standIn(at.page, 'Document', 'part.solids');
		await draw(at.page.locator('.looked'), 'right', [-60, -60, 60, -60, 0, 66]);
		await log()
			.getByText(/bent: seven, \d+° off; ring was next with \d+°/)
			.first()
			.waitFor();
		await at.page
			.getByText(/Mass properties runs/)
			.first()
			.waitFor();
		await at.page.keyboard.press('Escape');
		await at.open('gestures');
		for (let i = 0; i < 3; i++) await undo();
	});

	it('that are taken for each other are found, and moved apart by a way out', async () => {
		await at.open('gestures');
		const findings = at.page.getByRole('region', { name: 'Findings of gestures' });
		await unfold(findings);
		await findings.getByText(/^Notch for Arc by three points is recognised as Tick/).waitFor();
		await findings.getByRole('button', { name: 'Draw Notch with Ctrl+Right' }).click();
		await findings.getByText(/^Notch for Arc/).waitFor({ state: 'detached' });
		await at.page.getByRole('button', { name: 'Shapes', exact: true }).click();
		await at.page
			.getByRole('option', { name: /Notch Arc/ })
			.getByText('Ctrl+Right, Sketch in part')
			.waitFor();
		await undo();
		await eventually(async () => {
			await unfold(findings);
			expect(await findings.getByText(/^Notch for Arc/).count()).to.equal(1);
		});
	});

	it('are asked for in the header: drawn, flicked or turned, here and everywhere', async () => {
		await at.open('commands');
		await at.page.keyboard.press('Alt+q');
		const probe = at.page.getByRole('dialog', { name: 'Probe' });
		const pad = probe.getByRole('img', { name: 'Draw here' });
		await draw(pad, 'right', [0, 30, 25, -30]);
		await probe.getByText(/at 23°: ↑ of 4 directions/).waitFor();
		const told = (command: RegExp) => probe.getByRole('listitem').filter({ hasText: command }).first().waitFor();
		await told(/Extend/);
		await draw(pad, 'right', [-40, -30, 40, -30, -40, 30, 40, 30]);
		await told(/Trim/);
		await pad.hover();
		await at.page.mouse.wheel(0, -100);
		await told(/Zoom in/);
		await at.page.keyboard.press('f');
		await probe.getByText('On this key in this situation').waitFor();
		await at.page.keyboard.press('Escape');
		await at.page.keyboard.press('Escape');
	});

	it('are timed: a command is asked for, and the watch stops when it runs, by whatever input', async () => {
		await at.open('bench');
		await standIn(at.page, 'Document', 'part.solids');
		const watch = at.page.getByRole('region', { name: 'Stopwatch' });
		await watch.getByRole('button', { name: 'Stopwatch' }).click();
		await watch.getByText('1 of 8').waitFor();
		await watch.getByRole('button', { name: 'Skip' }).click();
		await watch.getByText('2 of 8').waitFor();
		await watch.getByRole('button', { name: 'Stop' }).click();
		expect(await watch.getByRole('row').count()).to.equal(2);
		await watch.getByRole('button', { name: 'Once more' }).waitFor();
	});

	it('turn the cabin in space, and not the picture of it alone', async () => {
		await at.open('bench');
		await standIn(at.page, 'Document', 'part.solids');
		const faces = () =>
			at.page.locator('[data-part^="face"]').evaluateAll((all) => all.map((one) => one.getAttribute('data-part')));
		expect(await faces()).to.deep.equal(['face0', 'face1', 'face2']);
		await draw(at.page.locator('.looked'), 'middle', [0, 0, 150, 0]);
		// turned by 60 degrees to the right, the side at the back on the left comes into sight
		await eventually(async () => expect(await faces()).to.deep.equal(['face0', 'face2', 'face4']));
		await at.page
			.getByText(/Orbit runs/)
			.first()
			.waitFor();
		await at.page.keyboard.press('Escape');
	});

	it('are saved as InkML and brought again; a file that is none changes nothing', async () => {
		await at.open('gestures');
		await at.page.getByRole('button', { name: 'Shapes', exact: true }).click();
		const [saved] = await Promise.all([
			at.page.waitForEvent('download'),
			at.page.getByRole('button', { name: 'Export as InkML' }).click()
		]);
		const ink = readFileSync(await saved.path(), 'utf8');
		expect(ink.match(/<traceGroup/g)).to.have.length(6);
		const bring = (text: string) =>
			at.page
				.getByLabel('InkML file to import')
				.setInputFiles({ name: 'shapes.inkml', mimeType: 'application/inkml+xml', buffer: Buffer.from(text) });
		await bring(ink.replace('>Hook<', '>Barb<'));
		await at.page.getByRole('option', { name: /Barb No command/ }).waitFor();
		await undo();
		await at.page.getByRole('option', { name: /Barb No command/ }).waitFor({ state: 'detached' });
		await bring('<ink><trace>1 1</trace></ink>');
		await at.page.getByText(/shapes\.inkml, line 1, column \d+: this trace has fewer than two points/).waitFor();
	});
});
