import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import { bring, foldersItem, refusals } from '../../../../core/hand-over/bring.ts';
import { compareFile, type Wanted } from '../../../../core/hand-over/compare.ts';
import { profileFile, readProfileFile, writeProfileFile } from '../../../../core/hand-over/profile-file.ts';
import { SECTIONS, USUAL } from '../../../../core/hand-over/selection.ts';
import type { Item } from '../../../../core/chapter/chapter.ts';
import { shortcutsIn, type Entry } from '../../../../core/shortcut/entry.ts';
import { applyEdit } from '../../../../core/profile/edit.ts';
import type { Profile, StratumId } from '../../../../core/strata/stratum.ts';
import { stratumOf } from '../../strata.ts';
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
		const inFile = (chapter: string) => file.rows.filter((row) => row.chapter === chapter).length;
		for (const chapter of ['shortcuts', 'acceptances']) expect(holds[chapter]).to.equal(inFile(chapter));
		// where files lie counts once
		expect(holds['macros']! + holds['options']! + holds['machine']! - 1).to.equal(inFile('macros') + inFile('options'));
		expect(holds['machine']).to.be.greaterThan(1);
		expect(compare(empty, { selection: { ...USUAL, sections: ['macros'] } }).holds).to.deep.equal(holds);
	});

	it('knows macros that come with the file when it looks at their shortcuts', () => {
		const onMacro = file.rows.flatMap(({ chapter, said }) => {
			const { command } = said as Entry;
			return chapter === 'shortcuts' && command.startsWith('macro:') ? [command] : [];
		});
		expect(onMacro).to.not.deep.equal([]);
		// those that launch programs are of one machine, and stay out with their macro
		const all = compare(empty, { selection: { ...USUAL, sections: SECTIONS } });
		expect(all.items.filter((item) => item.state === 'refused')).to.deep.equal([]);
		const without = compare(empty, { selection: { ...USUAL, sections: ['shortcuts'] } });
		const refused = without.items.filter((item) => item.state === 'refused');
		expect(refused.map((item) => item.caption.label)).to.deep.equal(onMacro);
		expect(refused[0]!.reason).to.include('is not in the catalogue');
	});

	it('sends everything into one stratum, and every shortcut into one scope, when it is told to', () => {
		const [axis] = subject.space.axes;
		const only = { [axis!.id]: [axis!.nodes[0]!.id] };
		const { items, index } = compare(empty, { into: personal, scope: only });
		expect(new Set(items.map((item) => item.target))).to.deep.equal(new Set([personal]));
		for (const { chapter, caption } of items)
			if (chapter === 'shortcuts') expect(caption.detail).to.equal(index.space.scopeLabel(only as never));
	});

	it('removes by a file what the stratum says itself, and what one below says; a lock comes as a lock', () => {
		const [one, two] = varve.commands.filter((c) => c.contexts.length === 0).map((c) => c.id);
		const said = (op: Entry['op'], command: string, keys: string, rank = 0) => ({ op, command, keys, scope: {}, rank }) as Entry;
		const before: Profile = varve.strata.map((head, i) =>
			stratumOf(head, i === 1 ? [said('set', one!, 'Ctrl+Alt+1')] : i === 2 ? [said('set', two!, 'Ctrl+Alt+2')] : [])
		);
		const rows = [said('remove', one!, 'Ctrl+Alt+1'), said('remove', two!, 'Ctrl+Alt+2')];
		const brought = (entries: readonly Entry[]) => {
			const given = { rows: entries.map((entry, i) => ({ chapter: 'shortcuts', line: i + 1, stratum: undefined, said: entry })) };
			const { index, items } = compareFile(subject, before, given as never, {
				selection: USUAL,
				into: undefined,
				otherwise: personal
			});
			const { changes, left } = bring(index, before, items);
			expect(left).to.deep.equal([]);
			return [...shortcutsIn(applyEdit(before, changes)[2]!).values()].map(({ op, keys }) => `${op} ${keys}`);
		};
		// its own goes, that of the office is hidden
		expect(brought(rows)).to.deep.equal(['remove Ctrl+Alt+1']);
		expect(brought([said('lock', two!, 'Ctrl+Alt+2')])).to.have.members(['set Ctrl+Alt+2', 'lock Ctrl+Alt+2']);
	});

	it('leaves where files lie out unless it is ticked', () => {
		expect(compare(empty).folders).to.equal(undefined);
		expect(compare(empty, { selection: { ...USUAL, sections: ['machine'] } }).folders).to.deep.equal(searchPaths);
	});

	it('loses nothing silently that names a stratum which is not here', () => {
		const narrow = empty.filter((stratum) => stratum.id !== 'personal');
		const { items } = compare(narrow);
		const gone = items.filter((item) => item.target === personal);
		expect(new Set(gone.map((item) => item.chapter))).to.deep.equal(new Set(['aliases', 'macros', 'options', 'shortcuts']));
		for (const item of gone) expect(item.state).to.equal('refused');
		const told = refusals([], items).map(({ message }) => message);
		expect(told).to.have.length(gone.length);
		for (const message of told) expect(message).to.include('there is no level "personal" here');
		expect(told.some((m) => m.startsWith('alias file Alias file, '))).to.equal(true);
		expect(told.some((m) => m.startsWith('macro '))).to.equal(true);
	});

	it('never writes the factory, and says so of aliases and macros as well', () => {
		const { items } = compare(empty, { into: 'factory' as StratumId });
		const open = items.filter((item) => item.state === 'new' || item.state === 'replaced');
		expect(open).to.deep.equal([]);
		for (const item of items) if (item.chapter === 'macros') expect(item.reason).to.include('read-only');
	});

	it('brings all of it in one edit, after which the same file would change nothing', () => {
		const { index, items, folders: places } = compare(empty, { selection: { ...USUAL, sections: SECTIONS } });
		const { changes, left, folders } = bring(index, empty, [foldersItem(empty, places!, undefined), ...items]);
		expect(left).to.deep.equal([]);
		expect(folders).to.deep.equal(searchPaths);
		const after = applyEdit(empty, changes);
		const again: readonly Item[] = compare(after, { selection: { ...USUAL, sections: SECTIONS } }).items;
		expect(again.filter((item) => item.state !== 'same')).to.deep.equal([]);
		expect(foldersItem(after, searchPaths, searchPaths).state).to.equal('same');
	});
});
