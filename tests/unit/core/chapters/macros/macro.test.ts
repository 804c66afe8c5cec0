import { expect } from 'chai';
import fc from 'fast-check';
import type { CommandId } from '../../../../../core/application/command.ts';
import { Checks, check } from '../../../../../core/chapters/shortcuts/check/check.ts';
import { followEdit } from '../../../../../core/profile/follow-edit.ts';
import { shortcutsIn } from '../../../../../core/shortcut/entry.ts';
import { findingId } from '../../../../../core/chapters/shortcuts/check/finding.ts';
import { indexOf } from '../../../../../core/profile/circumstances.ts';
import { checkMacros, macroGround } from '../../../../../core/chapters/macros/check.ts';
import { MACRO_RULE_IDS } from '../../../../../core/chapters/macros/finding.ts';
import { IDLE, play } from '../../../../../core/chapters/macros/machine.ts';
import { Macro, macroIdFor, macrosIn, MACROS, type MacroStep } from '../../../../../core/chapters/macros/macro.ts';
import { patternsFor } from '../../../../../core/chapters/macros/patterns.ts';
import { parseSteps, stepsText, StepsError } from '../../../../../core/chapters/macros/steps.ts';
import { macroTable } from '../../../../../core/chapters/macros/table.ts';
import { profileCatalogue } from '../../../../../core/profile/catalogue.ts';
import { dropMacro, setMacro } from '../../../../../core/chapters/macros/writing.ts';
import { FactoryWriteError, StaleChangeError } from '../../../../../core/strata/change.ts';
import { namesOf } from '../../../../../core/chapter/chapter.ts';
import { differencesBetween } from '../../../../../core/profile/differences.ts';
import { applyEdit, inverseEdit } from '../../../../../core/profile/edit.ts';
import { stratumById } from '../../../../../core/strata/stratum.ts';
import type { Profile } from '../../../../../core/strata/stratum.ts';
import { stratumOf, type SaidMacro } from '../../../strata.ts';
import { varve } from '../../../../../demo/varve/varve.ts';
import { demoCircumstances, demoProfile, subjectOf } from '../../../demo-office.ts';
import { circumstances, small, type Small } from '../../../arbitrary.ts';

const subject = subjectOf(varve);
const [factory, office, personal] = varve.strata;
const made = (id: string, steps: string, { locks = false, ...more }: Partial<Macro> & { locks?: boolean } = {}) => ({
	...Macro.parse({ id: `macro:${id}`, label: id, steps: parseSteps(steps), ...more }),
	...(locks && { locks })
});
/** The stand-in with these macros in the office and the personal stratum. */
const withMacros = (inOffice: readonly SaidMacro[], own: readonly SaidMacro[] = []): Profile => [
	stratumOf(factory!, varve.factoryEntries, varve.factoryAliases),
	stratumOf(office!, [], null, inOffice),
	stratumOf(personal!, [], null, own)
];
const found = (...macros: readonly SaidMacro[]) => {
	const profile = withMacros(macros);
	return checkMacros(indexOf(subject, profile), profile);
};
const told = (id: string, ...macros: readonly SaidMacro[]) => {
	const profile = withMacros(macros);
	const ground = macroGround(indexOf(subject, profile), profile);
	return [...play(`macro:${id}` as CommandId, ground)];
};

const step = fc.oneof(
	fc.constantFrom<MacroStep>({ do: 'cancel' }, { do: 'accept' }),
	fc
		.constantFrom('draw.segment', 'file.save', 'no.such', 'with "quotes" and ; more')
		.map((command): MacroStep => ({ do: 'run', command: command as CommandId })),
	fc
		.string({ minLength: 1, maxLength: 12, unit: 'grapheme' })
		.filter((text) => !/[\r\n]/.test(text))
		.map((text): MacroStep => ({ do: 'type', text })),
	fc.string({ maxLength: 10 }).map((what): MacroStep => ({ do: 'pick', what })),
	fc
		.tuple(fc.stringMatching(/^[a-z\\/"]{1,9}$/), fc.array(fc.string({ maxLength: 9 }), { maxLength: 3 }))
		.map(([program, args]): MacroStep => ({ do: 'launch', program, arguments: args }))
);

describe('macros', () => {
	describe('in words', () => {
		it('are read back as they were written', () => {
			fc.assert(
				fc.property(fc.array(step, { maxLength: 8 }), (steps) => {
					expect(parseSteps(stepsText(steps))).to.deep.equal(steps);
				})
			);
		});

		for (const [text, column, what] of [
			['cancel; jump', 9, '"jump" is no step'],
			['run', 1, 'run takes one command'],
			['run a b', 7, 'run takes one command'],
			['type "open', 6, 'a quotation mark is missing; a text begins and ends with one'],
			['type ""', 1, 'type: is empty'],
			['cancel; launch', 9, 'launch: names no program']
		] as const)
			it(`say at column ${column} what is wrong in ${text}`, () => {
				expect(() => parseSteps(text))
					.to.throw(StepsError, what)
					.with.property('column', column);
			});

		it('get an id of their label that nobody has', () => {
			expect(macroIdFor('Größe & Maß', () => false)).to.equal('macro:gro-e-ma');
			expect(macroIdFor('***', () => false)).to.equal('macro:steps');
			expect(macroIdFor('Half', (id) => id === 'macro:half')).to.equal('macro:half-2');
		});
	});

	describe('as commands', () => {
		it('stand in the catalogue of their profile, the same one while no macro changes', () => {
			const profile = withMacros([made('half', 'type "/2"; accept', { inside: true })]);
			const all = profileCatalogue(subject.catalogue, profile);
			expect(all.get('macro:half' as CommandId)).to.include({ label: 'half', nested: true, kind: 'one-shot' });
			expect(profileCatalogue(subject.catalogue, [...profile])).to.equal(all);
			expect(profileCatalogue(subject.catalogue, withMacros([]))).to.equal(subject.catalogue);
		});

		it('fold from the lowest stratum up; a lock holds, and what has no effect is listed', () => {
			const [kept, locked] = [made('a', 'cancel'), made('b', 'cancel', { locks: true })];
			const table = macroTable(
				withMacros([kept, locked], [made('a', 'accept'), made('b', 'accept'), { id: 'macro:c' as CommandId, gone: true }])
			);
			expect([...table.inForce.values()].map((p) => [p.macro.id, p.stratum.id, p.over?.id, p.lockedBy?.id])).to.deep.equal([
				['macro:a', 'personal', 'office', undefined],
				['macro:b', 'office', undefined, 'office']
			]);
			expect(table.idle.map((i) => [i.entry.id, i.stratum.id, i.reason])).to.deep.equal([
				['macro:a', 'office', 'covered'],
				['macro:b', 'personal', 'locked'],
				['macro:c', 'personal', 'nothing-to-remove']
			]);
		});

		it('are taken away by an upper stratum', () => {
			const table = macroTable(withMacros([made('a', 'cancel')], [{ id: 'macro:a' as CommandId, gone: true }]));
			expect(table.inForce.size).to.equal(0);
		});
	});

	describe('at work', () => {
		it('do their steps one after the other, with what runs after each', () => {
			const events = told('x', made('x', 'cancel; run draw.circle; pick "centre"; type "250"; accept; accept'));
			expect(events.map((e) => e.said)).to.deep.equal([
				'No command is running.',
				'Circle runs.',
				'Circle waits for a pick: centre.',
				'"250" is typed for Circle.',
				'Circle takes "250".',
				'Circle is accepted and ends.'
			]);
			expect(events.map((e) => e.activity.running.join())).to.deep.equal(['', ...Array<string>(4).fill('draw.circle'), '']);
			expect(events.filter((e) => e.waits)).to.have.length(1);
		});

		it('type aliases at a command line, and end what may not go on', () => {
			const [, , ran] = told('x', made('x', 'run draw.circle; type "dl"; accept'));
			expect(ran).to.include({ said: 'Line runs and ends Circle.', fault: 'ends' });
		});

		it('tell what would be launched, and launch nothing', () => {
			const [event] = told('x', made('x', 'launch "viewer" "a file.pdf"'));
			expect(event!.launches).to.deep.equal({ program: 'viewer', arguments: ['a file.pdf'] });
			expect(event!.said).to.include('Skarn launches nothing');
		});

		/** Macros that call each other at random: for each, those that it runs. */
		const graph = fc.array(fc.array(fc.nat({ max: 5 }), { maxLength: 3 }), { minLength: 6, maxLength: 6 });
		const macrosOf = (calls: readonly (readonly number[])[]) =>
			calls.map((to, i) => made(`m${i}`, to.map((n) => `run macro:m${n}`).join('; ')));
		/** By enumeration: whether the macro comes back to itself. */
		const comesBack = (calls: readonly (readonly number[])[], from: number) => {
			const seen = new Set<number>();
			const walk = (at: number): boolean => calls[at]!.some((n) => n === from || (!seen.has(n) && (seen.add(n), walk(n))));
			return walk(from);
		};

		it('always end, and a circle is found exactly where enumeration finds one', () => {
			fc.assert(
				fc.property(graph, (calls) => {
					const macros = macrosOf(calls);
					const inCircle = calls.map((_, i) => comesBack(calls, i));
					expect(found(...macros).some((f) => f.rule === 'loop')).to.equal(inCircle.includes(true));
					for (const i of calls.keys()) {
						const events = told(`m${i}`, ...macros);
						expect(events.length).to.be.lessThan(2_002);
						if (inCircle[i]) expect(events.at(-1)!.fault).to.equal('loop');
					}
				}),
				{ numRuns: 200 }
			);
		});

		it('every pattern begins sound', () => {
			for (const { inside, steps } of patternsFor('draw.parallel'))
				expect(
					found(Macro.parse({ id: 'macro:x', label: 'x', inside, steps })).filter((f) => f.severity !== 'note'),
					stepsText(steps)
				).to.deep.equal([]);
		});
	});

	describe('checked', () => {
		it('every rule has an example in the demo', () => {
			const profile = demoProfile(varve);
			const rules = new Set(checkMacros(indexOf(subject, profile), profile).map((f) => f.rule));
			expect([...rules].sort()).to.deep.equal([...MACRO_RULE_IDS].filter((r) => r !== 'ends').sort());
			expect(found(made('x', 'run draw.point', { inside: true }))[0]!.rule).to.equal('ends');
		});

		it('tell where a shortcut runs a macro whose command does not exist there', () => {
			const profile = demoProfile(varve);
			const index = indexOf(subject, profile);
			const [finding] = checkMacros(index, profile).filter((f) => f.rule === 'orphan' && f.severity === 'attention');
			const { keys, situation } = finding!.witness;
			const step = macroTable(profile).inForce.get(finding!.macro)!.macro.steps[finding!.step!]!;
			expect(keys).to.equal('Alt+J');
			expect(step.do === 'run' && index.reach({ command: step.command, scope: {}, scopeText: '' })).to.not.equal(false);
			const where = subject.space.situations[situation]!;
			const command = subject.catalogue.get((step as { command: CommandId }).command)!;
			expect(
				command.contexts.some((scope) =>
					Object.entries(scope).every(([axis, nodes]) =>
						nodes.some((n) => where[subject.space.axes.findIndex((a) => a.id === axis)] === n)
					)
				)
			).to.equal(false);
		});

		it('every way out removes its finding and brings no error', () => {
			const macro = fc.record({ steps: fc.array(step, { maxLength: 6 }), inside: fc.boolean() });
			fc.assert(
				fc.property(fc.array(macro, { minLength: 1, maxLength: 3 }), (list) => {
					const macros = list.map(({ steps, inside }, i) => Macro.parse({ id: `macro:m${i}`, label: `m${i}`, steps, inside }));
					const before = found(...macros);
					const errors = before.filter((f) => f.severity === 'error').length;
					const same = (f: (typeof before)[number]) => before.filter((b) => b.rule === f.rule && b.macro === f.macro).length;
					for (const finding of before)
						for (const fix of finding.fixes) {
							const after = found(...macros.map((m) => (m.id === fix.to.id ? fix.to : m)));
							const left = after.filter((f) => f.rule === finding.rule && f.macro === finding.macro).length;
							expect(left, `${finding.sentence} / ${fix.label}`).to.be.lessThan(same(finding) || 1);
							expect(after.filter((f) => f.severity === 'error').length).to.be.at.most(errors);
						}
				}),
				{ numRuns: 300 }
			);
		});
	});

	describe('in edits', () => {
		const a = made('a', 'cancel');
		const start = withMacros([]);
		const inOffice = (profile: Profile) => stratumById(profile, office!.id);
		const told = (before: Profile, now: Profile) =>
			differencesBetween(before, now, namesOf(indexOf(subject, now))).map((d) => [d.chapter, d.kind, d.command]);

		it('come, change, go and come back as they were', () => {
			const there = applyEdit(start, setMacro(inOffice(start), a));
			expect(told(start, there)).to.deep.equal([[MACROS, 'added', 'macro:a']]);
			const changes = setMacro(inOffice(there), { ...a, label: 'Other' });
			const other = applyEdit(there, changes);
			expect(told(there, other)).to.deep.equal([[MACROS, 'changed', 'macro:a']]);
			const back = applyEdit(other, inverseEdit(changes));
			expect(told(there, back)).to.deep.equal([]);
			expect([...macrosIn(inOffice(back)).values()]).to.deep.equal([...macrosIn(inOffice(there)).values()]);
			expect(told(there, start)).to.deep.equal([[MACROS, 'removed', 'macro:a']]);
		});

		it('are refused whole where the macro is not as expected, or the stratum is the factory', () => {
			const there = withMacros([a]);
			expect(() => applyEdit(there, setMacro(inOffice(start), a))).to.throw(StaleChangeError, 'expected none, found set at 0');
			expect(() => applyEdit(start, setMacro(start[0]!, a))).to.throw(FactoryWriteError, 'read-only');
		});

		it('are re-checked with what they can affect, and with exactly the answer of a full check', () => {
			const all = demoCircumstances(varve, demoProfile(varve));
			for (const id of macroTable(demoProfile(varve)).inForce.keys()) {
				const checks = new Checks(all);
				for (const _ of checks.steps());
				const { stratum, macro } = macroTable(demoProfile(varve)).inForce.get(id)!;
				const said = dropMacro(stratumById(demoProfile(varve), stratum.id), macro.id);
				const now = demoCircumstances(varve, applyEdit(demoProfile(varve), said));
				followEdit(checks, now, said);
				expect(checks.list().map(findingId).sort(), id).to.deep.equal(check(now).map(findingId).sort());
			}
		});

		it('are re-checked so in small applications of all kinds as well', () => {
			fc.assert(
				fc.property(small(), fc.boolean(), (app: Small, comes) => {
					// the command of some shortcut is a macro that comes or goes
					const [stratum] = app.profile.filter((s) => s.kind !== 'factory');
					const [binding] = app.index.effective.bindings;
					fc.pre(stratum !== undefined && binding !== undefined);
					const id = 'macro:x' as CommandId;
					const entries = [
						...shortcutsIn(stratum).values(),
						{ op: 'set' as const, command: id, keys: binding.keys, scope: binding.scope, rank: 9_999 }
					];
					const without = app.profile.map((s) => (s === stratum ? stratumOf(s, entries) : s));
					const withIt = without.map((s) =>
						s.id === stratum.id ? stratumOf(s, [...shortcutsIn(s).values()], null, [made('x', 'cancel')]) : s
					);
					const [before, after] = comes ? [without, withIt] : [withIt, without];
					const checks = new Checks(circumstances(app, before));
					for (const _ of checks.steps());
					checks.update(circumstances(app, after), [], [id]);
					expect(checks.list().map(findingId).sort()).to.deep.equal(check(circumstances(app, after)).map(findingId).sort());
				}),
				{ numRuns: 200 }
			);
		});
	});

	it('begin with nothing at hand', () => expect(IDLE).to.deep.equal({ running: [], text: '' }));
});
