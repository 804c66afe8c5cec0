import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import { bring, itemsOf, refusals } from '../../../../core/hand-over/bring.ts';
import { compareFile, type Wanted } from '../../../../core/hand-over/compare.ts';
import { profileFile, readProfileFile, writeProfileFile } from '../../../../core/hand-over/profile-json.ts';
import { SECTIONS, USUAL } from '../../../../core/hand-over/selection.ts';
import { applyEdit } from '../../../../core/profile/edit.ts';
import { stratumOf, type Profile, type StratumId } from '../../../../core/profile/stratum.ts';
import { searchPaths } from '../../../../demo/folders.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import { demoProfile, subjectOf } from '../../demo-office.ts';

const subject = subjectOf(varve);
const profile = demoProfile(varve);
const empty: Profile = varve.strata.map((head) => (head.kind === 'factory' ? profile[0]! : stratumOf(head, [])));
const personal = 'personal' as StratumId;
const file = readProfileFile('theirs.json', writeProfileFile(profileFile(varve.application, profile, searchPaths)));
const compare = (into: Profile, more: Partial<Wanted> = {}) =>
	compareFile(subject, into, file, { selection: USUAL, into: undefined, otherwise: personal, ...more });

describe('a file compared with a profile', () => {
	it('says what it holds of each part, whatever is selected', () => {
		const { holds } = compare(empty);
		expect(holds.shortcuts).to.equal(file.rows.filter((r) => r.op !== 'accept').length);
		expect(holds.acceptances).to.equal(file.rows.filter((r) => r.op === 'accept').length);
		expect(holds.macros + holds.machine).to.be.greaterThan(holds.macros);
		expect(compare(empty, { selection: { ...USUAL, sections: ['macros'] } }).holds).to.deep.equal(holds);
	});

	it('knows macros that come with the file when it looks at their shortcuts', () => {
		const onMacro = file.rows.filter((row) => row.shortcut.command.startsWith('macro:'));
		expect(onMacro).to.not.deep.equal([]);
		// those that launch programs are of one machine, and stay out with their macro
		const all = compare(empty, { selection: { ...USUAL, sections: SECTIONS } });
		expect(all.rows.filter((row) => row.state === 'refused')).to.deep.equal([]);
		const without = compare(empty, { selection: { ...USUAL, sections: ['shortcuts'] } });
		const refused = without.rows.filter((row) => row.state === 'refused');
		expect(refused.map((row) => row.row.shortcut.command)).to.deep.equal(onMacro.map((row) => row.shortcut.command));
		expect(refused[0]!.reason).to.include('is not in the catalogue');
	});

	it('sends everything into one stratum, and every shortcut into one scope, when it is told to', () => {
		const [axis] = subject.space.axes;
		const only = { [axis!.id]: [axis!.nodes[0]!.id] };
		const { rows, macros, aliases } = compare(empty, { into: personal, scope: only });
		expect(
			new Set([...rows.map((r) => r.target), ...macros.map((m) => m.stratum), ...aliases.map((a) => a.stratum)])
		).to.deep.equal(new Set([personal]));
		for (const { row } of rows) if (row.op !== 'accept') expect(row.shortcut.scope).to.deep.equal(only);
	});

	it('leaves where files lie out unless it is ticked', () => {
		expect(compare(empty).folders).to.equal(undefined);
		expect(compare(empty, { selection: { ...USUAL, sections: ['machine'] } }).folders).to.deep.equal(searchPaths);
	});

	it('loses nothing silently that names a stratum which is not here', () => {
		const narrow = empty.filter((stratum) => stratum.id !== 'personal');
		const compared = compare(narrow);
		const items = itemsOf(narrow, compared, undefined);
		const gone = items.filter((item) => item.target === personal);
		expect(new Set(gone.map((item) => item.kind))).to.deep.equal(new Set(['aliases', 'macro', 'shortcut']));
		for (const item of gone) expect(item.state).to.equal('refused');
		const told = refusals([], items).map(({ message }) => message);
		expect(told).to.have.length(gone.length);
		for (const message of told) expect(message).to.include('there is no stratum "personal" here');
		expect(told.some((m) => m.startsWith('the aliases of personal: '))).to.equal(true);
		expect(told.some((m) => m.startsWith('the macro '))).to.equal(true);
	});

	it('never writes the factory, and says so of aliases and macros as well', () => {
		const items = itemsOf(empty, compare(empty, { into: 'factory' as StratumId }), undefined);
		const open = items.filter((item) => item.state === 'new' || item.state === 'replaced');
		expect(open).to.deep.equal([]);
		for (const item of items) if (item.kind === 'macro') expect(item.reason).to.include('never written');
	});

	it('brings all of it in one edit, after which the same file would change nothing', () => {
		const { index, ...compared } = compare(empty, { selection: { ...USUAL, sections: SECTIONS } });
		const { said, left, folders } = bring(index, empty, itemsOf(empty, compared, undefined));
		expect(left).to.deep.equal([]);
		expect(folders).to.deep.equal(searchPaths);
		const after = applyEdit(empty, said);
		const again = itemsOf(after, compare(after, { selection: { ...USUAL, sections: SECTIONS } }), searchPaths);
		expect(again.filter((item) => item.state !== 'same')).to.deep.equal([]);
	});
});
