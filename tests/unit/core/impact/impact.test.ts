import { expect } from 'chai';
import fc from 'fast-check';
import { findingsIn } from '../../../../core/profile/checkers.ts';
import { asReleased, circumstancesOf } from '../../../../core/profile/circumstances.ts';
import { impactByHand, impactOf, type Impact, type Question, type SetupImpact } from '../../../../core/impact/impact.ts';
import { Common, lookAt } from '../../../../core/impact/look.ts';
import type { Setup } from '../../../../core/people/setup.ts';
import { entryKey, type Entry } from '../../../../core/shortcut/entry.ts';
import type { Profile, Stratum, StratumHead, StratumId } from '../../../../core/strata/stratum.ts';
import { desksOf } from '../../../../core/keyboard/desk.ts';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { seats } from '../../../../demo/office.ts';
import { accepts } from '../../../../core/check/acceptance.ts';
import { profileOf } from '../../../../core/people/setup.ts';
import { applyEdit } from '../../../../core/profile/edit.ts';
import { verdictOn, type Ground } from '../../brute-force.ts';
import { heads, KEYS, scopeOf, small, subjectOf, type Small } from '../../arbitrary.ts';
import { demoProfile, subjectOf as demoSubject } from '../../demo-office.ts';
import { stratumOf } from '../../strata.ts';

const headOf = (id: string, kind: StratumHead['kind']): StratumHead => ({ id: id as StratumId, kind, name: id });
const setupOf = (id: string, person: string, strata: readonly string[]): Setup => ({
	...{ id, name: id, person, isStart: true, isRecommended: false },
	strata: strata as StratumId[]
});
function run(question: Question): Impact {
	const work = impactOf(question);
	for (;;) {
		const { done, value } = work.next();
		if (done) return value;
	}
}

/** With the beginnings of sentences alone: what one lists beside each other has no order, and of many it names some. */
const unlisted = ({ coming, going, ...impact }: SetupImpact) => {
	const sorted = (list: SetupImpact['coming']) =>
		list.map(({ sentence, ...one }) => ({ ...one, begins: sentence.split(' ').slice(0, 2) }));
	return { ...impact, coming: sorted(coming), going: sorted(going) };
};

/** A small office: a release that changes office and discipline, three people with strata of their own over them. */
const question = small().chain((app: Small) =>
	fc
		.array(
			fc.array(
				fc.record({
					op: fc.constantFrom('set', 'set', 'remove', 'lock'),
					command: fc.nat(4),
					keys: fc.constantFrom(...KEYS),
					scope: scopeOf(app.axes)
				}),
				{ maxLength: 5 }
			),
			{ minLength: 6, maxLength: 6 }
		)
		.map((lists): Question => {
			const filled = (head: StratumHead, i: number) => {
				const entries = lists[i]!.map((e, rank) => ({ ...e, command: `c${e.command}`, rank }) as Entry);
				return stratumOf(head, [...new Map(entries.map((e) => [entryKey(e), e])).values()]);
			};
			const own = [headOf('one', 'personal'), headOf('two', 'personal'), headOf('three', 'personal')].map((h, i) =>
				filled(h, i + 2)
			);
			const today = [app.profile[1]!, filled(headOf('doors', 'discipline'), 0)];
			const now = [app.profile[0]!, filled(heads[1]!, 1), filled(headOf('doors', 'discipline'), 5), ...own];
			return {
				...{ application: subjectOf(app), desks: [], released: today[0]!, now },
				today: new Map(today.map((stratum) => [stratum.id, stratum])),
				setups: [
					setupOf('a', 'p', ['office', 'one']),
					setupOf('b', 'p', ['office', 'doors', 'one', 'two']),
					setupOf('c', 'q', ['office', 'doors', 'two']),
					setupOf('d', 'q', ['office']),
					setupOf('e', 'r', []),
					setupOf('f', 'r', ['three', 'office']),
					setupOf('g', 'r', ['office', 'three', 'gone'])
				]
			};
		})
);

describe('what a release does to whom', () => {
	it('is for each setup what two checks by themselves tell (property)', () => {
		fc.assert(
			fc.property(question, (asked) => {
				const { setups } = run(asked);
				expect(setups.map(unlisted)).to.deep.equal(asked.setups.map((setup) => unlisted(impactByHand(asked, setup))));
			}),
			{ numRuns: 60 }
		);
	}).timeout(120_000);

	it('finds the habits that enumeration finds: keys that ran a command and neither run nor offer it any more', () => {
		fc.assert(
			fc.property(question, (asked) => {
				const { axes, reachable, rules } = asked.application.application;
				const commands = [...asked.application.catalogue.values()];
				for (const { setup, habits } of run(asked).setups) {
					const today = asked.now.map((stratum) => asked.today.get(stratum.id) ?? stratum);
					const [before, after] = [today, asked.now].map(
						(all) => ({ axes, reachable, rules, commands, profile: profileOf(all, setup.strata) }) as Ground
					);
					const lost = new Set<string>();
					for (const keys of KEYS)
						for (const s of asked.application.space.situations) {
							const was = verdictOn(before!, keys, s, true);
							const is = verdictOn(after!, keys, s, true);
							if (!/^c\d$/.test(was.what) || is.what === was.what) continue;
							if (!is.parties.some(({ command }) => command === was.what)) lost.add(`${was.what} ${keys}`);
						}
					expect([...new Set(habits.map(({ command, keys }) => `${command} ${keys}`))].sort()).to.deep.equal([...lost].sort());
				}
			}),
			{ numRuns: 60 }
		);
	});

	it('tells of an acceptance that a release drops, and of new things for people whose keys stay', () => {
		const profile = demoProfile();
		const [factory, office] = profile as [Stratum, Stratum];
		const application = demoSubject(gneiss);
		const about = { application, desks: desksOf(seats), released: office };
		const finding = lookAt(about, [factory, office]).findings[0]!;
		const change = accepts({ profile: [factory, office], target: office.id }, finding.acceptable(), 'we know');
		const accepting = applyEdit([factory, office], [{ ...change, chapter: 'acceptances' }])[1]!;
		const added = gneiss.entriesOf('set | Ctrl+Alt+Shift+F11 | inspect.mass | space').map((e) => ({ ...e, rank: 900 }));
		const shortcuts = new Map([
			...(office.contents['shortcuts'] as Map<string, Entry>),
			...added.map((e) => [entryKey(e), e] as const)
		]);
		const now: Profile = [factory, { ...office, contents: { ...office.contents, shortcuts, acceptances: new Map() } }];
		const impact = run({
			...{ application, desks: desksOf(seats), released: office, now },
			today: new Map([[office.id, accepting]]),
			setups: [setupOf('s', 'hanger', ['office'])]
		});
		expect(impact.setups[0]!.coming.map(({ id }) => id)).to.include(finding.id);
		const fresh = impact.changes.find(({ difference }) => (difference.caption.keys as string) === 'Ctrl+Alt+Shift+F11')!;
		expect([...fresh.receivers]).to.deep.equal(['hanger']);
	});

	it('looks at a profile as the Findings view does, also where the mouse, modes, macros and bars say something', () => {
		const office = { application: demoSubject(gneiss), desks: desksOf(seats), released: demoProfile(gneiss, 2)[1]! };
		const profile = demoProfile();
		const ids = (found: readonly { id: string; severity: string }[]) =>
			found.map(({ id, severity }) => `${severity} ${id}`).sort();
		const common = new Common(office, profile.slice(0, 2));
		const own = profile[2]!;
		const circumstances = circumstancesOf(office.application, profile, office.desks, office.released);
		const expected = findingsIn({ circumstances, profile, released: asReleased(profile, office.released) });
		expect(ids(common.with([own]).findings), 'a heavy stratum').to.deep.equal(ids(expected));
		const light: Stratum = {
			...own,
			contents: { shortcuts: own.contents['shortcuts'], acceptances: own.contents['acceptances'] }
		};
		const keys = new Map(
			[...(light.contents['shortcuts'] as Map<string, Entry>)].filter(
				([, { keys }]) => !/Flick|Shape|Drag|Click|Wheel/.test(keys)
			)
		);
		const lit = { ...light, contents: { ...light.contents, shortcuts: keys } };
		for (let i = 0; i < 2; i++)
			expect(ids(common.with([lit]).findings), 'a light one, also the second time').to.deep.equal(
				ids(lookAt(office, [...profile.slice(0, 2), lit]).findings)
			);
	});

	it('says who gets which finding, whose hand must learn, and what each change costs', () => {
		// by hand: the office moves Mass properties from Alt+M to Ctrl+Alt+9; Alt+M is given to Measure
		const profile = demoProfile();
		const [factory, office] = profile as [Stratum, Stratum];
		const shortcuts = new Map(office.contents['shortcuts'] as Map<string, Entry>);
		const [mass] = [...shortcuts.values()].filter(
			({ command, keys }) => command === 'inspect.mass' && (keys as string) === 'Alt+M'
		);
		const moved = gneiss
			.entriesOf('set | Ctrl+Alt+9 | inspect.mass | space\nset | Alt+M | inspect.measure | space')
			.map((e, i) => ({ ...e, rank: 800 + i }));
		shortcuts.delete(entryKey(mass!));
		for (const entry of moved) shortcuts.set(entryKey(entry), entry);
		const own = stratumOf(headOf('own', 'personal'), gneiss.entriesOf('set | Ctrl+Alt+9 | window.split | any'));
		const now: Profile = [factory, { ...office, contents: { ...office.contents, shortcuts } }, own];
		const impact = run({
			...{ application: demoSubject(gneiss), desks: desksOf(seats), released: office, now },
			today: new Map([[office.id, office]]),
			setups: [setupOf('s1', 'door', ['office', 'own']), setupOf('s2', 'hanger', ['office']), setupOf('s3', 'new', [])]
		});
		const [door, hanger, none] = impact.setups;
		expect(none).to.deep.include({ coming: [], going: [], habits: [] });
		for (const one of [door!, hanger!]) {
			expect(one.habits.map(({ command, keys }) => [command, keys])).to.deep.equal([['inspect.mass', 'Alt+M']]);
			expect(one.habits[0]).to.deep.include({ then: ['inspect.measure'], instead: ['Ctrl+Alt+9'] });
		}
		const clash = door!.coming.filter(({ keys }) => (keys as string | undefined) === 'Ctrl+Alt+9');
		expect(clash.map(({ sentence }) => sentence).join(), 'Split canvas is on it for who has it').to.match(
			/Split canvas|Mass properties/
		);
		expect(
			hanger!.coming.some(({ sentence }) => sentence.includes('Split canvas')),
			'who has it not'
		).to.equal(false);
		const change = impact.changes.find(
			({ difference }) => difference.kind === 'removed' && difference.command === 'inspect.mass'
		)!;
		expect(change).to.include({ people: 2, habits: 2 });
		const others = impact.changes.filter((one) => one !== change);
		expect(
			others.map(({ habits }) => habits),
			'only what takes the shortcut away moves a habit'
		).to.deep.equal(others.map(() => 0));
	});

	it('tells how far it is, and that nobody is touched by nothing', () => {
		const now = demoProfile();
		const asked = {
			...{ application: demoSubject(gneiss), desks: [], released: now[1]!, now, today: new Map() },
			setups: [setupOf('a', 'p', ['office', 'personal']), setupOf('b', 'q', ['office'])]
		};
		const shares: number[] = [];
		const work = impactOf(asked);
		let step = work.next();
		for (; !step.done; step = work.next()) shares.push(step.value);
		expect(shares).to.deep.equal([0, 0.5, 1]);
		expect(step.value.changes).to.deep.equal([]);
		expect(step.value.setups.every(({ coming, going, habits }) => coming.length + going.length + habits.length === 0)).to.equal(
			true
		);
	});
});
