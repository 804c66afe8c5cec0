import { Ajv2020 } from 'ajv/dist/2020.js';
import { expect } from 'chai';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { FileRefusedError, LARGEST_FILE, refuseBySize, textOf } from '../../../../core/format/problem.ts';
import { profileFile, readProfileFile, writeProfileFile } from '../../../../core/hand-over/profile-file.ts';
import { readShortcutsCsv, writeShortcutsCsv } from '../../../../core/hand-over/shortcuts-csv.ts';
import { bringShortcuts, compareShortcuts } from '../../../../core/chapters/shortcuts/import.ts';
import { applyChanges } from '../../../../core/shortcut/change.ts';
import { shortcutsIn, type Entry } from '../../../../core/shortcut/entry.ts';
import { acceptances } from '../../../../core/chapters/acceptances/chapter.ts';
import type { FileRow } from '../../../../core/chapter/chapter.ts';
import { saidIn } from '../../../../core/hand-over/selection.ts';
import { inOrder } from '../../../../core/strata/entry.ts';
import { withAcceptances } from '../../strata.ts';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { schemas } from '../../../../scripts/schemas.ts';
import { small } from '../../arbitrary.ts';
import { demoIndex, demoProfile } from '../../demo-office.ts';

const { application } = gneiss;

const profile = demoProfile();
const text = writeProfileFile(profileFile(application, profile));

describe('profile file', () => {
	it('holds everything: what is read is what was written', () => {
		fc.assert(
			fc.property(small(), (app) => {
				const { rows, refused } = readProfileFile('x.json', writeProfileFile(profileFile(application, app.profile)));
				expect(refused).to.deep.equal([]);
				const written = app.profile.flatMap((s) =>
					inOrder(shortcutsIn(s)).map((said) => ({ said: { ...said, rank: 0 }, stratum: s.id }))
				);
				expect(rows.map(({ said, stratum }) => ({ said, stratum }))).to.deep.equal(written);
			})
		);
	});

	it('is valid by the published JSON Schema, checked by ajv', () => {
		const published = JSON.parse(
			readFileSync(new URL('../../../../docs/schema/skarn-profile-2.schema.json', import.meta.url), 'utf8')
		) as object;
		const validate = new Ajv2020({ strict: false }).compile(published);
		expect(validate(JSON.parse(text)), JSON.stringify(validate.errors)).to.equal(true);
		const wrong = JSON.parse(text) as { strata: { chapters: { shortcuts: { op: string }[] } }[] };
		wrong.strata[0]!.chapters.shortcuts[0]!.op = 'add';
		expect(validate(wrong)).to.equal(false);
	});

	it('carries acceptances, and finds them the same when read again', () => {
		const [factory, office, personal] = demoProfile();
		const acceptance = {
			op: 'set',
			finding: 'clash\n\nF',
			circumstances: '0badcafe',
			reason: 'two reviewers asked',
			role: 'steward',
			command: 'view.fit' as Entry['command'],
			keys: 'F',
			scope: {},
			rank: 0
		} as const;
		const accepted = [factory!, withAcceptances(office!, [acceptance]), personal!];
		const { rows, refused } = readProfileFile('x.json', writeProfileFile(profileFile(application, accepted)));
		expect(refused).to.deep.equal([]);
		const mine = rows.filter((row) => row.chapter === acceptances.id);
		expect(mine.map((row) => row.said)).to.deep.equal([acceptance]);
		const ground = { index: demoIndex(accepted), profile: accepted };
		const items = acceptances.compare(mine as never, ground, { targetOf: (row) => row.stratum!, saysAll: true });
		expect(items.map((item) => item.state)).to.deep.equal(['same']);
	});

	it('takes the rest where a chapter is not known, and says which with its pointer', () => {
		const { rows, refused } = readProfileFile('x.json', text.replace('"shortcuts":', '"wheels":'));
		expect(refused.map((r) => r.pointer)).to.deep.equal(['/strata/0/chapters/wheels']);
		expect(refused[0]!.message).to.include('knows no chapter "wheels"').and.include('shortcuts');
		expect(rows).to.have.length([...saidIn(profile)].length - shortcutsIn(profile[0]!).size);
	});

	it('has schemas in docs/schema that are those of the code', () => {
		for (const [name, schema] of Object.entries(schemas()))
			expect(JSON.parse(readFileSync(new URL(`../../../../docs/schema/${name}`, import.meta.url), 'utf8')), name).to.deep.equal(
				schema
			);
	});

	it('refuses broken JSON with line and column', () => {
		const cut = text.slice(0, text.indexOf('"version"') + 12);
		try {
			readProfileFile('cut.json', cut);
			expect.fail('was read');
		} catch (error) {
			expect(error).to.be.instanceOf(FileRefusedError);
			const [problem] = (error as FileRefusedError).problems;
			expect(problem!.line).to.equal(cut.split('\n').length);
			expect(problem!.message).to.include('not JSON');
		}
	});

	it('refuses a document of another kind with the pointer', () => {
		expect(() => readProfileFile('x.json', '{\n  "format": "other"\n}')).to.throw(FileRefusedError, 'line 2, column 13');
		expect(() => readProfileFile('x.json', '[]')).to.throw(FileRefusedError);
		expect(() => readProfileFile('x.json', 'null')).to.throw(FileRefusedError);
	});

	it('refuses single entries with line and pointer and keeps the rest', () => {
		const broken = text.replace('"keys":"Ctrl+N"', '"keys":"Ctrl+Nope"').replace('"command":"file.open"', '"comand":"file.open"');
		const { rows, refused } = readProfileFile('x.json', broken);
		expect(rows).to.have.length([...saidIn(profile)].length - 2);
		expect(refused.map((r) => r.pointer)).to.deep.equal([
			'/strata/0/chapters/shortcuts/0/keys',
			'/strata/0/chapters/shortcuts/1/command'
		]);
		expect(refused[0]!.line).to.equal(broken.split('\n').findIndex((l) => l.includes('Nope')) + 1);
		expect(refused[0]!.message).to.include('expected one character or a key name');
	});

	it('reads each entry as it would alone, whatever was read before it', () => {
		const part = <T>(sound: readonly T[], broken: readonly unknown[]) =>
			fc.oneof({ weight: 6, arbitrary: fc.constantFrom<unknown>(...sound) }, fc.constantFrom(...broken));
		const entry = fc.record(
			{
				op: part(['set', 'remove', 'lock'], ['accept', '', 7]),
				command: part(['draw.wall', 'draw.door'], ['', 'Draw Wall', null]),
				keys: part(['Ctrl+E', 'ctrl+e', 'G F'], ['', 'Nope+E', ['Ctrl+E']]),
				scope: part<object>(
					[{}, { document: ['part'] }, { document: ['part'], selection: ['edge'] }],
					['', { document: [] }, []]
				),
				more: fc.constant(1)
			},
			{ requiredKeys: ['op', 'command', 'keys'] }
		);
		const reading = (entries: readonly unknown[]) => {
			const [stratum] = profileFile(application, profile).strata;
			const file = { ...profileFile(application, profile), strata: [{ ...stratum!, chapters: { shortcuts: entries } }] };
			const { rows, refused } = readProfileFile('x.json', JSON.stringify(file));
			return {
				rows: rows.map(({ said }) => said),
				refused: refused.map(({ pointer, message }) => ({ pointer: pointer!.replace(/shortcuts\/\d+/, 'shortcuts'), message }))
			};
		};
		fc.assert(
			fc.property(fc.array(entry, { maxLength: 12 }), (entries) => {
				const alone = entries.map((one) => reading([one]));
				expect(reading(entries)).to.deep.equal({
					rows: alone.flatMap((r) => r.rows),
					refused: alone.flatMap((r) => r.refused)
				});
			}),
			{ numRuns: 200 }
		);
	});

	it('keeps a key named __proto__ a plain key, which the schema refuses', () => {
		expect(() => readProfileFile('x.json', text.replace('"format"', '"__proto__": {"polluted": true}, "format"'))).to.throw(
			FileRefusedError
		);
		expect(({} as Record<string, unknown>)['polluted']).to.equal(undefined);
	});
});

describe('shortcuts in CSV', () => {
	it('come back as they were written', () => {
		fc.assert(
			fc.property(small(), (app) => {
				const { rows, refused } = readShortcutsCsv('x.csv', writeShortcutsCsv(app.profile, app.index.catalogue));
				expect(refused).to.deep.equal([]);
				const written = app.profile.flatMap((s) =>
					inOrder(shortcutsIn(s)).map(({ op, command, keys, scope }) => [op, command, keys, Object.keys(scope).sort(), s.id])
				);
				expect(rows.map(({ said: s, stratum }) => [s.op, s.command, s.keys, Object.keys(s.scope).sort(), stratum])).to.deep.equal(
					written
				);
			})
		);
	});

	it('refuse rows one by one, with line and column', () => {
		const { rows, refused } = readShortcutsCsv(
			'x.csv',
			'command,keys,scope\nfile.open,Ctrl+O,\nfile.new,Ctr+N,\n"a ""b""\nc",F5,pane\n,A,\n'
		);
		expect(rows).to.have.length(1);
		expect(refused.map((r) => [r.line, r.column])).to.deep.equal([
			[3, 2],
			[4, 1],
			[6, 1]
		]);
		expect(refused[0]!.message).to.include('"Ctr" is not a modifier');
	});

	it('refuse a file without the columns they need', () => {
		expect(() => readShortcutsCsv('x.csv', 'press,what\nA,b')).to.throw(
			FileRefusedError,
			'there is no column "keys"; found press, what'
		);
	});
});

describe('import preview', () => {
	const index = demoIndex();
	const ground = { index, profile };
	const comparing = { targetOf: (row: FileRow) => row.stratum ?? profile[2]!.id, saysAll: false };
	const ofShortcuts = (rows: readonly FileRow[]) => rows.filter((row) => row.chapter === 'shortcuts') as FileRow<Entry>[];

	it('of an export is all the same, and importing it changes nothing', () => {
		for (const rows of [
			ofShortcuts(readProfileFile('x.json', text).rows),
			readShortcutsCsv('x.csv', writeShortcutsCsv(profile, index.catalogue)).rows
		]) {
			const items = compareShortcuts(rows, ground, comparing);
			expect(new Set(items.map((p) => p.state))).to.deep.equal(new Set(['same']));
		}
	});

	it('tells new, replaced, same and refused apart', () => {
		const csv =
			'keys,command,scope,stratum\nAlt+Z,file.quit,,personal\nF,view.zoom-box,,personal\nCtrl+S,file.save,,office\nA,file.nowhere,,personal\nA,file.quit,pane=attic,personal\nAlt+Z,file.quit,,personal\nCtrl+J,file.quit,,factory\nCtrl+S,file.save-all,,personal\n';
		const preview = compareShortcuts(readShortcutsCsv('x.csv', csv).rows, ground, comparing);
		expect(preview.map((p) => p.state)).to.deep.equal([
			'new',
			'replaced',
			'same',
			'refused',
			'refused',
			'refused',
			'refused',
			'refused'
		]);
		expect(preview[1]!.gone).to.equal(`takes it from ${index.catalogue.get('view.fit' as never)!.label}`);
		expect(preview.slice(3).map((p) => p.reason)).to.satisfy((reasons: string[]) =>
			[
				/not in the catalogue/,
				/no context "attic"/,
				/is already on line 2/,
				/factory level is read-only/,
				/Office has locked/
			].every((r, i) => r.test(reasons[i]!))
		);
		const open = preview.filter((item) => item.state === 'new' || item.state === 'replaced');
		const { changes } = bringShortcuts(open, ground);
		const after = demoIndex(applyChanges(profile, changes));
		expect(after.on('Alt+Z' as never).map((b) => b.command)).to.deep.equal(['file.quit']);
		expect(after.on('F' as never).map((b) => b.command)).to.have.members(['view.zoom-box', 'solid.fillet']);
	});
});

describe('files', () => {
	it('over 50 MB are refused by size, and bytes that are no text by their kind', () => {
		expect(() => refuseBySize('big.json', LARGEST_FILE + 1)).to.throw(
			FileRefusedError,
			'big.json, line 1, column 1: the file has 50 MB; the maximum is 50 MB. Export less, or split the file'
		);
		expect(() => textOf('x.bin', Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 0]))).to.throw(FileRefusedError, 'not a text file');
		expect(textOf('x.txt', Uint8Array.from([0xff, 0xfe, 0x41, 0]))).to.equal('A');
	});
});
