import { expect } from 'chai';
import { indexOf } from '../../../../../core/profile/circumstances.ts';
import { checkMacros } from '../../../../../core/chapters/macros/check.ts';
import type { MacroRuleId } from '../../../../../core/chapters/macros/finding.ts';
import { IDLE, perform, type Activity, type Fault } from '../../../../../core/chapters/macros/machine.ts';
import { macroGround } from '../../../../../core/chapters/macros/check.ts';
import { Macro } from '../../../../../core/chapters/macros/macro.ts';
import { parseSteps } from '../../../../../core/chapters/macros/steps.ts';
import type { Profile } from '../../../../../core/strata/stratum.ts';
import { stratumOf, type SaidMacro } from '../../../strata.ts';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import type { StandIn } from '../../../../../demo/stand-in.ts';
import { varve } from '../../../../../demo/varve/varve.ts';
import { subjectOf } from '../../../demo-office.ts';

const made = (id: string, steps: string, { locks = false, ...more }: Partial<Macro> & { locks?: boolean } = {}) => ({
	...Macro.parse({ id: `macro:${id}`, label: id, steps: parseSteps(steps), ...more }),
	...(locks && { locks })
});

function setUp(app: StandIn, office: readonly SaidMacro[], own: readonly SaidMacro[] = [], shortcuts = '') {
	const [factory, second, third] = app.strata;
	const profile: Profile = [
		stratumOf(factory!, app.factoryEntries, app.factoryAliases),
		stratumOf(second!, [], null, office),
		stratumOf(third!, shortcuts === '' ? [] : app.entriesOf(shortcuts), null, own)
	];
	const index = indexOf(subjectOf(app), profile);
	return { index, profile };
}
const found = (office: readonly SaidMacro[], own: readonly SaidMacro[] = [], shortcuts = '', app: StandIn = varve) => {
	const { index, profile } = setUp(app, office, own, shortcuts);
	return checkMacros(index, profile);
};
const rules = (...args: Parameters<typeof found>): MacroRuleId[] => found(...args).map((f) => f.rule);

describe('rules of macros, one by one', () => {
	it('cancels: only in a macro for use inside, at each cancel', () => {
		expect(rules([made('a', 'cancel; type "2"; accept')])).to.deep.equal([]);
		const twice = found([made('a', 'cancel; type "2"; accept; cancel', { inside: true })]);
		expect(twice.map((f) => [f.rule, f.step])).to.deep.equal([
			['cancels', 0],
			['cancels', 3]
		]);
		expect(twice[0]!.sentence).to.include('step 1 cancels that command');
		expect(twice[0]!.fixes.map((f) => f.to.steps.length)).to.deep.equal([3, 4]);
	});

	it('ends: a command that may not run inside, until a cancel has ended the other anyhow', () => {
		const nested = varve.commands.find((c) => c.nested)!.id;
		expect(rules([made('a', `run ${nested}`, { inside: true })])).to.deep.equal([]);
		expect(rules([made('a', 'run rivet.row', { inside: true })])).to.deep.equal(['ends']);
		expect(rules([made('a', 'cancel; run rivet.row', { inside: true })])).to.deep.equal(['cancels']);
		expect(rules([made('a', 'run rivet.row')])).to.deep.equal([]);
	});

	it('orphan: an error for a command that is not there, attention where a shortcut reaches further than it', () => {
		const [gone] = found([made('a', 'run no.such; run rivet.row')]);
		expect(gone).to.include({ rule: 'orphan', severity: 'error', step: 0 });
		expect(gone!.fixes[0]!.to.steps).to.deep.equal(parseSteps('run rivet.row'));
		expect(rules([made('a', 'run rivet.row')], [], 'set | Alt+J | macro:a | any')).to.deep.equal(['orphan']);
		expect(rules([made('a', 'run rivet.row')], [], 'set | Alt+J | macro:a | draw')).to.deep.equal([]);
		expect(rules([made('a', 'run file.save')], [], 'set | Alt+J | macro:a | any')).to.deep.equal([]);
	});

	it('loop: told once for a circle, and not for a macro that only leads into one', () => {
		const [self] = found([made('a', 'cancel; run macro:a')]);
		expect(self!.sentence).to.equal('a calls itself in step 2: it would never end.');
		const circle = found([
			made('a', 'run macro:b'),
			made('b', 'run macro:c'),
			made('c', 'run macro:a'),
			made('d', 'run macro:a')
		]);
		expect(circle.map((f) => f.sentence)).to.deep.equal(['a calls b calls c calls a: it would never end.']);
		expect(rules([made('a', 'run macro:b; run macro:b'), made('b', 'run view.fit')])).to.deep.equal([]);
	});

	it('accept: text that is left in the field, lost, or typed where nobody listens', () => {
		expect(rules([made('a', 'run rivet.row; type "5"')])).to.deep.equal(['accept']);
		expect(rules([made('a', 'run rivet.row; type "5"; type "0"; accept')])).to.deep.equal([]);
		const [lost] = found([made('a', 'run rivet.row; type "5"; cancel; run draw.arc')]);
		expect(lost).to.include({ rule: 'accept', step: 1 });
		const [unheard] = found([made('a', 'type "5"; accept')], [], '', gneiss);
		expect(unheard!.sentence).to.include('there is no command line; nobody takes it');
		expect(rules([made('a', 'type "dl"; accept')])).to.deep.equal([]);
	});

	it('locked and empty', () => {
		const office = made('a', 'cancel', { locks: true });
		const changed = found([office], [{ ...office, label: 'Mine' }, made('b', '')]);
		expect(changed.map((f) => [f.rule, f.severity, f.stratum])).to.deep.equal([
			['locked', 'error', 'personal'],
			['empty', 'note', 'personal']
		]);
		const gone = found([office], [{ id: office.id, gone: true }]);
		expect(gone[0]!.sentence).to.include('Personal removes a, which Office has locked');
	});

	it('give a witness that runs the macro where it can run', () => {
		const { index, profile } = setUp(varve, [made('a', 'run no.such')], [], 'set | Alt+J | macro:a | layers');
		const [finding] = checkMacros(index, profile);
		expect(finding!.witness.keys).to.equal('Alt+J');
		expect(index.space.labelOf(finding!.witness.situation)).to.include('Layers');
	});
});

describe('steps of a macro, by what goes on', () => {
	const { index, profile } = setUp(varve, [made('half', 'type "/2"; accept')]);
	const ground = macroGround(index, profile);
	const drawing: Activity = { running: ['rivet.row' as never], text: '' };
	const nested = varve.commands.find((c) => c.nested && c.kind === 'one-shot')!;

	for (const [step, from, said, fault] of [
		['cancel', drawing, 'Rivet row ends.', undefined],
		['cancel', { ...drawing, text: '5' }, 'Rivet row ends. The text "5" was not accepted and is lost.', 'lost'],
		['run draw.arc', drawing, 'Arc runs and ends Rivet row.', 'ends'],
		[`run ${nested.id}`, drawing, `${nested.label} runs inside Rivet row.`, undefined],
		['run no.such', IDLE, 'There is no command no.such in this version; nothing runs.', 'unknown'],
		['run macro:half', IDLE, 'half begins.', undefined],
		['type "5"', drawing, '"5" is typed for Rivet row.', undefined],
		['type "5"', IDLE, '"5" is typed into the command line.', undefined],
		['accept', { ...drawing, text: '5' }, 'Rivet row takes "5".', undefined],
		['accept', drawing, 'Rivet row is accepted and ends.', undefined],
		['accept', { ...drawing, text: 'dl' }, 'Line runs and ends Rivet row.', 'ends'],
		['accept', { running: [], text: 'dl' }, 'Line runs.', undefined],
		['accept', IDLE, 'There is nothing to accept.', 'unheard'],
		['pick "corner"', drawing, 'Rivet row waits for a pick: corner.', undefined],
		['pick', IDLE, 'The macro waits for a pick.', undefined],
		['launch "x" "y z"', IDLE, 'Would launch x y z. Skarn launches nothing.', undefined]
	] as [string, Activity, string, Fault | undefined][])
		it(`${step} ${from.running.length > 0 ? 'inside Rivet row' : 'alone'}${from.text === '' ? '' : ` with "${from.text}"`}`, () => {
			const done = perform(from, parseSteps(step)[0]!, ground);
			expect(done.said).to.equal(said);
			expect(done.fault).to.equal(fault);
		});
});
