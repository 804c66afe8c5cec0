import { expect } from 'chai';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { lastTouching } from '../../../../core/profile/blame.ts';
import type { Edit } from '../../../../core/profile/edit.ts';
import { shortcutKey } from '../../../../core/shortcut/entry.ts';

const [entry, other] = gneiss.entriesOf('set | Ctrl+Alt+1 | file.pack | any\nset | Ctrl+Alt+2 | file.pack | any');
const edit = (revision: number, by: string, stratum: string, before: unknown, after: unknown): Edit =>
	({
		...{ revision, at: '2026-11-28T08:00:00.000Z', role: 'steward', by, stratum, label: `edit ${revision}` },
		changes: [{ chapter: 'shortcuts', stratum, before, after }]
	}) as never;

describe('who said something last', () => {
	const history = [
		edit(4, 'four', 'office', null, other),
		edit(3, 'three', 'office', { ...entry!, rank: 1 }, { ...entry!, rank: 2 }),
		edit(2, 'two', 'personal', null, entry),
		edit(1, 'one', 'office', null, { ...entry!, rank: 1 })
	];
	const at = (stratum: string, chapter = 'shortcuts') => ({ chapter, stratum, key: shortcutKey(entry!) });

	it('is the newest edit that touched it in its stratum', () => {
		expect(lastTouching(history, at('office'))?.by).to.equal('three');
		expect(lastTouching(history, at('personal'))?.by).to.equal('two');
	});

	it('is nobody of whom this history tells', () => {
		expect(lastTouching(history, at('glass'))).to.equal(undefined);
		expect(lastTouching(history, at('office', 'options'))).to.equal(undefined);
		expect(lastTouching([], at('office'))).to.equal(undefined);
	});

	it('is also whoever took it away', () => {
		expect(lastTouching([edit(5, 'five', 'office', entry, null), ...history], at('office'))?.by).to.equal('five');
	});
});
