import { expect } from 'chai';
import {
	mannersBeside,
	navigationBeside,
	pointingIn,
	takeOver,
	type Elsewhere
} from '../../../../../core/chapters/gestures/navigation.ts';
import { lockOption } from '../../../../../core/chapters/options/writing.ts';
import { put } from '../../../../../core/answer/choices.ts';
import { findingsIn } from '../../../../../core/profile/checkers.ts';
import { circumstancesOf, indexOf } from '../../../../../core/profile/circumstances.ts';
import { applyEdit } from '../../../../../core/profile/edit.ts';
import { ofShortcuts } from '../../../../../core/shortcut/change.ts';
import { OutOfReachError } from '../../../../../core/strata/change.ts';
import { stratumById, type Profile, type StratumId } from '../../../../../core/strata/stratum.ts';
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
			['view.fit', [], ['MiddleDoubleClick'], false],
			['view.orbit', ['RightDrag'], ['MiddleDrag'], false],
			['view.pan', ['Shift+RightDrag'], ['Shift+MiddleDrag', 'Ctrl+WheelUp', 'Ctrl+WheelDown'], false]
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
		expect(mouse(after)).to.deep.equal({
			'view.fit': ['MiddleDoubleClick'],
			'view.orbit': ['MiddleDrag'],
			'view.pan': ['Ctrl+WheelDown', 'Ctrl+WheelUp', 'Shift+MiddleDrag']
		});
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
			ofShortcuts(put(tuffs, PERSONAL, { command: 'view.outside' as never, keys: parseKeys('MiddleDrag'), scope: {} }))
		);
		const { changes, aside } = takeOver(indexOf(subject, held), held, PERSONAL, rows(held));
		expect(aside.map(({ command, keys }) => `${command} ${keys}`)).to.deep.equal(['view.outside MiddleDrag']);
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

	it('takes the manner over too: which way things turn, what stays in place; and not what is locked', () => {
		const options = tuff.application.rules.options!;
		const there = {
			'navigation.orbit': 'natural',
			'navigation.about': 'pointer',
			'navigation.speed': 9_000,
			'navigation.zoom': 'natural'
		};
		const manners = (profile: Profile) => mannersBeside(options, profile, PERSONAL, there);
		// the office has turned Tuff the other way; a speed that Tuff cannot have is not compared
		expect(manners(tuffs).map(({ definition, value, there: theirs }) => [definition.path, value, theirs])).to.deep.equal([
			['navigation.orbit', 'reversed', 'natural'],
			['navigation.zoom', 'natural', 'natural'],
			['navigation.about', 'middle', 'pointer']
		]);
		const { changes } = takeOver(indexOf(subject, tuffs), tuffs, PERSONAL, [], manners(tuffs));
		expect(changes).to.have.length(2);
		const after = applyEdit(tuffs, changes);
		expect(manners(after).every(({ value, there: theirs }) => value === theirs)).to.equal(true);
		const locked = applyEdit(tuffs, lockOption(stratumById(tuffs, OFFICE), 'navigation.orbit' as never, true));
		expect(() => takeOver(indexOf(subject, locked), locked, PERSONAL, [], manners(locked))).to.throw(
			OutOfReachError,
			/Orbit direction: .* has locked it/
		);
	});
});
