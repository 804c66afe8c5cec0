import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import type { AnyFinding, Looking } from '../../../../core/check/finding.ts';
import { KeyFinding } from '../../../../core/chapters/shortcuts/checker.ts';
import { SHORTCUTS } from '../../../../core/shortcut/entry.ts';
import { GESTURES } from '../../../../core/chapters/gestures/gesture.ts';
import { chapterOf } from '../../../../core/profile/chapters.ts';
import { findingsIn } from '../../../../core/profile/checkers.ts';
import { circumstancesOf } from '../../../../core/profile/circumstances.ts';
import { applyEdit } from '../../../../core/profile/edit.ts';
import { groundFor, problemsOf } from '../../../../core/profile/problems.ts';
import type { Profile } from '../../../../core/strata/stratum.ts';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { tuff } from '../../../../demo/tuff/tuff.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import type { StandIn } from '../../../../demo/stand-in.ts';
import { wholeProfile } from '../../arbitrary-chapters.ts';
import { subjectOf } from '../../demo-office.ts';

const lookedAt = (standIn: StandIn, profile: Profile): Looking => ({
	circumstances: circumstancesOf(subjectOf(standIn), profile, [], null),
	profile,
	released: undefined
});

/** Whether an error was there already: the same, or one on the same keys between the same shortcuts and more. */
function wasThere(error: AnyFinding, before: readonly AnyFinding[]): boolean {
	const shortcuts = (f: AnyFinding) => (f instanceof KeyFinding ? f.finding.bindings.map((b) => b.key as string) : []);
	return before.some(
		(known) =>
			known.severity === 'error' &&
			(known.id === error.id ||
				(known.chapter === error.chapter &&
					known.rule === error.rule &&
					known.command !== undefined &&
					shortcuts(error).length > 0 &&
					shortcuts(error).every((key) => shortcuts(known).includes(key))))
	);
}

/** Tries every fix of every finding from every stratum, against the checks of all chapters (design.md, section 4). */
function tryAll(standIn: StandIn, profile: Profile): number {
	const before = findingsIn(lookedAt(standIn, profile));
	let tried = 0;
	for (const finding of before)
		for (const { id: target } of profile.slice(1))
			for (const fix of finding.fixes({ profile, target })) {
				tried++;
				const told = `${finding.chapter} ${finding.rule}: ${fix.label}`;
				expect(problemsOf(fix.changes, groundFor(subjectOf(standIn), profile, fix.changes)), told).to.deep.equal([]);
				const after = findingsIn(lookedAt(standIn, applyEdit(profile, fix.changes)));
				expect(
					after.some((f) => f.id === finding.id),
					`${told} leaves its finding`
				).to.equal(false);
				for (const error of after)
					if (error.severity === 'error' && !wasThere(error, before))
						expect.fail(`${told} adds ${error.chapter} ${error.rule}: ${error.sentence()}`);
			}
	return tried;
}

describe('fixes of any chapter', () => {
	it('remove their finding, add no error in any chapter and are accepted as edits, on random profiles', () => {
		let tried = 0;
		fc.assert(
			fc.property(wholeProfile, (profile) => {
				tried += tryAll(varve, profile);
			}),
			{ numRuns: 40 }
		);
		expect(tried).to.be.greaterThan(100);
	});

	it('leave out a rose that would make flicks clash', () => {
		// two commands on one flick, heard nowhere as long as no rose has the direction
		const keys = 'RightFlick45';
		const scope = {};
		for (const standIn of [gneiss, varve, tuff]) {
			const [one, other] = standIn.commands.filter((c) => c.contexts.length === 0);
			const entries = [one!, other!].map((command, rank) => ({ op: 'set', command: command.id, keys, scope, rank }));
			const rose = { op: 'set', kind: 'rose', button: 'Right', modifiers: [], scope, directions: 4, turn: 0, rank: 0 };
			const profile: Profile = standIn.strata.map((head, i) => ({
				...head,
				contents:
					i === 1
						? {
								[SHORTCUTS]: chapterOf(SHORTCUTS).contentOf(entries),
								[GESTURES]: chapterOf(GESTURES).contentOf([rose])
							}
						: {}
			}));
			tryAll(standIn, profile);
		}
	});
});
