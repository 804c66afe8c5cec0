import { expect } from 'chai';
import { readKeyNames, catalogueFromTable, guessMapping } from '../../../../core/application/catalogue-table.ts';
import { readTable } from '../../../../core/format/table/table.ts';
import { guessSpelling, readKeys } from '../../../../core/recipe/spelling.ts';
import { NAMED_CODES } from '../../../../core/stroke/codes.ts';
import { NATIONAL_NAMES } from '../../../../core/stroke/names.ts';
import { looseKeys, parseKeys } from '../../../../core/stroke/stroke.ts';

// as they are engraved on German, French, Italian and Spanish keyboards; common usage, no source
const LINES: Readonly<Record<string, string>> = {
	'Strg+Umschalt+Entf': 'Ctrl+Shift+Delete',
	'Strg + Bild auf': 'Ctrl+PageUp',
	'Umschalt+Leertaste': 'Shift+Space',
	'Alt+Pfeil nach links': 'Alt+ArrowLeft',
	'Strg+Pos1': 'Ctrl+Home',
	'Ctrl+Maj+Suppr': 'Ctrl+Shift+Delete',
	'Maj+Page préc.': 'Shift+PageUp',
	'Ctrl+Entrée': 'Ctrl+Enter',
	'Alt+Flèche gauche': 'Alt+ArrowLeft',
	Échap: 'Escape',
	'Ctrl+Maiusc+Canc': 'Ctrl+Shift+Delete',
	'Ctrl+Pag giù': 'Ctrl+PageDown',
	'Maiusc+Invio': 'Shift+Enter',
	'Ctrl+Mayús+Supr': 'Ctrl+Shift+Delete',
	'Ctrl+Re Pág': 'Ctrl+PageUp',
	'Mayús+Barra espaciadora': 'Shift+Space'
};

describe('names of keys in other languages', () => {
	it('are read where people type them, and in lists', () => {
		for (const [text, keys] of Object.entries(LINES)) {
			expect(looseKeys(text), text).to.equal(keys);
			expect(looseKeys(text.toUpperCase()), text.toUpperCase()).to.equal(keys);
			const spelling = guessSpelling([text]);
			expect(readKeys(text, spelling), `${text} in a file`).to.equal(keys);
		}
	});

	it('are those of keys that there are, and change nothing of what is spelled as Skarn does', () => {
		for (const [name, code] of Object.entries(NATIONAL_NAMES)) expect(NAMED_CODES.has(code), name).to.equal(true);
		for (const keys of ['G F', 'Ctrl+E', 'Alt++', 'Ctrl+-', 'Shift+F5', 'E N D', 'Ctrl+K Ctrl+S'])
			expect(looseKeys(keys), keys).to.equal(parseKeys(keys));
	});

	it('may be own ones of a list, with columns in its language', () => {
		const csv = 'Identifiant;Libellé;Raccourci\na;Ligne;Ctrl+Krempel\nb;Arc;Maj+Suppr\n';
		const { header, records } = readTable('x.csv', csv);
		const form = { name: 'Own', version: '1', ambiguity: 'first', match: 'character', sequences: 'wait' } as const;
		const build = (names: string) =>
			catalogueFromTable(records, guessMapping(header), { ...form, typing: 'nowhere', hardwired: [] }, readKeyNames(names));
		expect(build('Krempel = Delete').inputs.map(({ keys }) => keys)).to.deep.equal(['Ctrl+Delete', 'Shift+Delete']);
		expect(build('').refused.map(({ line, message }) => [line, message.slice(0, 14)])).to.deep.equal([[2, '"Ctrl+Krempel"']]);
		expect(() => readKeyNames('\nKrempel Delete')).to.throw(RangeError, /line 2: expected a name and a key/);
	});
});
