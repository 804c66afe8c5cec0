import { expect } from 'chai';
import fc from 'fast-check';
import { aliasTable } from '../../../../core/chapters/aliases/table.ts';
import { ARROW_RECIPE } from '../../../../core/recipe/shipped.ts';
import '../../../../core/recipe/shapes/all.ts';
import { folded } from '../../../../core/release/folded.ts';
import { ALL_CHAPTERS, CHAPTERS } from '../../../../core/profile/chapters.ts';
import { effectiveProfile } from '../../../../core/shortcut/effective.ts';
import { entryKeyFor, type AnyEntry, type Entries } from '../../../../core/strata/entry.ts';
import { keyedFold } from '../../../../core/strata/keyed-fold.ts';
import { headOf, type Profile, type Stratum, type StratumHead, type StratumId } from '../../../../core/strata/stratum.ts';
import { demoProfile } from '../../demo-office.ts';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import { contextSpace } from '../../../../core/context/space.ts';
import { small } from '../../arbitrary.ts';

const head: StratumHead = { id: 'office' as StratumId, kind: 'office', name: 'C-01' };
const { axes, reachable } = gneiss.application;
const ground = { space: contextSpace(axes, reachable), rules: gneiss.application.rules };

describe('a profile folded into one stratum above the factory', () => {
	it('has the same shortcuts in force, in the same order but for what the factory says again', () => {
		fc.assert(
			fc.property(small(), ({ profile, space, rules }) => {
				const one = folded(profile, head, { space, rules });
				const factory = profile.filter(({ kind }) => kind === 'factory');
				const [whole, fold] = [effectiveProfile(profile, space), effectiveProfile([...factory, one], space)];
				expect(new Set(fold.byKey.keys())).to.deep.equal(new Set(whole.byKey.keys()));
				const ofFactory = new Set(effectiveProfile(factory, space).byKey.keys());
				const order = (of: typeof whole) => of.bindings.map(({ key }) => key).filter((key) => !ofFactory.has(key));
				expect(order(fold)).to.deep.equal(order(whole));
				// nothing is said that has no effect
				expect(fold.ineffective).to.deep.equal([]);
			})
		);
	});

	it('has the same of every keyed chapter in force', () => {
		const path = fc.constantFrom('a.one', 'a.two', 'b.three', 'b.four');
		const entry = fc.record({ op: fc.constantFrom('set', 'set', 'remove', 'lock'), path, value: fc.integer({ min: 0, max: 3 }) });
		const stratum = (id: string, kind: Stratum['kind']) =>
			fc.array(entry, { maxLength: 6 }).map((said): Stratum => {
				const entries = new Map<string, object>();
				said.forEach(({ op, path: at, value }, rank) => {
					if (kind === 'factory' && op !== 'set') return;
					const one = op === 'set' ? { op, rank, path: at, value } : { op, rank, path: at };
					entries.set(entryKeyFor(op as 'set', at), one);
				});
				return { id: id as StratumId, kind, name: id, contents: { options: entries } };
			});
		const profiles = fc.tuple(
			stratum('factory', 'factory'),
			stratum('office', 'office'),
			stratum('glass', 'discipline'),
			stratum('mine', 'personal')
		);
		const { options } = CHAPTERS;
		const fold = (profile: Profile) =>
			keyedFold(profile, (s) => options.contentIn(s) as Entries<AnyEntry & { path: string; value?: unknown }>, {
				meeting: 'overrides',
				thing: (said) => said.path
			});
		const values = (profile: Profile) =>
			[...fold(profile).inForce].map(([key, { entry: said }]) => [key, said.value] as const).sort();
		fc.assert(
			fc.property(profiles, (profile) => {
				const [factory] = profile;
				const whole: Profile = [factory!, folded(profile, head, ground)];
				expect(values(whole)).to.deep.equal(values(profile));
				expect(fold(whole).idle.filter(({ reason }) => reason !== 'covered')).to.deep.equal([]);
			})
		);
	});

	it('is the stratum itself where there is only one above the factory', () => {
		const [factory, office] = demoProfile() as [Stratum, Stratum];
		expect(folded([factory, office], head, ground).contents).to.equal(office.contents);
		expect(folded([factory], head, ground).contents).to.deep.equal({});
	});

	it('says of the demo what its strata say together, chapter by chapter', () => {
		const profile = demoProfile();
		const one = folded(profile, head, ground);
		expect(headOf(one)).to.deep.equal(head);
		for (const chapter of ALL_CHAPTERS.filter(({ form }) => form === 'keyed')) {
			const said = profile.slice(1).flatMap((s) => chapter.list(chapter.contentIn(s)));
			const kept = chapter.list(chapter.contentIn(one)) as AnyEntry[];
			expect(kept.every(({ op }) => op !== 'lock')).to.equal(true);
			if (said.length > 0) expect(kept.length, chapter.id).to.be.greaterThan(0);
		}
	});

	it('has the same aliases, whichever file says them', () => {
		const { rules } = varve.application;
		const line = fc.tuple(fc.constantFrom('l', 'k', 'w', 'tt'), fc.constantFrom('draw.segment', 'draw.circle', 'file.save', '-'));
		const file = fc.array(line, { maxLength: 5 }).map((lines) => lines.map(([a, c]) => `${a} -> ${c}`).join('\n'));
		const office = (id: string, kind: Stratum['kind'], text: string): Stratum => ({
			id: id as StratumId,
			kind,
			name: id,
			contents: text === '' ? {} : { aliases: { recipe: ARROW_RECIPE, text, encoding: 'utf-8' } }
		});
		fc.assert(
			fc.property(fc.tuple(file, file, file), ([a, b, c]) => {
				const profile: Profile = [
					office('factory', 'factory', a.replaceAll('-> -', '-> file.save')),
					office('office', 'office', b),
					office('mine', 'personal', c)
				];
				const whole: Profile = [profile[0]!, folded(profile, head, { ...ground, rules })];
				const said = (of: Profile) =>
					[...aliasTable(of, rules.aliases!).inForce].map(([key, { command }]) => `${key} ${command}`).sort();
				expect(said(whole)).to.deep.equal(said(profile));
			})
		);
	});
});
