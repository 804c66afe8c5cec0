import { expect } from 'chai';
import { desk, eventually } from './office.ts';

describe('Gestures', () => {
	const at = desk();
	const roses = () => at.page.getByRole('listbox', { name: 'Directions of all roses' });
	const part = () => at.page.getByRole('region', { name: 'Rose in Part solids' });
	const petal = (name: RegExp) => part().getByRole('option', { name });
	const undo = () => at.page.getByRole('button', { name: 'Undo' }).click();
	const log = () => at.page.getByRole('complementary');
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
		await part().getByText('Waits:').waitFor();
		await part().getByRole('combobox', { name: 'Directions in Part solids' }).selectOption('8');
		await petal(/^↗: Revolve$/).waitFor();
		await part().getByText('Waits:').waitFor({ state: 'detached' });
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
		await at.page.getByRole('combobox', { name: 'Document', exact: true }).selectOption('part.solids');
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
		await at.page.getByRole('button', { name: 'Suggest …' }).click();
		const dialog = at.page.getByRole('dialog');
		await dialog.getByText('No other choice is quicker.').waitFor();
		await dialog.getByRole('button', { name: /^Take \d+ changes?$/ }).click();
		await dialog.waitFor({ state: 'detached' });
		await at.page.getByText('Gestures: as suggested').first().waitFor({ state: 'attached' });
		await at.page.getByRole('button', { name: 'Suggest …' }).click();
		await dialog.getByRole('button', { name: 'All of it is so already' }).waitFor();
		await at.page.keyboard.press('Escape');
		await undo();
		await petal(/^↑: Extrude$/).waitFor();
	});

	it('make the navigation of one program that of another, and change what a button does', async () => {
		await at.page.goto(`${at.server.address}/tuff-mesh-3/gestures`);
		await at.page.waitForSelector('main section');
		const findings = at.page.getByRole('region', { name: 'Findings of gestures' });
		await findings.getByText(/^Orbit is dragged with Right, where flicks/).waitFor();
		await at.page.getByRole('button', { name: 'Navigation' }).click();
		await at.page.getByRole('combobox', { name: 'Navigation of another program' }).selectOption('Gneiss Solid 5');
		expect(await at.page.getByRole('table', { name: 'Navigation beside Gneiss Solid 5' }).getByRole('row').count()).to.equal(3);
		await at.page.getByRole('button', { name: 'Navigate as in Gneiss Solid 5' }).click();
		await at.page.getByText('Both are navigated alike.').waitFor();
		await findings.getByText(/^Orbit is dragged with Right/).waitFor({ state: 'detached' });
		await at.page.getByRole('button', { name: /^Right: / }).press('Enter');
		await at.page.getByRole('button', { name: 'Ctrl+RightClick: nothing' }).click();
		await at.page.getByRole('combobox', { name: 'Find a command for the input' }).fill('fit');
		await at.page.keyboard.press('Enter');
		await at.page.getByRole('button', { name: /^Ctrl\+RightClick: (?!nothing)/ }).waitFor();
		await undo();
		await undo();
		await at.page.getByRole('button', { name: 'Navigate as in Gneiss Solid 5' }).waitFor();
	});

	it('test the hand: forty flicks, what it keeps apart, and kept at a desk', async () => {
		await at.open('gestures');
		await at.page.getByRole('button', { name: 'Test the hand' }).click();
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
		await at.page.getByRole('heading', { name: /^Your hand keeps (1[0-2]|[789]) directions apart$/ }).waitFor();
		await at.page.getByRole('img', { name: /^Missed by the number of directions: 2: 0\.0 %/ }).waitFor();
		expect(await at.page.getByRole('row').count()).to.equal(9);
		await at.page.getByRole('combobox', { name: 'Keep it with the desk of' }).selectOption('C-01');
		await at.page.getByText('The hand test stays at the desk of C-01.').waitFor();
	});
});
