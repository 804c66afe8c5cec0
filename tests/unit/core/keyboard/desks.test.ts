import { expect } from 'chai';
import { desksOf, USUAL_DESK, type Desk, type DeskSetup } from '../../../../core/keyboard/desk.ts';
import { allStrokes, officeDesks } from '../../../../core/keyboard/office-desks.ts';
import { pressing, strokeAt } from '../../../../core/keyboard/pressing.ts';
import { reachOf, reachOfAll } from '../../../../core/keyboard/reach.ts';
import { RESERVED, reservedOn } from '../../../../core/keyboard/reserved/reserved.ts';
import { keysOf, parseKeys, parseStroke, strokesOf } from '../../../../core/stroke/stroke.ts';

const us: DeskSetup = { ...USUAL_DESK, board: 'full-ansi' };
const german: DeskSetup = { ...USUAL_DESK, layout: 'de' };
const rules = { match: 'character', hardwired: [{ keys: parseKeys('F8'), does: 'reports' }] } as const;
const office = (...desks: DeskSetup[]) =>
	officeDesks({ ...rules, hardwired: [...rules.hardwired] }, desksOf(desks.map((desk, i) => ({ id: `C-0${i + 1}`, desk }))));
const kinds = (desks: ReturnType<typeof office>, keys: string) => desks.troubles(parseKeys(keys)).map((t) => t.kind);

describe('desks', () => {
	it('put seats with the same setup together', () => {
		const desks = desksOf([
			{ id: 'C-01', desk: us },
			{ id: 'C-02', desk: german },
			{ id: 'C-03', desk: { ...us } }
		]);
		expect(desks.map((d: Desk) => d.seats)).to.deep.equal([['C-01', 'C-03'], ['C-02']]);
	});

	it('find every trouble of a stroke on a layout in use', () => {
		const both = office(us, german);
		expect(kinds(both, 'Ctrl+F')).to.deep.equal([]);
		expect(kinds(both, 'Ctrl+Z')).to.deep.equal(['elsewhere']);
		expect(kinds(both, 'Ctrl+/')).to.deep.equal(['shift']);
		expect(kinds(both, '@')).to.deep.equal(['altgr']);
		expect(kinds(both, 'Alt+^')).to.deep.equal(['dead']);
		expect(kinds(both, 'Alt+ß')).to.deep.equal(['missing']);
		expect(kinds(both, 'Ctrl+Alt+E')).to.deep.equal(['eaten']);
		expect(kinds(office(us), 'Ctrl+Z')).to.deep.equal([]);
		expect(kinds(office({ ...german, platform: 'linux' }), 'Ctrl+Alt+E')).to.deep.equal([]);
		expect(kinds(office({ ...us, board: 'laptop' }), 'Home')).to.deep.equal(['missing']);
		expect(kinds(both, 'G Ctrl+Z')).to.deep.equal(['elsewhere']);
	});

	it('find a position that reads otherwise, where positions are matched', () => {
		const both = officeDesks(
			{ match: 'position', hardwired: [] },
			desksOf([us, german].map((desk, i) => ({ id: `C-0${i + 1}`, desk })))
		);
		expect(both.troubles(parseKeys('KeyZ')).map((t) => t.kind)).to.deep.equal(['reads']);
		expect(both.troubles(parseKeys('KeyF'))).to.deep.equal([]);
	});

	it('know what systems keep, with the primary modifier of each', () => {
		expect(reservedOn('windows', parseKeys('Alt+Tab'))).to.include({ taken: 'always' });
		expect(reservedOn('macos', parseKeys('Ctrl+Q'))).to.include({ does: 'quits the application' });
		expect(reservedOn('windows', parseKeys('Ctrl+Q'))).to.equal(undefined);
		expect(reservedOn('linux', parseKeys('Ctrl+Alt+F3'))).to.include({ taken: 'always' });
		expect(reservedOn('macos', parseKeys('Alt+KeyH Ctrl+KeyH'))).to.include({ does: 'hides the application' });
		for (const rows of Object.values(RESERVED))
			for (const row of rows) {
				expect(row.source).to.match(/memory/);
				expect(keysOf([parseStroke(row.keys)])).to.equal(row.keys);
			}
		expect(office(us).kept(parseKeys('F8'))).to.have.length(1);
	});

	it('press what they hear: every stroke that a key makes is typed by that key', () => {
		for (const desk of [
			us,
			german,
			{ ...german, board: 'split', layout: 'fr' } as DeskSetup,
			{ ...us, platform: 'macos' } as DeskSetup
		])
			for (const match of ['character', 'position'] as const)
				for (const keys of allStrokes({ match }, { ...desk, seats: [] })) {
					const [stroke] = strokesOf(keys);
					const { code, altGr } = pressing(stroke!, desk);
					expect(code, keys).to.not.equal(undefined);
					if (!altGr && desk.platform !== 'macos') {
						const held = stroke!.modifiers;
						const heard =
							strokeAt(code!, pressing(stroke!, desk).modifiers, match, desk.layout) ?? strokeAt(code!, held, match, desk.layout);
						expect(heard && keysOf([heard]), keys).to.equal(keys);
					}
				}
	});

	it('measure reach from the resting fingers in millimetres', () => {
		const mm = (keys: string, desk = us) => reachOf(parseStroke(keys), desk)!.mm;
		expect(mm('F')).to.equal(0);
		expect(mm('G')).to.be.closeTo(19.05, 0.01);
		expect(mm('R')).to.be.closeTo(19.05 * Math.hypot(0.25, 1), 0.01);
		// the little finger goes from A to the left Shift: 1.125 pitches aside, one row down
		expect(mm('Shift+F')).to.be.closeTo(19.05 * Math.hypot(1.125, 1), 0.01);
		expect(mm('J', { ...us, mouse: 'left' })).to.equal(0);
		expect(reachOf(parseStroke('P'), us)!.effort).to.equal('away');
		expect(reachOf(parseStroke('P'), { ...us, mouse: 'left' })!.effort).to.equal('easy');
	});

	it('give keystroke-level times: K for each key, H twice when the mouse is let go', () => {
		// Card, Moran, Newell, CACM 23(7), 1980, from memory: K 0.20 s (average skilled typist), H 0.40 s
		const seconds = (keys: string) => reachOfAll(strokesOf(parseKeys(keys)), us)!.seconds;
		expect(seconds('F')).to.be.closeTo(0.2, 1e-9);
		expect(seconds('Ctrl+F')).to.be.closeTo(0.4, 1e-9);
		expect(seconds('P')).to.be.closeTo(1.0, 1e-9);
		expect(seconds('G F')).to.be.closeTo(0.4, 1e-9);
	});

	it('list good strokes the shortest way first, without any that a system keeps or a desk cannot press', () => {
		const desks = office(us, german);
		const ways = desks.goodStrokes.map((keys) => desks.reach(keys)!.mm);
		expect(ways).to.deep.equal([...ways].sort((a, b) => a - b));
		expect(desks.goodStrokes).to.include.members(['F', 'Ctrl+E']);
		for (const bad of ['Ctrl+Alt+E', 'Alt+Tab', 'Alt+Space', 'F8', '/', '@']) expect(desks.goodStrokes, bad).to.not.include(bad);
	});

	it('keep strokes by what a layout has at a position, and digits by their key', () => {
		const kept = (match: 'position' | 'character', keys: string, desk: Partial<DeskSetup>) =>
			officeDesks({ match, hardwired: [] }, desksOf([{ id: 'C-01', desk: { ...USUAL_DESK, ...desk } }]))
				.kept(parseKeys(keys))
				.map((k) => k.does);
		// on a French board Q is where A is on a US one (xkb-data, symbols/fr): Command with it quits
		expect(kept('position', 'Ctrl+KeyA', { platform: 'macos', layout: 'fr' })).to.deep.equal(['quits the application']);
		expect(kept('position', 'Ctrl+KeyQ', { platform: 'macos', layout: 'fr' })).to.deep.equal([]);
		expect(kept('position', 'Ctrl+KeyQ', { platform: 'macos', layout: 'us' })).to.deep.equal(['quits the application']);
		expect(kept('position', 'Meta+KeyL', { platform: 'windows', layout: 'de' })).to.deep.equal(['locks the screen']);
		expect(kept('position', 'Ctrl+Shift+Digit3', { platform: 'macos', layout: 'fr' })).to.deep.equal([
			'takes a picture of the screen'
		]);
		expect(kept('position', 'Meta+Digit4', { platform: 'windows', layout: 'cz' })).to.deep.equal([
			'opens the fourth pinned program'
		]);
	});

	it('keep what their systems are known to keep', () => {
		// from memory, as the tables say of themselves
		const on = (platform: DeskSetup['platform'], ...all: string[]) =>
			all.filter((keys) => reservedOn(platform, parseKeys(keys)) === undefined);
		expect(on('linux', ...Array.from({ length: 12 }, (_, i) => `Ctrl+Alt+F${i + 1}`), 'Alt+F10', 'Alt+F4')).to.deep.equal([]);
		expect(
			on(
				'windows',
				'Meta+T',
				'Meta+B',
				'Meta+G',
				'Meta+Home',
				'Meta+Pause',
				'Meta+-',
				...Array.from({ length: 10 }, (_, i) => `Meta+${i}`)
			)
		).to.deep.equal([]);
		expect(on('windows', 'Ctrl+D', 'Meta+F7')).to.deep.equal(['Ctrl+D', 'Meta+F7']);
		for (const rows of Object.values(RESERVED)) for (const { source } of rows) expect(source).to.include('from memory');
	});
});
