import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { XMLParser } from 'fast-xml-parser';
import fc from 'fast-check';
import { parse as parseYaml } from 'yaml';
import { FileRefusedError } from '../../../../core/format/problem.ts';
import { decode, encode } from '../../../../core/format/bytes.ts';
import {
	changeRecord,
	insertRecord,
	readWith,
	removeRecord,
	spliced,
	switchRecord,
	writeWith
} from '../../../../core/recipe/reading.ts';
import { NotWritableError } from '../../../../core/recipe/record.ts';
import { Recipe } from '../../../../core/recipe/recipe.ts';
import { readKeys, writeKeys } from '../../../../core/recipe/spelling.ts';
import { isMismatch, matchTemplate, parseTemplate } from '../../../../core/recipe/template.ts';
import { SAMPLES } from './samples.ts';
import { LAYOUTS } from '../../../../core/keyboard/layouts.ts';
import { WRITING_CODES } from '../../../../core/stroke/codes.ts';
import { parseKeys } from '../../../../core/stroke/stroke.ts';
import { KeySpelling } from '../../../../core/recipe/recipe.ts';

const read = (recipe: Recipe, text: string) => readWith(recipe, 'file', text).records;
const said = (recipe: Recipe, text: string) =>
	read(recipe, text).map(({ fields, off }) => ({
		...Object.fromEntries(Object.entries(fields).map(([f, s]) => [f, s.value])),
		...(off && { off })
	}));

describe('recipes', () => {
	it('read every sample, each field where it stands', () => {
		for (const { recipe, text, records } of SAMPLES) {
			const found = readWith(recipe, 'file', text);
			expect(found.unknown, recipe.name).to.deep.equal([]);
			expect(found.records.length, recipe.name).to.equal(records);
			for (const { fields } of found.records)
				for (const { start, end } of Object.values(fields)) expect(end, recipe.name).to.be.greaterThan(start);
		}
		const [arrow, , csv, , , , , xml] = SAMPLES;
		expect(said(arrow!.recipe, arrow!.text)).to.deep.equal([
			{ alias: 'ln', command: 'draw.segment', note: 'straight' },
			{ alias: 'dc', command: 'draw.circle' },
			{ alias: 'lx', command: 'layer.isolate', note: 'off', off: true },
			{ alias: 'lvl', command: 'dim.level', lock: '!' }
		]);
		expect(said(csv!.recipe, csv!.text)[0]).to.deep.equal({ alias: 'ln', command: 'draw.segment', note: 'straight, "thin"' });
		expect(said(xml!.recipe, xml!.text)).to.deep.equal([
			{ keys: 'Ctrl+F', command: 'edge.fillet', note: 'a & b' },
			{ keys: 'Ctrl+G', command: 'edge.chamfer' }
		]);
	});

	it('change one field and leave every other byte as it was', () => {
		for (const { recipe, text } of SAMPLES)
			for (const [i, record] of read(recipe, text).entries()) {
				const after = spliced(text, changeRecord(recipe, text, record, { command: 'other.one' }));
				const now = said(recipe, after);
				expect(now[i], recipe.name).to.deep.equal({ ...said(recipe, text)[i], command: 'other.one' });
				expect(now.toSpliced(i, 1), recipe.name).to.deep.equal(said(recipe, text).toSpliced(i, 1));
				const { start, end } = record.fields.command!;
				expect(after.startsWith(text.slice(0, start)), recipe.name).to.equal(true);
				const next = text.indexOf('\n', end);
				const tail = text.slice(next === -1 ? end : next);
				expect(after.endsWith(tail), recipe.name).to.equal(true);
			}
	});

	it('insert, take out and switch off one record, and leave the others as they were', () => {
		for (const { recipe, text } of SAMPLES) {
			const records = read(recipe, text);
			const name = recipe.holds === 'aliases' ? 'alias' : 'keys';
			try {
				const more = spliced(text, insertRecord(recipe, text, records[0], { [name]: 'F9', command: 'new.one' }));
				expect(said(recipe, more).length, recipe.name).to.equal(records.length + 1);
				const all = said(recipe, more) as Record<string, string>[];
				expect(all.filter((r) => r[name] === 'F9' && r['command'] === 'new.one').length, recipe.name).to.equal(1);
				expect(all.filter((r) => r['command'] !== 'new.one').map((r) => r['command'])).to.deep.equal(
					records.map((r) => r.fields.command!.value)
				);
				const less = spliced(text, removeRecord(recipe, text, records[0]!));
				expect(said(recipe, less), recipe.name).to.deep.equal(said(recipe, text).slice(1));
				const off = spliced(text, switchRecord(recipe, text, records[0]!, true));
				expect(spliced(off, switchRecord(recipe, off, read(recipe, off)[0]!, false)), recipe.name).to.equal(text);
			} catch (error) {
				if (!(error instanceof NotWritableError)) throw error;
				expect(error.message, recipe.name).to.match(/text editor|by hand|instead/);
			}
		}
	});

	it('add a field that a record does not have yet, and a first record to a file without one', () => {
		for (const { recipe, text } of SAMPLES.filter((s) => ['json', 'yaml', 'xml'].includes(s.recipe.name))) {
			const records = read(recipe, text);
			for (const [i, record] of records.entries()) {
				if (record.fields.note) continue;
				const after = spliced(text, changeRecord(recipe, text, record, { note: 'why: "this"' }));
				expect(said(recipe, after)[i], `${recipe.name} ${i}`).to.deep.equal({ ...said(recipe, text)[i], note: 'why: "this"' });
				expect(said(recipe, after).toSpliced(i, 1)).to.deep.equal(said(recipe, text).toSpliced(i, 1));
			}
		}
		for (const { recipe, text } of SAMPLES) {
			const name = recipe.holds === 'aliases' ? 'alias' : 'keys';
			let none = text;
			while (read(recipe, none).length > 0) none = spliced(none, removeRecord(recipe, none, read(recipe, none)[0]!));
			const one = spliced(none, insertRecord(recipe, none, undefined, { [name]: 'F9', command: 'new.one' }));
			expect(
				read(recipe, one).map((r) => r.fields.command!.value),
				`${recipe.name}: ${JSON.stringify(one)}`
			).to.deep.equal(['new.one']);
		}
	});

	it('keep what stands in columns in its columns', () => {
		const [{ recipe, text }] = SAMPLES as [(typeof SAMPLES)[number]];
		const [first] = read(recipe, text);
		expect(spliced(text, changeRecord(recipe, text, first!, { alias: 'line' })).split('\n')[2]).to.equal(
			'line -> draw.segment    # straight'
		);
		expect(spliced(text, changeRecord(recipe, text, first!, { command: 'draw.arc' })).split('\n')[2]).to.equal(
			'ln   -> draw.arc        # straight'
		);
		expect(spliced(text, insertRecord(recipe, text, first, { alias: 'a', command: 'b', note: 'c' })).split('\n')[3]).to.equal(
			'a    -> b               # c'
		);
	});

	it('write whole files that read back the same', () => {
		const word = fc.stringMatching(/^[a-z][a-z0-9.]{0,8}$/);
		for (const { recipe } of SAMPLES)
			fc.assert(
				fc.property(
					fc.uniqueArray(fc.record({ alias: word, keys: fc.constantFrom('Ctrl+E', 'F5', 'G F'), command: word, context: word }), {
						maxLength: 8,
						selector: (r) => r.alias
					}),
					(rows) => {
						const fields = Object.keys(read(recipe, SAMPLES.find((s) => s.recipe === recipe)!.text)[0]!.fields);
						const wanted = rows.map((row) => Object.fromEntries(Object.entries(row).filter(([f]) => fields.includes(f))));
						expect(said(recipe, writeWith(recipe, wanted, '\r\n')), recipe.name).to.deep.equal(wanted);
					}
				),
				{ numRuns: 40 }
			);
	});

	// csv-spectrum 2: CSV files with the values that they hold; the one left out contradicts itself (see csv.test.ts)
	const spectrum = new URL('../../../../node_modules/csv-spectrum/', import.meta.url);
	for (const file of readdirSync(new URL('csvs/', spectrum)).filter((name) => name !== 'location_coordinates.csv'))
		it(`split ${file} of csv-spectrum as its values say`, () => {
			const rows = [
				JSON.parse(readFileSync(new URL(`json/${file.replace('.csv', '.json')}`, spectrum), 'utf8'))
			].flat() as Record<string, string>[];
			const columns = ['alias', 'command', 'note', 'keys', 'context'].slice(0, Math.max(2, Object.keys(rows[0]!).length));
			const recipe = Recipe.parse({
				format: 'skarn-recipe',
				version: 1,
				name: file,
				holds: 'aliases',
				record: { shape: 'delimited', delimiter: ',', columns }
			});
			const { records, unknown } = readWith(recipe, file, readFileSync(new URL(`csvs/${file}`, spectrum), 'utf8'));
			const whole = rows.filter(
				(row) =>
					Object.values(row)
						.slice(0, 2)
						.every((v) => v.trim() !== '') && Object.keys(row).length > 1
			);
			expect(records.map((r) => columns.map((c) => r.fields[c as 'alias']?.value ?? ''))).to.deep.equal(
				whole.map((row) => columns.map((_, i) => (Object.values(row)[i] ?? '').trim()))
			);
			expect(unknown.length).to.equal(rows.length - whole.length);
		});

	it('read YAML and XML as their libraries do', () => {
		const yaml = SAMPLES.find((s) => s.recipe.name === 'yaml')!;
		const parsed = parseYaml(yaml.text) as { aliases: { name: string; runs: string; note?: string }[] };
		expect(said(yaml.recipe, yaml.text)).to.deep.equal(
			parsed.aliases.map(({ name, runs, note }) => ({ alias: name, command: runs, ...(note && { note }) }))
		);
		const xml = SAMPLES.find((s) => s.recipe.name === 'xml')!;
		const tree = new XMLParser({ ignoreAttributes: false }).parse(xml.text) as { setup: { bind: Record<string, string>[] } };
		expect(said(xml.recipe, xml.text)).to.deep.equal(
			tree.setup.bind.map((b) => ({ keys: b['@_on'], command: b['#text'], ...(b['@_why'] && { note: b['@_why'] }) }))
		);
	});

	it('say line and column of what they cannot read', () => {
		const [{ recipe }] = SAMPLES as [(typeof SAMPLES)[number]];
		expect(readWith(recipe, 'file', 'ln -> a\nnonsense\n  -> b\n').unknown).to.deep.equal([
			{ line: 2, column: 9, message: 'expected -> here' },
			{ line: 3, column: 3, message: 'expected the alias here' }
		]);
		const csv = SAMPLES[2]!.recipe;
		expect(readWith(csv, 'file', 'a,b,c\nln,"draw').unknown).to.deep.equal([
			{ line: 2, column: 4, message: 'a quote is opened here and never closed' }
		]);
		for (const [name, text, place] of [
			['json', '{"names": [', [1, 12]],
			['json', '{"names": 3}', [1, 11]],
			['yaml', 'aliases: [a', [1, 12]],
			['xml', '<a>\n<b></a>', [2, 8]],
			['xml', '<!DOCTYPE a [<!ENTITY x "y">]><a/>', [1, 1]]
		] as const)
			try {
				readWith(SAMPLES.find((s) => s.recipe.name === name)!.recipe, 'file', text);
				expect.fail(`${text} was read`);
			} catch (error) {
				if (!(error instanceof FileRefusedError)) throw error;
				expect([error.problems[0]!.line, error.problems[0]!.column], text).to.deep.equal(place);
			}
	});

	it('refuse templates and recipes that say too little', () => {
		for (const [template, why] of [
			['{alias}', /command/],
			['{alias}{command}', /there is nothing between/],
			['{alias} -> {comand}', /no field/],
			['{alias} -> {command}[{note}]', /begin with a sign/],
			['{alias} [', /begin with a sign|never closed/]
		] as const)
			expect(
				() =>
					Recipe.parse({ format: 'skarn-recipe', version: 1, name: 'x', holds: 'aliases', record: { shape: 'line', template } }),
				template
			).to.throw(why);
	});

	it('match a line of a megabyte in one pass', () => {
		const template = parseTemplate('{alias} -> {command}[ # {note}]');
		const long = `ln -> ${'-'.repeat(500_000)}#${' #'.repeat(250_000)}`;
		const found = matchTemplate(template, long, 0, long.length);
		expect(isMismatch(found)).to.equal(false);
	});

	it('spell keys both ways', () => {
		const spelling = KeySpelling.parse({
			ctrl: 'CTL',
			shift: 'SHF',
			joint: '-',
			then: ',',
			letters: 'lower',
			names: { Escape: 'ESC' },
			order: ['shift', 'ctrl', 'alt', 'meta']
		});
		for (const [theirs, ours] of [
			['SHF-CTL-f', 'Ctrl+Shift+F'],
			['ESC', 'Escape'],
			['g,f', 'G F'],
			['CTL-ESC', 'Ctrl+Escape']
		] as const) {
			expect(readKeys(theirs, spelling)).to.equal(ours);
			expect(writeKeys(parseKeys(ours), spelling)).to.equal(theirs);
		}
		expect(() => readKeys('CTL-', spelling)).to.throw(/not a key stroke/);
	});

	it('take a letter for the place of a key where the file means that, as xkb-data has the US layout', () => {
		const spelling = KeySpelling.parse({ by: 'position', letters: 'lower' });
		for (const code of WRITING_CODES.keys()) {
			const legend = code.startsWith('Intl') ? undefined : LAYOUTS.us.legend(code, 0);
			if (legend === undefined) continue;
			expect(readKeys(`Ctrl+${legend}`, spelling), code).to.equal(`Ctrl+${code}`);
			expect(writeKeys(parseKeys(`Ctrl+${code}`), spelling), code).to.equal(`Ctrl+${legend}`);
		}
		expect(readKeys('Ctrl+Escape', spelling)).to.equal('Ctrl+Escape');
	});

	it('keep encoding, byte order mark and mixed line ends', () => {
		const text = '\uFEFFä -> b\r\nc -> d\re -> f\n';
		const { recipe } = SAMPLES[0]!;
		for (const encoding of ['utf-8', 'utf-16le', 'utf-16be'] as const) {
			const bytes = encode('file', { text, encoding });
			const back = decode('file', bytes);
			expect(back).to.deep.equal({ text, encoding });
			expect(said(recipe, back.text).map((r) => (r as { alias: string }).alias)).to.deep.equal(['ä', 'c', 'e']);
		}
		const latin = Uint8Array.from([0xe4, 0x20, 0x2d, 0x3e, 0x20, 0x62, 0x0a]);
		expect(decode('file', latin)).to.deep.equal({ text: 'ä -> b\n', encoding: 'latin-1' });
		expect([...encode('file', decode('file', latin))]).to.deep.equal([...latin]);
		expect(() => encode('file', { text: 'a\nb€', encoding: 'latin-1' })).to.throw('line 2, column 2');
		expect(() => decode('file', Uint8Array.from([0x89, 0x50, 0, 1]))).to.throw('not a text file');
		expect(decode('file', new Uint8Array())).to.deep.equal({ text: '', encoding: 'utf-8' });
	});

	it('survive mutated files: a reading, or a refusal with its place', () => {
		for (const { recipe, text } of SAMPLES)
			fc.assert(
				fc.property(
					fc.array(
						fc.record({
							at: fc.nat(text.length),
							cut: fc.nat(12),
							put: fc.oneof(
								fc.string({ maxLength: 6 }),
								fc.constantFrom('"', '<', '&', '{', '[', '__proto__', '\0', '\r', '&lol;', '- ', ': ', '*a')
							)
						}),
						{ minLength: 1, maxLength: 4 }
					),
					(edits) => {
						let mutated = text;
						for (const { at, cut, put } of edits) mutated = mutated.slice(0, at) + put + mutated.slice(at + cut);
						try {
							const { records } = readWith(recipe, 'file', mutated);
							for (const { fields } of records)
								for (const { start, end } of Object.values(fields)) expect(end).to.be.within(start, mutated.length);
						} catch (error) {
							if (!(error instanceof FileRefusedError)) throw error;
							expect(error.problems[0]!.line).to.be.greaterThan(0);
						}
						expect(({} as Record<string, unknown>)['polluted']).to.equal(undefined);
					}
				),
				{ numRuns: 300 }
			);
	});
});

describe('a part of a line that may be missing', () => {
	it('ends where what follows it begins', () => {
		const recipe = Recipe.parse({
			format: 'skarn-recipe',
			version: 1,
			name: 'Parts',
			holds: 'bars',
			record: { shape: 'line', template: '{bar}[ / {tab} / {group}] : {command}[ = {label}]' }
		});
		const { records, unknown } = readWith(recipe, 'x', 'Work / Body / Take : solid.hole = Bore\nRow : file.save\n');
		expect(unknown).to.deep.equal([]);
		const said = records.map(({ fields }) =>
			Object.fromEntries(Object.entries(fields).map(([field, { value }]) => [field, value]))
		);
		expect(said).to.deep.equal([
			{ bar: 'Work', tab: 'Body', group: 'Take', command: 'solid.hole', label: 'Bore' },
			{ bar: 'Row', command: 'file.save' }
		]);
	});
});
