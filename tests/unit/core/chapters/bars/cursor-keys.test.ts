import { expect } from 'chai';
import { consequences } from '../../../../../core/answer/consequences.ts';
import { resolve } from '../../../../../core/answer/resolve.ts';
import { verdict } from '../../../../../core/answer/verdict.ts';
import { suggest } from '../../../../../core/suggest/suggest.ts';
import { BARS } from '../../../../../core/chapters/bars/bar.ts';
import { check } from '../../../../../core/chapters/shortcuts/check/check.ts';
import { chapterOf } from '../../../../../core/profile/chapters.ts';
import { circumstancesOf, indexOf } from '../../../../../core/profile/circumstances.ts';
import { SHORTCUTS } from '../../../../../core/shortcut/entry.ts';
import type { Profile } from '../../../../../core/strata/stratum.ts';
import type { Keys } from '../../../../../core/stroke/stroke.ts';
import { takeAway } from '../../../../../core/answer/choices.ts';
import { applyChanges } from '../../../../../core/shortcut/change.ts';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import { tuff } from '../../../../../demo/tuff/tuff.ts';
import type { StandIn } from '../../../../../demo/stand-in.ts';
import { subjectOf } from '../../../demo-office.ts';

const cursor = (id: string, keys: string, more: object = {}) => ({
	op: 'set',
	id,
	parent: null,
	order: 'a0',
	rank: 0,
	item: {
		kind: 'bar',
		form: 'cursor',
		name: id === 'one' ? 'Near' : 'Far',
		scope: {},
		dock: { edge: 'floating', monitor: 1, x: 0, y: 0, columns: 4 },
		icon: 24,
		text: 'none',
		keys,
		hidden: false,
		...more
	}
});

/** Factory, office and personal, each with these bars and shortcuts. */
const profileOf = (standIn: StandIn, said: readonly { bars?: object[]; shortcuts?: object[] }[]): Profile =>
	standIn.strata.map((head, i) => ({
		...head,
		contents: {
			[BARS]: chapterOf(BARS).contentOf((said[i]?.bars ?? []).map((one, rank) => ({ ...one, rank }))),
			[SHORTCUTS]: chapterOf(SHORTCUTS).contentOf((said[i]?.shortcuts ?? []).map((one, rank) => ({ ...one, rank })))
		}
	}));

const KEY = 'Ctrl+Shift+F7' as Keys;
const clashes = (standIn: StandIn, profile: Profile) =>
	check(circumstancesOf(subjectOf(standIn), profile, [], null)).filter((f) => f.rule === 'clash');
const anywhere = (standIn: StandIn) => standIn.commands.find((c) => c.contexts.length === 0)!.id;

describe('the keys of cursor bars', () => {
	it('open the bar, and two bars on one key are a clash', () => {
		const one = profileOf(gneiss, [{}, { bars: [cursor('one', KEY)] }]);
		const outcome = resolve(indexOf(subjectOf(gneiss), one), KEY, 0);
		expect(outcome.kind === 'fires' && outcome.winner.command).to.equal('bar:one');
		expect(clashes(gneiss, one)).to.deep.equal([]);
		const both = profileOf(gneiss, [{}, { bars: [cursor('one', KEY), cursor('two', KEY)] }]);
		expect(clashes(gneiss, both).map((f) => f.command)).to.deep.equal(['bar:one']);
		expect(
			clashes(gneiss, profileOf(gneiss, [{}, { bars: [cursor('one', KEY), cursor('two', KEY, { hidden: true })] }]))
		).to.deep.equal([]);
	});

	it('meet shortcuts: verdict, consequences and suggestions know them', () => {
		const profile = profileOf(gneiss, [{}, { bars: [cursor('one', 'Q')] }]);
		const subject = subjectOf(gneiss);
		const c = circumstancesOf(subject, profile, [], null);
		const command = anywhere(gneiss);
		const found = verdict(c.index, { command, keys: 'Q' as Keys, scope: {} });
		expect(found.kind).to.equal('meets');
		expect(found.meetings.map(({ binding }) => binding.command)).to.deep.equal(['bar:one']);
		const wish = { command: subject.catalogue.get(command)!, scope: {}, most: Infinity };
		expect(suggest(c.index, c.office, wish).map(({ keys }) => keys)).to.not.include('Q');
		const without = circumstancesOf(subject, profileOf(gneiss, []), [], null);
		expect(suggest(without.index, without.office, wish).map(({ keys }) => keys)).to.include('Q');
		const target = profile[2]!.id;
		const told = consequences(c.index, profile, [
			{ stratum: target, before: null, after: { op: 'set', command, keys: 'Q' as Keys, scope: {}, rank: 0 } }
		]);
		expect(told.changes.map(({ keys }) => keys)).to.deep.equal(['Q']);
	});

	it('are taken from the bar by a stratum above, and by its own', () => {
		const profile = profileOf(gneiss, [{}, { bars: [cursor('one', KEY)] }]);
		const subject = subjectOf(gneiss);
		const index = indexOf(subject, profile);
		for (const { id: target } of profile.slice(1)) {
			const after = applyChanges(profile, takeAway(index, profile, target, index.on(KEY)[0]!));
			expect(resolve(indexOf(subject, after), KEY, 0).kind, target).to.equal('nothing');
		}
	});

	it('are held off by a lock on the key', () => {
		const lock = { command: anywhere(gneiss), keys: KEY, scope: {} };
		const profile = profileOf(gneiss, [
			{},
			{
				shortcuts: [
					{ op: 'set', ...lock },
					{ op: 'lock', ...lock }
				]
			},
			{ bars: [cursor('one', KEY)] }
		]);
		const { index } = circumstancesOf(subjectOf(gneiss), profile, [], null);
		expect(index.on(KEY).map((b) => b.command)).to.deep.equal([lock.command]);
		expect(index.effective.ineffective.map((is) => [is.entry.command, is.reason])).to.deep.equal([['bar:one', 'locked']]);
	});

	it('open a narrower bar before a wider one where the narrowest context wins', () => {
		const [axis] = tuff.application.axes;
		const [node] = axis!.nodes;
		const profile = profileOf(tuff, [
			{},
			{ bars: [cursor('one', KEY), cursor('two', KEY, { scope: { [axis!.id]: [node!.id] } })] }
		]);
		const { space, ...subject } = subjectOf(tuff);
		const index = indexOf({ space, ...subject }, profile);
		const inside = space.situations.findIndex((s) => s[0] === node!.id);
		const outside = space.situations.findIndex(
			(s) => !space.setOf({ [axis!.id]: [node!.id] } as never).bits[0] || s[0] !== node!.id
		);
		const opened = (s: number) => {
			const outcome = resolve(index, KEY, s);
			return outcome.kind === 'fires' && outcome.winner.command;
		};
		expect(opened(inside)).to.equal('bar:two');
		expect(['bar:one', 'bar:two']).to.include(opened(outside));
	});
});
