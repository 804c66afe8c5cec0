import { expect } from 'chai';
import { consequences } from '../../../core/answer/consequences.ts';
import { resolve, type Outcome } from '../../../core/answer/resolve.ts';
import { verdict } from '../../../core/answer/verdict.ts';
import type { CommandId } from '../../../core/application/command.ts';
import { applyChanges } from '../../../core/shortcut/change.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { shortcutsIn } from '../../../core/shortcut/entry.ts';
import { nextRank } from '../../../core/strata/entry.ts';
import type { Keys } from '../../../core/stroke/stroke.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import {
	bothText,
	consequenceText,
	meetingText,
	outcomeMark,
	outcomeText,
	situations,
	verdictText
} from '../../../src/lib/ui/wording.ts';
import { demoIndex, demoProfile } from '../demo-office.ts';

const profile = demoProfile();
const index = demoIndex(profile);
const commands = [...index.catalogue.keys()];
/** Every outcome that any input of the demo has in any situation, one of each kind. */
const outcomes = new Map<Outcome['kind'], Outcome>();
for (const { keys } of index.inputs())
	for (let s = 0; s < index.space.situations.length; s++) {
		const outcome = resolve(index, keys, s);
		outcomes.set(outcome.kind, outcome);
	}

describe('what an input does, in words', () => {
	it('says every outcome that the demo has, in its own words and with a mark of its own', () => {
		expect([...outcomes.keys()]).to.include.members(['nothing', 'fires', 'chooser', 'cut-short']);
		const texts = [...outcomes.values()].map((o) => outcomeText(index, o));
		expect(new Set(texts).size).to.equal(texts.length);
		for (const text of texts)
			expect(text)
				.to.match(/^[A-Z]/)
				.and.not.match(/\bKey[A-Z]\b|undefined/);
		expect(outcomeMark(outcomes.get('chooser')!)).to.deep.equal({ shape: '◆', tone: 'garnet' });
		expect(outcomeMark(outcomes.get('nothing')!).shape).to.equal('○');
	});

	it('names six commands of a chooser and counts the rest', () => {
		const offered = index.effective.bindings.slice(0, 9);
		const text = outcomeText(index, { kind: 'chooser', offered, masked: [] });
		expect(text).to.match(/^Chooser: .* and 4 more$/);
		expect(text.split(', ')).to.have.length(5);
	});

	it('says one situation and several', () => {
		expect([situations(1), situations(12)]).to.deep.equal(['1 situation', '12 situations']);
	});

	it('says what the application makes of two on one input', () => {
		const texts = (['chooser', 'narrowest', 'first', 'refuse'] as const).map((ambiguity) =>
			bothText({ ...index, rules: { ...index.rules, ambiguity } })
		);
		expect(new Set(texts).size).to.equal(4);
	});
});

describe('a verdict in words', () => {
	const propose = (command: CommandId, keys: string) => verdict(index, { command, keys: keys as Keys, scope: {} });
	const said = (keys: string) => commands.map((command) => verdictText(index, propose(command, keys)));

	it('is free, taken or said already, each with its tone', () => {
		const free = said('Ctrl+Alt+Shift+F7');
		expect(free.some(({ tone, text }) => tone === 'epidote' && text === 'Ctrl+Alt+Shift+F7 is free everywhere.')).to.equal(true);
		const [binding] = index.effective.bindings.filter((b) => Object.keys(b.scope).length === 0);
		expect(verdictText(index, propose(binding!.command, binding!.keys)).text).to.include('with this scope already');
		const taken = said(binding!.keys).filter((v) => v.tone === 'garnet');
		expect(taken[0]!.text).to.include(index.catalogue.get(binding!.command)!.label);
	});

	it('says of each that it meets where, and what would come of it', () => {
		let said = 0;
		for (const { keys } of index.effective.bindings.slice(0, 40))
			for (const command of commands.slice(0, 12)) {
				const found = propose(command, keys);
				for (const meeting of found.meetings) {
					const text = meetingText(index, found, meeting);
					expect(text).to.include(situations(meeting.count)).and.include(index.space.labelOf(meeting.example));
					said++;
				}
			}
		expect(said).to.be.greaterThan(20);
	});

	it('says a consequence with what was before and what comes after', () => {
		const target = 'personal' as StratumId;
		const stratum = profile.find((s) => s.id === target)!;
		const after = {
			op: 'set' as const,
			command: commands[0]!,
			keys: 'Ctrl+Alt+Shift+F7' as Keys,
			scope: {},
			rank: nextRank(shortcutsIn(stratum))
		};
		const changes = [{ stratum: target, before: null, after }];
		const [consequence] = consequences(index, profile, changes).changes;
		const label = gneiss.commands[0]!.label;
		expect(consequenceText(index, consequence!))
			.to.match(/^Ctrl\+Alt\+Shift\+F7 in .*: Nothing → /)
			.and.include(label);
		expect(demoIndex(applyChanges(profile, changes)).on(after.keys)).to.have.length(1);
	});
});
