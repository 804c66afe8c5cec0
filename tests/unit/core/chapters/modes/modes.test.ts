import { expect } from 'chai';
import { bars } from '../../../../../core/chapters/bars/chapter.ts';
import { BARS } from '../../../../../core/chapters/bars/bar.ts';
import { whereShown } from '../../../../../core/chapters/bars/boxes.ts';
import { barTree } from '../../../../../core/chapters/bars/tree.ts';
import { copyBars } from '../../../../../core/chapters/bars/writing.ts';
import { favouritesOn, leadsTo, MODES, modesInForce, profileSpace, switchesTo } from '../../../../../core/chapters/modes/mode.ts';
import { favour, freshModeId, lockMode, setMode, takeAway } from '../../../../../core/chapters/modes/writing.ts';
import { check, Checks } from '../../../../../core/chapters/shortcuts/check/check.ts';
import type { CommandId } from '../../../../../core/application/command.ts';
import type { AxisId, NodeId } from '../../../../../core/context/axis.ts';
import { indexesOf } from '../../../../../core/context/bits.ts';
import { findingsIn } from '../../../../../core/profile/checkers.ts';
import { circumstancesOf, indexOf } from '../../../../../core/profile/circumstances.ts';
import { applyEdit, inverseEdit, type AnyChange } from '../../../../../core/profile/edit.ts';
import { followEdit } from '../../../../../core/profile/follow-edit.ts';
import { groundFor, problemsOf } from '../../../../../core/profile/problems.ts';
import { ofShortcuts } from '../../../../../core/shortcut/change.ts';
import { stratumById, type Profile, type StratumId } from '../../../../../core/strata/stratum.ts';
import { tuff } from '../../../../../demo/tuff/tuff.ts';
import { demoProfile, subjectOf } from '../../../demo-office.ts';

const [OFFICE, PERSONAL] = ['office', 'personal'] as StratumId[] as [StratumId, StratumId];
const MODE = 'mode' as AxisId;
const node = (id: string) => id as NodeId;
const subject = subjectOf(tuff);
const bare: Profile = demoProfile(tuff, 3).map((stratum) => ({
	...stratum,
	contents: { ...stratum.contents, [MODES]: undefined }
}));
const edited = (profile: Profile, ...steps: ((now: Profile) => readonly AnyChange[])[]): Profile =>
	steps.reduce((now, step) => applyEdit(now, step(now)), profile);
const mode =
	(id: string, label: string, from: string, kind: 'shared' | 'own' = 'shared', by = PERSONAL) =>
	(now: Profile) =>
		setMode(stratumById(now, by), node(id), { axis: MODE, label, from: node(from), bars: kind });
const shortcut = (keys: string, command: string, scope: object) => (now: Profile) =>
	ofShortcuts([
		{
			stratum: PERSONAL,
			before: null,
			after: { op: 'set', keys, command, scope, rank: 900 + now.length } as never
		}
	]);
const found = (profile: Profile, chapter = MODES) =>
	findingsIn({ circumstances: circumstancesOf(subject, profile, [], null), profile, released: undefined }, [chapter]);

describe('modes of one’s own', () => {
	it('are contexts of the space: shortcuts of what they are made from hold, and those of their own are narrower', () => {
		const profile = edited(
			bare,
			mode('own.night', 'Night', 'foil'),
			shortcut('F9', 'scene.save', { mode: ['foil'] }),
			shortcut('F9', 'scene.export', { mode: ['own.night'] })
		);
		const { space, ...index } = indexOf(subject, profile);
		const standing = (id: string) => space.situations.findIndex((s) => s[1] === id);
		expect(space.labelOf(standing('own.night'))).to.include('Night');
		expect(space.isNarrower(space.setOf({ mode: ['own.night'] } as never), space.setOf({ mode: ['foil'] } as never))).to.equal(
			true
		);
		expect(index.on('F9' as never).map((b) => b.command)).to.have.members(['scene.save', 'scene.export']);
		expect(
			check(circumstancesOf(subject, profile, [], null)).filter((f) => f.rule === 'clash' && f.witness.keys === ('F9' as never)),
			'the narrowest wins'
		).to.deep.equal([]);
	});

	it('combine over the strata: the office makes one, a person calls it otherwise, and a lock holds', () => {
		const office = edited(bare, mode('own.fit', 'Fit', 'panel', 'shared', OFFICE));
		const renamed = edited(office, mode('own.fit', 'My fit', 'panel'));
		expect(modesInForce(renamed).map(({ entry, stratum, over }) => [entry.label, stratum.id, over?.id])).to.deep.equal([
			['My fit', PERSONAL, OFFICE]
		]);
		const without = edited(office, (now) => takeAway(now, PERSONAL, { kind: 'mode', axis: MODE, id: node('own.fit') }));
		expect(modesInForce(without)).to.deep.equal([]);
		expect(
			modesInForce(edited(office, (now) => takeAway(now, OFFICE, { kind: 'mode', axis: MODE, id: node('own.fit') })))
		).to.deep.equal([]);
		const locked = edited(office, (now) =>
			lockMode(stratumById(now, OFFICE), { kind: 'mode', axis: MODE, id: node('own.fit') }, true)
		);
		const changes = mode('own.fit', 'My fit', 'panel')(locked);
		expect(problemsOf(changes, groundFor(subject, locked, changes))[0]!.message).to.match(/Office has locked/);
		const forced = applyEdit(locked, changes);
		expect(modesInForce(forced)[0]!.entry.label).to.equal('Fit');
		expect(found(forced).map((f) => [f.rule, f.sentence()])).to.deep.equal([
			['idle', 'Personal changes Fit without effect: Office has locked it.']
		]);
	});

	it('have a command that switches to them, and what the program has leads to its own', () => {
		const profile = edited(bare, mode('own.fit', 'Fit', 'panel'));
		const { space, catalogue } = indexOf(subject, profile);
		expect(catalogue.get('mode:fit' as CommandId)!.label).to.equal('Switch to Fit');
		expect(leadsTo(space, 'mode:fit' as CommandId)).to.deep.equal({ axis: 'mode', context: 'own.fit' });
		expect(leadsTo(space, 'mode.foil' as CommandId)).to.deep.equal({ axis: 'mode', context: 'foil' });
		expect(leadsTo(space, 'scene.save' as CommandId)).to.equal(undefined);
		expect(switchesTo(space, MODE, node('own.fit'))).to.equal('mode:fit');
		expect(switchesTo(space, MODE, node('sight'))).to.equal('mode.sight');
		expect(switchesTo(space, MODE, node('skin.edge'))).to.equal(undefined);
		expect(freshModeId(profile, 'Fit')).to.equal('own.fit-2');
		expect(freshModeId(profile, '夜')).to.equal('own.x');
	});

	it('and favourites stand in an order that moving one does not disturb', () => {
		const ids = (profile: Profile) => favouritesOn(profile, MODE).map(({ entry }) => entry.id as string);
		let now = edited(
			bare,
			(p) => favour(p, OFFICE, MODE, node('panel'), 0),
			(p) => favour(p, OFFICE, MODE, node('foil'), 1),
			(p) => favour(p, PERSONAL, MODE, node('sight'), 1)
		);
		expect(ids(now)).to.deep.equal(['panel', 'sight', 'foil']);
		now = edited(now, (p) => favour(p, PERSONAL, MODE, node('foil'), 0));
		expect(ids(now)).to.deep.equal(['foil', 'panel', 'sight']);
		now = edited(now, (p) => takeAway(p, PERSONAL, { kind: 'favourite', axis: MODE, id: node('panel') }));
		expect(ids(now)).to.deep.equal(['foil', 'sight']);
	});

	it('go and leave what spoke of them nowhere, without a fault, and undo brings all back', () => {
		const steps = mode('own.night', 'Night', 'foil')(bare);
		const made = edited(
			bare,
			() => steps,
			shortcut('F9', 'scene.save', { mode: ['own.night'] }),
			(p) => favour(p, PERSONAL, MODE, node('own.night'), 0)
		);
		const gone = edited(made, (p) => takeAway(p, PERSONAL, { kind: 'mode', axis: MODE, id: node('own.night') }));
		const orphan = check(circumstancesOf(subject, gone, [], null)).find(
			(f) => f.rule === 'orphan' && f.witness.keys === ('F9' as never)
		);
		expect(orphan, 'the shortcut is told').not.to.equal(undefined);
		expect(found(gone).map((f) => f.sentence())).to.deep.equal([
			'Personal has own.night (not there) among the favourite modes, but it does not exist.'
		]);
		const back = applyEdit(gone, inverseEdit(takeAway(made, PERSONAL, { kind: 'mode', axis: MODE, id: node('own.night') })));
		expect(found(back)).to.deep.equal([]);
		expect(indexOf(subject, back).space).to.equal(indexOf(subject, made).space, 'the same modes, the same space');
	});

	it('that cannot be, or are called as another, are told with ways out that were tried', () => {
		const profile = edited(bare, mode('own.a', 'Foil', 'panel'), mode('own.b', 'B', 'gone'), mode('own.c', 'C', 'skin'));
		expect(found(profile).map((f) => [f.rule, f.sentence()])).to.deep.equal([
			['baseless', 'The mode B is not possible: it is based on "gone", which does not exist.'],
			['baseless', 'The mode C is not possible: it is based on Skin, which cannot be active.'],
			['namesake', 'Two modes have the name Foil.']
		]);
		for (const finding of found(profile)) {
			const fixes = finding.fixes({ profile, target: PERSONAL });
			expect(fixes.length, finding.id).to.be.greaterThan(0);
			for (const { label, changes } of fixes)
				expect(
					found(applyEdit(profile, changes)).map((f) => f.id),
					label
				).not.to.include(finding.id);
		}
	});

	it('are followed by a check that is kept, as a fresh one says', () => {
		const steps = [
			mode('own.night', 'Night', 'foil'),
			shortcut('F9', 'scene.save', { mode: ['own.night'] }),
			(p: Profile) => takeAway(p, PERSONAL, { kind: 'mode' as const, axis: MODE, id: node('own.night') })
		];
		let profile = bare;
		const checks = new Checks(circumstancesOf(subject, profile, [], null));
		for (const _ of checks.steps());
		for (const step of steps) {
			const changes = step(profile);
			profile = applyEdit(profile, changes);
			followEdit(checks, circumstancesOf(subject, profile, [], null), changes);
			const told = (list: readonly { id: string; severity: string }[]) => list.map((f) => `${f.severity} ${f.id}`).sort();
			expect(told(checks.list() as never)).to.deep.equal(told(check(circumstancesOf(subject, profile, [], null)) as never));
		}
	});

	describe('with bars', () => {
		const item = (id: string, scope: object) => ({
			op: 'set',
			id,
			parent: null,
			order: 'a0',
			item: {
				kind: 'bar',
				form: 'toolbar',
				name: id,
				scope,
				dock: { edge: 'top', row: 0 },
				icon: 24,
				text: 'none',
				hidden: false
			},
			rank: 0
		});
		const withBars = bare.map((s) =>
			s.kind === 'factory'
				? {
						...s,
						contents: {
							...s.contents,
							[BARS]: bars.contentOf([
								item('all', {}),
								item('foil', { mode: ['foil'] }),
								item('night', { mode: ['own.night'] }),
								item('deep', { mode: ['own.deep'] })
							] as never)
						}
					}
				: s
		);
		/** By the words of the specification, for one situation. */
		const shows = (profile: Profile, id: string) => {
			const space = profileSpace(subject.space, profile);
			return barTree(profile)
				.bars.filter(({ item: one }) => indexesOf(whereShown(space, one)).some((i) => space.situations[i]![1] === id))
				.map((bar) => bar.id as string);
		};

		it('shares those of what it is made from, or shows its own alone', () => {
			const shared = edited(withBars, mode('own.night', 'Night', 'foil'), mode('own.deep', 'Deep', 'own.night'));
			expect(shows(shared, 'foil')).to.have.members(['all', 'foil']);
			expect(shows(shared, 'own.night')).to.have.members(['all', 'foil', 'night']);
			expect(shows(shared, 'own.deep')).to.have.members(['all', 'foil', 'night', 'deep']);
			const apart = edited(withBars, mode('own.night', 'Night', 'foil', 'own'), mode('own.deep', 'Deep', 'own.night'));
			expect(shows(apart, 'own.night')).to.deep.equal(['night']);
			expect(shows(apart, 'own.deep'), 'what is made from it shares its own').to.have.members(['night', 'deep']);
			expect(shows(apart, 'foil')).to.have.members(['all', 'foil']);
			const deepest = edited(withBars, mode('own.night', 'Night', 'foil'), mode('own.deep', 'Deep', 'own.night', 'own'));
			expect(shows(deepest, 'own.deep')).to.deep.equal(['deep']);
		});

		it('tells a bar that is for a mode that has gone', () => {
			const told = found(withBars, BARS).filter((f) => f.rule === 'nowhere');
			expect(told.map((f) => f.sentence())).to.deep.equal([
				'The toolbar deep is for own.deep (not there), which never occurs, so it is never shown.',
				'The toolbar night is for own.night (not there), which never occurs, so it is never shown.'
			]);
			const [fix] = told[0]!.fixes({ profile: withBars, target: PERSONAL });
			expect(fix!.label).to.equal('Show deep everywhere');
		});

		it('is given copies with all that is in them, which change nothing of what they are copies of', () => {
			const profile = demoProfile(tuff, 3);
			const before = barTree(profile).bars;
			const changes = copyBars(profile, PERSONAL, before, { mode: ['own.night'] } as never);
			const tree = barTree(applyEdit(profile, changes));
			const copies = tree.bars.slice(before.length);
			expect(new Set(copies.map(({ item: one }) => JSON.stringify(one.scope)))).to.deep.equal(
				new Set(['{"mode":["own.night"]}'])
			);
			expect(tree.bars.slice(0, before.length).map(({ id }) => id)).to.deep.equal(before.map(({ id }) => id));
			const shape = ({ item: one, children }: (typeof before)[number]['children'][number]): unknown => [
				one.kind === 'bar' ? { ...one, scope: {} } : one,
				children.map(shape)
			];
			expect(copies.map(shape)).to.deep.equal(before.map(shape));
			expect(tree.idle).to.deep.equal([]);
		});
	});
});
