import { expect } from 'chai';
import fc from 'fast-check';
import { check, teller } from '../../../../core/chapters/shortcuts/check/check.ts';
import { circumstancesOf, indexOf } from '../../../../core/profile/circumstances.ts';
import { fixesOf } from '../../../../core/chapters/shortcuts/check/fixes.ts';
import { compareFile } from '../../../../core/hand-over/compare.ts';
import { readShortcutsCsv } from '../../../../core/hand-over/shortcuts-csv.ts';
import { USUAL } from '../../../../core/hand-over/selection.ts';
import { desksOf, USUAL_DESK } from '../../../../core/keyboard/desk.ts';
import { LAYOUT_IDS, LAYOUTS } from '../../../../core/keyboard/layouts.ts';
import { officeDesks } from '../../../../core/keyboard/office-desks.ts';
import { heardAs, meanings } from '../../../../core/keyboard/unheard.ts';
import { canHear, hear, isHeard } from '../../../../core/stroke/hear.ts';
import { WRITING_CODES } from '../../../../core/stroke/codes.ts';
import { shortcutsIn, withShortcuts, type Entry } from '../../../../core/shortcut/entry.ts';
import type { StratumId } from '../../../../core/strata/stratum.ts';
import { parseKeys, type Keys } from '../../../../core/stroke/stroke.ts';
import { commandSearch } from '../../../../core/search/search.ts';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { tuff } from '../../../../demo/tuff/tuff.ts';
import { demoProfile, subjectOf } from '../../demo-office.ts';

const as = (text: string, match: 'position' | 'character', ...layouts: Parameters<typeof heardAs>[2]) =>
	heardAs(parseKeys(text), match, layouts);

describe('spellings that an application can or cannot hear', () => {
	it('hears exactly what a key press can give it, whatever the layout', () => {
		const press = fc.record({
			layout: fc.constantFrom(...LAYOUT_IDS),
			code: fc.constantFrom(...WRITING_CODES.keys()),
			shiftKey: fc.boolean(),
			ctrlKey: fc.boolean(),
			match: fc.constantFrom<'position' | 'character'>('position', 'character')
		});
		fc.assert(
			fc.property(press, ({ layout, code, shiftKey, ctrlKey, match }) => {
				const level = shiftKey ? 1 : 0;
				const key = LAYOUTS[layout].legend(code, level);
				if (!key || LAYOUTS[layout].isDead(code, level)) return;
				const rest = { altKey: false, metaKey: false, capsLock: false, altGraph: false };
				const { stroke } = hear({ code, key, shiftKey, ctrlKey, ...rest }, match);
				if (stroke) expect(canHear(stroke, match), `${layout} ${code} ${key}`).to.equal(true);
			}),
			{ numRuns: 2000 }
		);
	});

	it('never hears a character by position, a position by character, nor Shift with a sign', () => {
		for (const text of ['F', 'Ctrl+J', 'G KeyF']) expect(isHeard(parseKeys(text), 'position'), text).to.equal(false);
		for (const text of ['KeyF', 'Shift+!', 'Shift+1', 'Ctrl+G Digit1'])
			expect(isHeard(parseKeys(text), 'character'), text).to.equal(false);
		for (const text of ['F5', 'Shift+Enter', 'Ctrl+KeyJ']) expect(isHeard(parseKeys(text), 'position'), text).to.equal(true);
		for (const text of ['Shift+F', '!', 'Ctrl+1', 'Shift+F5']) expect(isHeard(parseKeys(text), 'character'), text).to.equal(true);
	});

	it('is translated where the layouts agree, and not where they do not', () => {
		// legends by Debian's xkb-data (see the layout files): Z and Y change places between US and German
		expect(as('Ctrl+J', 'position', 'us', 'de')).to.equal('Ctrl+KeyJ');
		expect(as('Ctrl+Z', 'position', 'us')).to.equal('Ctrl+KeyZ');
		expect(as('Ctrl+Z', 'position', 'us', 'de')).to.equal(undefined);
		expect(meanings(parseKeys('Ctrl+Z'), 'position', ['us', 'de'])).to.deep.equal(['Ctrl+KeyZ', 'Ctrl+KeyY']);
		expect(as('!', 'position', 'us', 'de')).to.equal('Shift+Digit1');
		expect(as('KeyF', 'character', 'us', 'fr')).to.equal('F');
		expect(as('KeyQ', 'character', 'us', 'fr')).to.equal(undefined);
		expect(as('Shift+!', 'character', 'us', 'de')).to.equal('!');
		expect(as('Shift+1', 'character', 'us', 'de')).to.equal('!');
		expect(as('Shift+2', 'character', 'us', 'de')).to.equal(undefined);
		expect(as('@', 'position', 'de'), 'AltGr alone types it').to.equal(undefined);
	});

	const positional = subjectOf(tuff);
	const office = officeDesks(tuff.application.rules, desksOf([{ id: 'C-01', desk: USUAL_DESK }]));
	it('is translated when it is imported, and that is said', () => {
		expect(tuff.application.rules.match).to.equal('position');
		const [command] = tuff.commands;
		const { rows } = readShortcutsCsv('keys.csv', `keys,command\nCtrl+Alt+J,${command!.id}\n`);
		const compared = compareFile(
			positional,
			demoProfile(tuff),
			{ rows },
			{
				selection: USUAL,
				into: undefined,
				otherwise: 'personal' as StratumId,
				office
			}
		);
		expect(compared.items[0]).to.include({ spelled: 'Ctrl+Alt+J' });
		expect(compared.items[0]!.caption.keys).to.equal('Ctrl+Alt+KeyJ');
	});

	it('is translated when somebody searches by it', () => {
		const index = indexOf(positional, demoProfile(tuff));
		const [bound] = index.effective.bindings.filter((b) => /^Ctrl\+Key[A-Z]$/.test(b.keys));
		const search = commandSearch(positional.catalogue, office.heardAs);
		const hits = search.find(bound!.keys.replace('Key', ''), index);
		expect(hits.filter((h) => h.by === 'keys').map((h) => h.command.id)).to.include(bound!.command);
	});

	it('is a finding where it is left, with ways out that are heard', () => {
		const entry: Entry = { op: 'set', command: gneiss.commands[0]!.id, keys: 'Ctrl+KeyB' as Keys, scope: {}, rank: 9000 };
		const profile = demoProfile(gneiss).map((s) =>
			s.kind === 'personal' ? withShortcuts(s, [...shortcutsIn(s).values(), entry]) : s
		);
		const c = circumstancesOf(subjectOf(gneiss), profile, [], null);
		const [finding, ...more] = check(c).filter((f) => f.rule === 'unheard' && f.witness.keys === entry.keys);
		expect(more).to.deep.equal([]);
		expect(finding!.severity).to.equal('error');
		expect(teller(c)(finding!).sentence).to.match(
			/can never work: the program uses characters, and this names a key position\.$/
		);
		const fixes = fixesOf(c, finding!, { profile, target: 'personal' as StratumId });
		expect(fixes.length).to.be.greaterThan(0);
		for (const fix of fixes) for (const { after } of fix.changes) if (after) expect(c.office.isHeard(after.keys)).to.equal(true);
	});
});
