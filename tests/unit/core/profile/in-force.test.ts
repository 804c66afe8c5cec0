import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { namesOf } from '../../../../core/chapter/chapter.ts';
import { compared } from '../../../../core/compare/compare.ts';
import { takingOver } from '../../../../core/compare/taking-over.ts';
import { emptyAliasFile } from '../../../../core/chapters/aliases/file.ts';
import { chapterOf } from '../../../../core/profile/chapters.ts';
import { indexOf } from '../../../../core/profile/circumstances.ts';
import { differencesInForceBetween, takingBack } from '../../../../core/profile/differences.ts';
import { applyEdit, placedEdit } from '../../../../core/profile/edit.ts';
import type { Profile, StratumId } from '../../../../core/strata/stratum.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import { wholeProfile } from '../../arbitrary-chapters.ts';
import { subjectOf } from '../../demo-office.ts';

const subject = subjectOf(varve);
const PERSONAL = 'personal' as StratumId;
const KEYED = ['modes', 'macros', 'bars', 'options', 'gestures'];

describe('differences from the factory', () => {
	it('count each thing once, and none is left of what was brought back from the personal stratum (property)', () => {
		let brought = 0;
		fc.assert(
			fc.property(wholeProfile, (profile) => {
				const factory = profile.slice(0, 1);
				const index = indexOf(subject, profile);
				const names = namesOf(index);
				const differences = differencesInForceBetween(factory, profile, names).filter(
					({ chapter, id }) => KEYED.includes(chapter) && !id.includes('\nlock\n')
				);
				const ids = differences.map(({ id }) => id);
				expect(new Set(ids).size).to.equal(ids.length);
				for (const difference of differences) {
					const pen = { profile, target: PERSONAL };
					const { changes, stays } = takingBack([difference], { index, profile }, pen);
					if (stays.length > 0) continue;
					brought++;
					const after = applyEdit(profile, placedEdit(profile, changes));
					const left = differencesInForceBetween(factory, after, names);
					const thing = (id: string) => id.split('\n').slice(2).join('\n');
					expect(
						left
							.filter((one) => one.chapter === difference.chapter && thing(one.id) === thing(difference.id))
							.map(({ id }) => id),
						difference.id
					).to.deep.equal([]);
				}
			}),
			{ numRuns: 100 }
		);
		expect(brought).to.be.greaterThan(50);
	});
});

describe('compared profiles', () => {
	it('read typed names as the program does, in whatever case they are written', () => {
		expect(varve.application.rules.aliases?.case).to.equal('ignored');
		const file = (text: string): Profile =>
			varve.strata.map((head, i) => ({ ...head, contents: i === 1 ? { aliases: { ...emptyAliasFile, text } } : {} }));
		const rows = compared(subject, [file('ln -> draw.arc\nQ -> rivet.row\n'), file('LN -> draw.arc\nq -> RIVET.ROW\n')]);
		expect(rows.filter(({ isSame }) => !isSame)).to.deep.equal([]);
		expect(rows.filter(({ chapter }) => chapter === 'aliases')).to.have.length(2);
	});

	it('say why something is not taken over: a level above removes it, or one below has locked it', () => {
		const [option] = varve.application.rules.options ?? [];
		const options = (...said: object[]) =>
			chapterOf('options').contentOf(said.map((one, rank) => ({ path: option!.path, rank, ...one })));
		const profile = (...contents: unknown[]): Profile =>
			varve.strata.map((head, i) => ({ ...head, contents: contents[i] ? { options: contents[i] } : {} }));
		const theirs = profile(options({ op: 'set', value: true }));
		const removed = profile(options({ op: 'set', value: true }), undefined, options({ op: 'remove' }));
		const pick = (mine: Profile) =>
			compared(subject, [theirs, mine])
				.filter(({ isSame }) => !isSame)
				.map((row) => ({ row, from: 0 }));
		const over = takingOver(subject, removed, 'office' as StratumId, pick(removed), 1);
		expect(over.changes).to.deep.equal([]);
		expect(over.stays.map(({ reason }) => reason)).to.deep.equal(['Personal removes it above Office; edit Personal instead']);
		const locked = profile(undefined, options({ op: 'set', value: false }, { op: 'lock' }));
		const held = takingOver(subject, locked, PERSONAL, pick(locked), 1);
		expect(held.changes).to.deep.equal([]);
		expect(held.stays.map(({ reason }) => reason)).to.deep.equal(['Office has locked it; Personal cannot change it']);
	});
});
