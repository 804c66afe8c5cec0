import { expect } from 'chai';
import fc from 'fast-check';
import {
	ARRANGEMENTS,
	arranged,
	pathsAt,
	search,
	SearchPaths,
	withLook,
	type SearchFolder
} from '../../../../core/folders/search.ts';
import { searchPaths } from '../../../../demo/folders.ts';

const folders: SearchFolder[] = [
	{ path: 'P:/own', kind: 'personal', writable: true },
	{ path: 'S:\\Standard', kind: 'office', writable: true },
	{ path: 'C:/Program', kind: 'program', writable: false }
];
const at = (path: string, modified = '2026-01-01T00:00:00Z') => ({ path, modified });
const paths = (disks: SearchPaths['disks'], written = false): SearchPaths =>
	SearchPaths.parse({
		files: [{ name: 'names.txt', holds: 'aliases', written }],
		groups: [{ name: 'Drawing', seats: Object.keys(disks), folders }],
		disks
	});

describe('which file wins', () => {
	it('is the first in the order of the folders, whatever slash and case the disk has', () => {
		const [one] = search(paths({ 'C-01': [at('c:/program/names.txt'), at('S:/standard/NAMES.TXT')] }));
		expect(one!.folder?.kind).to.equal('office');
		expect(one!.trace.map((t) => t.outcome)).to.deep.equal(['not there', 'read', 'masked']);
		expect(one!.warnings).to.deep.equal([]);
	});

	it('agrees with trying the folders one by one', () => {
		fc.assert(
			fc.property(fc.subarray(folders), (there) => {
				const [one] = search(paths({ 'C-01': there.map((f) => at(`${f.path}/names.txt`)) }));
				expect(one!.folder?.path).to.equal(folders.find((f) => there.includes(f))?.path);
			})
		);
	});

	it('is not known where nobody has looked: nothing is said to be there, to be missing, or to differ from others', () => {
		const known = paths({ 'C-01': [at('P:/own/names.txt')] });
		const [group] = known.groups;
		const both = search({ ...known, groups: [{ ...group!, seats: ['C-01', 'C-02'] }] });
		expect(both.map((s) => [s.seat, s.isKnown, s.folder?.kind])).to.deep.equal([
			['C-01', true, 'personal'],
			['C-02', false, undefined]
		]);
		expect(both.flatMap((s) => s.warnings)).to.deep.equal([]);
		expect(both[1]!.trace.map((t) => t.outcome)).to.deep.equal(['unknown', 'unknown', 'unknown']);
		const look = { at: '2026-02-01T00:00:00Z', by: null };
		const seen = withLook({ ...known, groups: [{ ...group!, seats: ['C-01', 'C-02'] }] }, 'C-02', [], look);
		expect(search(seen).map((s) => s.warnings.map((w) => w.kind))).to.deep.equal([[], ['missing', 'only some']]);
		expect(seen.looked).to.deep.equal({ 'C-02': look });
		expect(pathsAt(seen, 'C-02')).to.deep.equal(folders.map((f) => `${f.path}/names.txt`));
		expect(pathsAt(seen, 'C-09')).to.deep.equal([]);
	});

	it('warns of a stale personal file, of one that must be written and may not, and of one that only some seats see', () => {
		const kinds = (p: SearchPaths) => search(p).map((s) => s.warnings.map((w) => w.kind));
		const own = at('P:/own/names.txt', '2026-01-01T00:00:00Z');
		expect(kinds(paths({ 'C-01': [own, at('S:/Standard/names.txt', '2026-06-01T00:00:00Z')] }))).to.deep.equal([['stale']]);
		expect(kinds(paths({ 'C-01': [own, at('S:/Standard/names.txt', '2025-06-01T00:00:00Z')] }))).to.deep.equal([[]]);
		expect(kinds(paths({ 'C-01': [at('C:/Program/names.txt')] }, true))).to.deep.equal([['read-only']]);
		expect(kinds(paths({ 'C-01': [own], 'C-02': [own], 'C-03': [] }))).to.deep.equal([[], [], ['missing', 'only some']]);
	});

	it('has the three arrangements, in which the office copy is the steward’s alone', () => {
		expect(ARRANGEMENTS.map((a) => arranged(folders, a).map((f) => f.kind))).to.deep.equal([
			['personal', 'program'],
			['office', 'program'],
			['personal', 'office', 'program']
		]);
		expect(arranged(folders, 'one copy')[0]!.writable).to.equal(false);
	});

	it('refuses a path out of its folder and a seat in two groups', () => {
		expect(() => SearchPaths.parse({ files: [{ name: '../x', holds: 'x', written: false }], groups: [], disks: {} })).to.throw(
			/without \.\./
		);
		const group = { name: 'A', seats: ['C-01'], folders };
		expect(() => SearchPaths.parse({ files: [], groups: [group, { ...group, name: 'B' }], disks: {} })).to.throw(
			/groups A and B/
		);
	});

	it('has an example of every warning in the demo office', () => {
		const kinds = new Set(search(searchPaths).flatMap((s) => s.warnings.map((w) => w.kind)));
		expect([...kinds].sort()).to.deep.equal(['missing', 'only some', 'read-only', 'stale']);
	});
});
