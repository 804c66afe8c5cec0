import { expect } from 'chai';
import type { Dock, ItemId } from '../../../../../core/chapters/bars/bar.ts';
import { barTree } from '../../../../../core/chapters/bars/tree.ts';
import { changeItem, lockPosition, moveItem, takeOut } from '../../../../../core/chapters/bars/writing.ts';
import { findingsIn } from '../../../../../core/profile/checkers.ts';
import { circumstancesOf } from '../../../../../core/profile/circumstances.ts';
import { applyEdit, type AnyChange } from '../../../../../core/profile/edit.ts';
import { groundFor, problemsOf } from '../../../../../core/profile/problems.ts';
import { compareFile } from '../../../../../core/hand-over/compare.ts';
import { SECTIONS } from '../../../../../core/hand-over/selection.ts';
import { stratumById, type Profile, type StratumId } from '../../../../../core/strata/stratum.ts';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import { demoProfile, subjectOf } from '../../../demo-office.ts';

const [OFFICE, PERSONAL] = ['office', 'personal'] as StratumId[] as [StratumId, StratumId];
const subject = subjectOf(gneiss);
const before = demoProfile();
const bar = barTree(before).bars.find(({ item }) => item.form === 'toolbar')!;
const left: Dock = { edge: 'right', row: 3 };
const told = (profile: Profile, changes: readonly AnyChange[]) =>
	problemsOf(changes, groundFor(subject, profile, changes)).map((p) => p.message);

describe('a lock of where a bar stands', () => {
	const locked = applyEdit(before, lockPosition(stratumById(before, OFFICE), bar.id, true));
	const dockOf = (profile: Profile) => barTree(profile).byId.get(bar.id)!.item;

	it('is not about the bar: its name, its places and whether it shows are free', () => {
		expect(barTree(locked).byId.get(bar.id)!.keptBy?.id).to.equal(OFFICE);
		expect(barTree(locked).byId.get(bar.id)!.lockedBy).to.equal(undefined);
		const renamed = changeItem(locked, PERSONAL, bar.id, { ...bar.item, name: 'Mine', hidden: true });
		expect(told(locked, renamed)).to.deep.equal([]);
		expect(dockOf(applyEdit(locked, renamed))).to.deep.equal({ ...bar.item, name: 'Mine', hidden: true });
		expect(told(locked, takeOut(locked, PERSONAL, [bar.id]))).to.deep.equal([]);
	});

	it('refuses from above that it stands elsewhere, by name of who has locked, and not from where it was locked', () => {
		const away = changeItem(locked, PERSONAL, bar.id, { ...bar.item, dock: left });
		expect(told(locked, away)).to.deep.equal([`Office has locked the position of ${bar.item.name}`]);
		expect(told(locked, moveItem(locked, PERSONAL, bar.id, null, 0))).to.have.length(1);
		expect(told(locked, changeItem(locked, OFFICE, bar.id, { ...bar.item, dock: left }))).to.deep.equal([]);
		const free = applyEdit(locked, lockPosition(stratumById(locked, OFFICE), bar.id, false));
		expect(barTree(free).byId.get(bar.id)!.keptBy).to.equal(undefined);
		expect(told(free, away)).to.deep.equal([]);
	});

	it('holds what was moved before it, keeps the rest of it, and says so', () => {
		const moved = applyEdit(before, changeItem(before, PERSONAL, bar.id, { ...bar.item, name: 'Mine', dock: left }));
		const after = applyEdit(moved, lockPosition(stratumById(moved, OFFICE), bar.id, true));
		expect(dockOf(after)).to.deep.equal({ ...bar.item, name: 'Mine' });
		const found = findingsIn({ circumstances: circumstancesOf(subject, after, [], null), profile: after, released: undefined }, [
			'bars'
		]);
		const finding = found.find((f) => f.rule === 'locked' && f.sentence().includes(bar.id))!;
		expect(finding.sentence()).to.equal(
			`Personal changes ${bar.id} in the toolbars without effect: Office has locked the position of Mine; the rest is used.`
		);
		const [fix] = finding.fixes({ profile: after, target: PERSONAL });
		expect(fix?.label).to.match(/^Remove/);
	});

	it('is kept where the office itself moves the bar afterwards: there it stands for all', () => {
		const moved = applyEdit(locked, changeItem(locked, OFFICE, bar.id, { ...bar.item, dock: left }));
		expect((dockOf(moved) as typeof bar.item).dock).to.deep.equal(left);
	});

	it('is told where there is no such bar, and goes through a file as it is', () => {
		const gone = applyEdit(before, lockPosition(stratumById(before, OFFICE), 'nothing' as ItemId, true));
		expect(
			barTree(gone)
				.idle.filter(({ entry }) => entry.id === 'nothing')
				.map(({ why }) => why)
		).to.deep.equal(['there is nothing to lock']);
		const row = {
			chapter: 'bars',
			line: 1,
			stratum: PERSONAL,
			said: { op: 'set', id: bar.id, parent: null, order: bar.order, item: { ...bar.item, dock: left }, rank: 0 }
		};
		const selection = {
			sections: SECTIONS.map((s) => (typeof s === 'string' ? s : (s as { id: string }).id)),
			contexts: {},
			categories: []
		};
		const { items } = compareFile(subject, locked, { rows: [row] }, { selection, into: undefined, otherwise: PERSONAL });
		expect(items.map(({ state, reason }) => [state, reason])).to.deep.equal([
			['refused', `Office has locked the position of ${bar.item.name}`]
		]);
	});
});
