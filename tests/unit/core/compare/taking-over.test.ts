import { expect } from 'chai';
import { ALIASES, aliasFileIn, emptyAliasFile } from '../../../../core/chapters/aliases/file.ts';
import { BARS, type SetItem } from '../../../../core/chapters/bars/bar.ts';
import { compared, type Row } from '../../../../core/compare/compare.ts';
import { takingOver, withAllIn, type Picked } from '../../../../core/compare/taking-over.ts';
import { applyEdit, placedEdit } from '../../../../core/profile/edit.ts';
import { soundOf } from '../../../../core/profile/problems.ts';
import { holding, type Profile, type Stratum, type StratumId } from '../../../../core/strata/stratum.ts';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import { demoProfile, subjectOf } from '../../demo-office.ts';

const PERSONAL = 'personal' as StratumId;
const [FROM, MINE] = [0, 1];
const from = (rows: readonly Row[]): Picked[] => rows.map((row) => ({ row, from: FROM }));

for (const standIn of [gneiss, varve])
	describe(`taking over in ${standIn.application.name}`, () => {
		const application = subjectOf(standIn);
		const profile = demoProfile(standIn);
		const [factory, office] = profile as [Stratum, Stratum];
		const withOffice: Profile = [factory, office];
		const differing = (sides: readonly Profile[]) => compared(application, sides).filter(({ isSame }) => !isSame);
		const after = (rows: readonly Row[]) => {
			const { changes, stays } = takingOver(application, profile, PERSONAL, from(rows), MINE);
			const { sound, stays: refused } = soundOf(application, profile, changes);
			return { profile: applyEdit(profile, placedEdit(profile, sound)), stays: stays.length + refused.length };
		};

		it('makes a thing alike, in every chapter, by what is there and by what is not', () => {
			const rows = differing([withOffice, profile]);
			expect(new Set(rows.map(({ chapter }) => chapter)).size).to.be.greaterThan(1);
			const done: string[] = [];
			for (const row of rows) {
				const { profile: now, stays } = after([row]);
				if (stays > 0) continue;
				const again = compared(application, [withOffice, now]).find(({ id }) => id === row.id);
				expect(again?.cells[FROM]?.value, row.id).to.equal(again?.cells[MINE]?.value);
				done.push(row.chapter);
			}
			expect(done.length).to.be.greaterThan(rows.length / 2);
		});

		it('makes everything alike in one edit but for what stays', () => {
			const rows = differing([withOffice, profile]);
			const { profile: now, stays } = after(rows);
			expect(differing([withOffice, now]).length).to.be.at.most(stays);
		});

		it('changes nothing where both say the same', () => {
			const rows = compared(application, [profile, profile]);
			expect(takingOver(application, profile, PERSONAL, from(rows), MINE)).to.deep.equal({ changes: [], stays: [] });
		});
	});

describe('taking over', () => {
	it('is not written where a stratum above has the last word', () => {
		const profile = demoProfile();
		const rows = compared(subjectOf(gneiss), [[profile[0]!], profile]);
		const own = rows.find(({ cells, isSame }) => !isSame && cells[1]?.stratum === PERSONAL)!;
		const { changes, stays } = takingOver(subjectOf(gneiss), profile, 'office' as StratumId, from([own]), MINE);
		expect(changes).to.deep.equal([]);
		expect(stays.map(({ row, reason }) => [row.id, reason])).to.deep.equal([[own.id, 'Personal sets it above; edit Personal']]);
	});

	describe('of typed names', () => {
		const application = subjectOf(varve);
		const [factory] = demoProfile(varve) as [Stratum];
		const office = demoProfile(varve)[1]!;
		const withText = (stratum: Stratum, text: string) => holding(stratum, ALIASES, { ...emptyAliasFile, text });
		const bare = { ...factory, contents: { ...factory.contents, [ALIASES]: null } } as Stratum;
		const own: Stratum = { ...demoProfile(varve)[2]!, contents: {} };
		const [one, other, third] = varve.commands.slice(0, 3).map(({ id }): string => id) as [string, string, string];
		const taken = (theirs: string, below: string, mine: string) => {
			const there: Profile = [bare, withText(office, theirs)];
			const here: Profile = [bare, withText(office, below), mine === '' ? own : withText(own, mine)];
			const rows = compared(application, [there, here]).filter(({ chapter, isSame }) => chapter === ALIASES && !isSame);
			const { changes, stays } = takingOver(application, here, own.id, from(rows), MINE);
			expect(stays).to.deep.equal([]);
			const now = applyEdit(here, changes);
			const again = compared(application, [there, now]).filter(({ chapter }) => chapter === ALIASES);
			expect(again.every(({ isSame }) => isSame)).to.equal(true);
			return aliasFileIn(now[2]!)?.text;
		};
		const line = (alias: string, command: string) => `${alias} -> ${command}\n`;

		it('puts lines in, changes them, and takes them out, whatever else the file says', () => {
			const comment = 'a note of mine\n';
			expect(taken(line('q', one), '', ''))
				.to.include('q')
				.and.include(one);
			const changed = taken(line('q', one) + line('w', third), '', line('q', other) + comment)!;
			expect(changed).to.include(one).and.include(third).and.include(comment).and.not.include(other);
			expect(taken('', '', line('q', other) + line('w', third))).to.equal('');
			// said twice in one file: the covered line goes too
			expect(taken('', '', line('q', other) + line('q', third) + comment)).to.equal(comment);
		});

		it('takes away what comes from below', () => {
			expect(taken('', line('q', one), '')).to.match(/q.*-/);
			expect(taken('', line('q', one), line('q', other))).to.match(/q.*-/);
		});
	});

	describe('with all that is in it', () => {
		const application = subjectOf(gneiss);
		const profile = demoProfile();
		const factory: Profile = [profile[0]!];
		// somebody without any bars beside the factory's
		const none: Profile = [{ ...profile[0]!, contents: { ...profile[0]!.contents, [BARS]: new Map() } }, ...profile.slice(1)].map(
			(stratum, i) => (i === 0 ? stratum : { ...stratum, contents: {} })
		);
		const rows = compared(application, [factory, none]);
		const itemOf = (row: Row) => row.cells[FROM]?.said as SetItem;

		it('is a tab with its groups and places, and what it stands in where that is missing', () => {
			const tab = rows.find((row) => row.chapter === BARS && itemOf(row).item.kind === 'tab')!;
			const all = withAllIn(rows, tab, FROM, MINE);
			const parents = new Map(
				rows.filter(({ chapter }) => chapter === BARS).map((row) => [row.key, itemOf(row).parent as string])
			);
			for (const row of rows.filter(({ chapter }) => chapter === BARS)) {
				const chain: string[] = [];
				for (let at: string | null | undefined = row.key; at; at = parents.get(at)) chain.push(at);
				const isIn = chain.includes(tab.key) || parents.get(tab.key) === row.key;
				expect(all.includes(row), row.key).to.equal(isIn);
			}
			const { changes } = takingOver(application, none, PERSONAL, from(all), MINE);
			const now = applyEdit(none, placedEdit(none, changes));
			const again = compared(application, [factory, now]);
			for (const { id } of all) expect(again.find((row) => row.id === id)?.isSame, id).to.equal(true);
		});

		it('takes out what is in it here and not there', () => {
			const tab = rows.find((row) => row.chapter === BARS && itemOf(row).item.kind === 'tab')!;
			const swapped = compared(application, [none, factory]);
			const here = swapped.find(({ id }) => id === tab.id)!;
			expect(withAllIn(swapped, here, FROM, MINE).length).to.be.greaterThan(5);
		});

		it('is one thing alone of any other chapter', () => {
			const key = rows.find(({ chapter }) => chapter === 'shortcuts')!;
			expect(withAllIn(rows, key, FROM, MINE)).to.deep.equal([key]);
		});
	});
});
