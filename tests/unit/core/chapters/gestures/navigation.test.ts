import { expect } from 'chai';
import { navigationBeside, pointingIn, takeOver, type Elsewhere } from '../../../../../core/chapters/gestures/navigation.ts';
import { put } from '../../../../../core/answer/choices.ts';
import { findingsIn } from '../../../../../core/profile/checkers.ts';
import { circumstancesOf, indexOf } from '../../../../../core/profile/circumstances.ts';
import { applyEdit } from '../../../../../core/profile/edit.ts';
import { ofShortcuts } from '../../../../../core/shortcut/change.ts';
import { OutOfReachError } from '../../../../../core/strata/change.ts';
import type { Profile, StratumId } from '../../../../../core/strata/stratum.ts';
import { parseKeys, type Keys } from '../../../../../core/stroke/stroke.ts';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import { tuff } from '../../../../../demo/tuff/tuff.ts';
import { demoProfile, subjectOf } from '../../../demo-office.ts';

const [OFFICE, PERSONAL] = ['office', 'personal'] as StratumId[] as [StratumId, StratumId];
const subject = subjectOf(tuff);
const tuffs = demoProfile(tuff);
const NAME = gneiss.application.name;

/** What Gneiss does, as the server tells it. */
const elsewhere: Elsewhere = (() => {
	const index = indexOf(subjectOf(gneiss), demoProfile());
	const said: Record<string, { keys: string; application: string }[]> = {};
	for (const { id, action } of gneiss.commands)
		if (action !== undefined) for (const { keys } of index.of(id)) (said[action] ??= []).push({ keys, application: NAME });
	return said;
})();
const rows = (profile: Profile) => navigationBeside(indexOf(subject, profile), elsewhere, NAME);
const mouse = (profile: Profile) =>
	Object.fromEntries(
		rows(profile).map(({ command, here }) => [command.id as string, here.map(({ keys }) => keys as string).sort()])
	);

describe('the navigation of another program', () => {
	it('is what the mouse says for actions that both have, keys left aside', () => {
		expect(
			rows(tuffs).map(({ command, here, there, isSame }) => [command.id, here.map((b) => b.keys), there, isSame])
		).to.deep.equal([
			['view.orbit', ['RightDrag'], ['MiddleDrag'], false],
			['view.pan', ['Shift+RightDrag'], ['Shift+MiddleDrag'], false]
		]);
		expect(navigationBeside(indexOf(subject, tuffs), elsewhere, 'Nothing')).to.deep.equal([]);
		expect(pointingIn('MiddleDrag' as Keys)).to.deep.equal({ kind: 'button', button: 'Middle', motion: 'Drag' });
		expect(['F', 'RightFlick0', 'RightShape-a'].map((keys) => pointingIn(keys as Keys))).to.deep.equal([
			undefined,
			undefined,
			undefined
		]);
	});

	it('is taken over whole: the former inputs go, and undo brings them back', () => {
		const { changes, aside } = takeOver(indexOf(subject, tuffs), tuffs, PERSONAL, rows(tuffs));
		const after = applyEdit(tuffs, changes);
		expect(mouse(after)).to.deep.equal({ 'view.orbit': ['MiddleDrag'], 'view.pan': ['Shift+MiddleDrag'] });
		expect(rows(after).every(({ isSame }) => isSame)).to.equal(true);
		expect(aside).to.deep.equal([]);
		expect(takeOver(indexOf(subject, after), after, PERSONAL, rows(after)).changes, 'once is enough').to.deep.equal([]);
		// the drag that flicks took is gone with it
		const drags = (profile: Profile) =>
			findingsIn({ circumstances: circumstancesOf(subject, profile, [], null), profile, released: undefined }, [
				'gestures'
			]).filter((f) => f.rule === 'drag');
		expect(drags(tuffs).length).to.be.greaterThan(0);
		expect(drags(after)).to.deep.equal([]);
	});

	it('moves aside what has one of its inputs, and names it', () => {
		const held = applyEdit(
			tuffs,
			ofShortcuts(put(tuffs, PERSONAL, { command: 'view.fit' as never, keys: parseKeys('MiddleDrag'), scope: {} }))
		);
		const { changes, aside } = takeOver(indexOf(subject, held), held, PERSONAL, rows(held));
		expect(aside.map(({ command, keys }) => `${command} ${keys}`)).to.deep.equal(['view.fit MiddleDrag']);
		const after = applyEdit(held, changes);
		expect(
			indexOf(subject, after)
				.on('MiddleDrag' as Keys)
				.map((b) => b.command)
		).to.deep.equal(['view.orbit']);
	});

	it('changes nothing where a stratum above says one of them', () => {
		const held = applyEdit(
			tuffs,
			ofShortcuts(put(tuffs, PERSONAL, { command: 'view.fit' as never, keys: parseKeys('MiddleDrag'), scope: {} }))
		);
		expect(() => takeOver(indexOf(subject, held), held, OFFICE, rows(held))).to.throw(OutOfReachError, /Personal/);
	});
});
