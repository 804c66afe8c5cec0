import '../../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import { tuff } from '../../../../../demo/tuff/tuff.ts';
import { varve } from '../../../../../demo/varve/varve.ts';
import { BARS } from '../../../../../core/chapters/bars/bar.ts';
import { bars } from '../../../../../core/chapters/bars/chapter.ts';
import { barRecords, readBars } from '../../../../../core/chapters/bars/file.ts';
import { barTree, type BarNode } from '../../../../../core/chapters/bars/tree.ts';
import { propose } from '../../../../../core/propose/propose.ts';
import { SHIPPED_RECIPES } from '../../../../../core/recipe/shipped.ts';
import { writeWith } from '../../../../../core/recipe/reading.ts';
import type { Profile, StratumId } from '../../../../../core/strata/stratum.ts';
import { demoProfile } from '../../../demo-office.ts';

const lines = SHIPPED_RECIPES['bars-lines']!;
const read = (text: string, profile: Profile = []) => readBars(lines, 'bars.txt', text, profile);
/** A profile of what a file says alone. */
const alone = (rows: ReturnType<typeof read>['rows']): Profile => [
	{
		id: 'personal' as StratumId,
		name: 'Personal',
		kind: 'personal',
		contents: { [BARS]: bars.contentOf(rows.map(({ said }) => said)) }
	}
];
const outline = (node: BarNode): unknown =>
	node.item.kind === 'place' ? (node.item.title ?? node.item.command ?? '-') : [node.item.name, ...node.children.map(outline)];

describe('bars as a file with one place a line', () => {
	it('says where each place stands, in the order of the lines', () => {
		const { rows, refused } = read(
			[
				'Main / Model / Grow : solid.extrude',
				'Main / Model / Grow : -',
				'Main / Model / Take : solid.hole = Bore',
				'Row : file.save',
				'Main / Check / Fit : inspect.mass'
			].join('\n')
		);
		expect(refused).to.deep.equal([]);
		const { bars: found, idle } = barTree(alone(rows));
		expect(idle).to.deep.equal([]);
		expect(found.map(outline)).to.deep.equal([
			['Main', ['Model', ['Grow', 'solid.extrude', '-'], ['Take', 'Bore']], ['Check', ['Fit', 'inspect.mass']]],
			['Row', 'file.save']
		]);
	});

	it('puts what is new where the file has it: first, between others, and last', () => {
		const there = alone(read('Row : file.save\nRow : file.open\nRow : edit.undo').rows);
		const orderOf = (text: string) => {
			const { rows } = read(text, there);
			const changed = there.map((stratum) => {
				const content = new Map(stratum.contents[BARS] as ReadonlyMap<string, unknown>);
				for (const { said } of rows) content.set((said as { id: string }).id, said);
				return { ...stratum, contents: { [BARS]: content } };
			});
			return barTree(changed).bars.map(outline);
		};
		const commands = ['file.save', 'file.open', 'edit.undo'];
		for (let at = 0; at <= commands.length; at++) {
			const wanted = commands.toSpliced(at, 0, 'inspect.mass');
			expect(orderOf(wanted.map((command) => `Row : ${command}`).join('\n')), `at ${at}`).to.deep.equal([['Row', ...wanted]]);
			const two = commands.toSpliced(at, 0, 'inspect.mass', 'solid.extrude');
			expect(orderOf(two.map((command) => `Row : ${command}`).join('\n')), `two at ${at}`).to.deep.equal([['Row', ...two]]);
		}
	});

	for (const standIn of [gneiss, varve, tuff])
		for (const name of ['bars-csv', 'bars-lines', 'gneiss-bars', 'tuff-bars'])
			it(`written and read again, changes nothing in ${standIn.application.name}: ${name}`, () => {
				const profile = demoProfile(standIn);
				const { rows } = barRecords(profile);
				const text = writeWith(SHIPPED_RECIPES[name]!, rows);
				const again = readBars(SHIPPED_RECIPES[name]!, name, text, profile);
				expect(again.refused).to.deep.equal([]);
				expect(again.rows).to.deep.equal([]);
				expect(barRecords(alone(readBars(SHIPPED_RECIPES[name]!, name, text, []).rows)).rows).to.deep.equal(rows);
			});

	it('changes only what a line says otherwise, and leaves alone what it does not name', () => {
		const profile = demoProfile(varve);
		const { rows } = read('Rope : rope.hanger\nRope : rope.sag', profile);
		// both are there; only their order is another
		expect(rows.map(({ said }) => said.id)).to.have.members(['rope.0', 'rope.1']);
		const { rows: added } = read('Rope : rope.sag\nRope : measure.mass', profile);
		// the new one stands behind the one that it follows in the file, and moves none
		expect(added.map(({ said }) => said.op === 'set' && said.parent)).to.deep.equal(['rope']);
		const { rows: renamed } = read('Rope : rope.sag = Sag of the rope', profile);
		expect(renamed).to.have.length(1);
		expect(renamed[0]!.said).to.deep.include({ id: 'rope.0' });
		expect(read('Rope : rope.sag', profile).rows).to.deep.equal([]);
	});

	it('refuses a line that stands nowhere, and says why', () => {
		const profile = demoProfile(gneiss);
		const csv = SHIPPED_RECIPES['bars-csv']!;
		const { refused } = readBars(
			csv,
			'x.csv',
			'bar,tab,group,command,label\nWork,Body,,solid.hole,\nLook,Body,Grow,solid.hole,\nWork,,,solid.hole,\n',
			profile
		);
		expect(refused.map(({ line, message }) => `${line}: ${message}`)).to.deep.equal([
			'2: in a ribbon, a button needs both a tab and a group; in a toolbar it needs neither',
			'3: Look is a toolbar, where a button has no tab',
			'4: Work is a ribbon, where a button needs a tab and a group'
		]);
	});

	it('refuses names that are empty or too long', () => {
		const csv = SHIPPED_RECIPES['bars-csv']!;
		const { rows, refused } = readBars(
			csv,
			'x.csv',
			`bar,tab,group,command,label\n ,,,file.save,\n${'x'.repeat(501)},,,file.save,\nRow,,,file.save,\n`,
			[]
		);
		expect(refused.map(({ line, message }) => `${line}: ${message}`)).to.deep.equal([
			'2: expected the bar in column 1',
			'3: a name has at most 500 characters, here 501'
		]);
		expect(rows).to.have.length(2);
	});

	it('tells what it cannot say', () => {
		const { left } = barRecords(demoProfile(gneiss));
		expect(left).to.include('the flyout Send in Files');
		expect(left).to.include('the menus Menus');
		expect(left).to.include('the context menu Of a face');
		expect(left).to.include('the cursor bar At hand');
	});

	it('is proposed for a sample', () => {
		const knows = (command: string) => varve.commands.some(({ id }) => id === command);
		const [first] = propose('Rope <- rope.sag\nRope <- rope.hanger # Hanger\nLines <- draw.segment\n', 'bars', knows);
		expect(first!.recipe.record).to.deep.equal(SHIPPED_RECIPES['varve-bars']!.record);
		const [other] = propose('on Rope: rope.sag\non Rope: rope.hanger\non Lines: draw.segment\n', 'bars', knows);
		expect(other!.recipe.holds).to.equal('bars');
	});
});
