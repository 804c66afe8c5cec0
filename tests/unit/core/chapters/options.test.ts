import { expect } from 'chai';
import { searchOptions } from '../../../../core/chapters/options/listing.ts';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import fc from 'fast-check';
import { definitionsOf, optionsFold, optionsIn, valueOf } from '../../../../core/chapters/options/option.ts';
import { nearestValue, OptionDefinition, valueProblem, valueText, type OptionType } from '../../../../core/application/option.ts';
import { optionChecker } from '../../../../core/chapters/options/checker.ts';
import { lockOption, removeOption, resetOption, setOption } from '../../../../core/chapters/options/writing.ts';
import type { Looking } from '../../../../core/check/finding.ts';
import { circumstancesOf, indexOf } from '../../../../core/profile/circumstances.ts';
import { compareFile } from '../../../../core/hand-over/compare.ts';
import { profileFile, readProfileFile, writeProfileFile } from '../../../../core/hand-over/profile-file.ts';
import { SECTIONS, selectProfile, USUAL } from '../../../../core/hand-over/selection.ts';
import { applyEdit } from '../../../../core/profile/edit.ts';
import { problemsOf } from '../../../../core/profile/problems.ts';
import { stratumById, type Profile, type StratumId } from '../../../../core/strata/stratum.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import { demoProfile, subjectOf } from '../../demo-office.ts';

const subject = subjectOf(varve);
const definitions = definitionsOf(varve.application.rules);
const option = (path: string) => definitions.get(path)!;
const OFFICE = 'office' as StratumId;
const PERSONAL = 'personal' as StratumId;
const bare: Profile = varve.strata.map((head) => ({ ...head, contents: {} }));
const at = (profile: Profile, id: StratumId) => stratumById(profile, id);
const looking = (profile: Profile, released?: Profile): Looking => ({
	circumstances: circumstancesOf(subject, profile, [], null),
	profile,
	released
});
const found = (profile: Profile, released?: Profile) => optionChecker.findings(looking(profile, released));

const numbers = fc
	.record({
		min: fc.integer({ min: -50, max: 50 }),
		span: fc.integer({ min: 1, max: 100 }),
		step: fc.constantFrom(0.1, 0.5, 1, 3)
	})
	.map(({ min, span, step }): OptionType => ({ kind: 'number', min, max: min + span, step, unit: 'mm' }));

describe('options', () => {
	it('have the nearest allowed value for any number, which is allowed and none is nearer', () => {
		fc.assert(
			fc.property(numbers, fc.double({ min: -300, max: 300, noNaN: true }), (type, value) => {
				if (type.kind !== 'number') return;
				const near = nearestValue({ type }, value) as number;
				expect(valueProblem({ type }, near)).to.equal(undefined);
				for (let allowed = type.min; allowed <= type.max; allowed += type.step!)
					expect(Math.abs(near - value)).to.be.at.most(Math.abs(allowed - value) + 1e-6);
			})
		);
	});

	it('say what was expected where a value is none of theirs', () => {
		expect(valueProblem(option('canvas.readout'), 1)).to.equal('expected on or off (true or false), found 1');
		expect(valueProblem(option('sheet.paper'), 'a9')).to.equal('expected one of a3, a2, a1, roll, found "a9"');
		expect(valueProblem(option('snap.reach'), 41)).to.equal('expected 0 to 40 px, found 41');
		expect(valueProblem(option('units.decimals'), 1.5)).to.equal('expected steps of 1 from 0, found 1.5');
		expect(valueProblem(option('units.decimals'), '2')).to.equal('expected a number from 0 to 6, found "2"');
		expect(valueProblem(option('files.folder'), 'x'.repeat(201))).to.equal('expected at most 200 characters, found 201');
		expect(valueText(option('snap.reach'), 4)).to.equal('4 px');
		expect(valueText(option('canvas.readout'), false)).to.equal('off');
		expect(valueText(option('sheet.paper'), 'roll')).to.equal('roll');
	});

	it('are refused in a catalogue whose usual value they could not have', () => {
		const made = { path: 'x.y', label: 'X', group: 'G', type: { kind: 'number', min: 1, max: 3 } };
		expect(OptionDefinition.safeParse({ ...made, default: 2 }).success).to.equal(true);
		for (const usual of [0, 'two', true]) expect(OptionDefinition.safeParse({ ...made, default: usual }).success).to.equal(false);
		for (const path of ['', 'X', 'a..b', '.a', 'a b'])
			expect(OptionDefinition.safeParse({ ...made, path, default: 2 }).success).to.equal(false);
	});

	it('count as the uppermost stratum says; a remove brings the application’s own back, a lock holds', () => {
		const { path } = option('units.decimals');
		const value = (profile: Profile) => valueOf(profile, option('units.decimals'));
		const office = applyEdit(bare, setOption(at(bare, OFFICE), path, 1));
		expect([value(bare), value(office)]).to.deep.equal([2, 1]);
		const own = applyEdit(office, setOption(at(office, PERSONAL), path, 4));
		expect(value(own)).to.equal(4);
		expect(value(applyEdit(own, resetOption(at(own, PERSONAL), path)))).to.equal(1);
		expect(value(applyEdit(office, removeOption(at(office, PERSONAL), path)))).to.equal(2);
		const locked = applyEdit(own, lockOption(at(own, OFFICE), path, true));
		expect([value(locked), optionsFold(locked).inForce.get(path)!.lockedBy?.id]).to.deep.equal([1, OFFICE]);
		expect(value(applyEdit(locked, lockOption(at(locked, OFFICE), path, false)))).to.equal(4);
	});

	it('are refused on write where they are not there, out of range, or locked below', () => {
		const { path } = option('units.decimals');
		const problem = (profile: Profile, changes: Parameters<typeof problemsOf>[0]) =>
			problemsOf(changes, { index: indexOf(subject, profile), profile })[0]?.message;
		expect(problem(bare, setOption(at(bare, OFFICE), 'no.such' as typeof path, 1))).to.include('there is no option no.such');
		expect(problem(bare, setOption(at(bare, OFFICE), path, 7))).to.equal('Decimal places: expected 0 to 6, found 7');
		const set = applyEdit(bare, setOption(at(bare, OFFICE), path, 1));
		const locked = applyEdit(set, lockOption(at(set, OFFICE), path, true));
		for (const changes of [setOption(at(locked, PERSONAL), path, 3), removeOption(at(locked, PERSONAL), path)])
			expect(problem(locked, changes)).to.equal('Office has locked the option Decimal places; Personal cannot change it');
		expect(problem(locked, setOption(at(locked, OFFICE), path, 3))).to.equal(undefined);
	});

	it('are found where a new version does not have them or takes other values, with ways out', () => {
		const wrong = applyEdit(bare, [
			...setOption(at(bare, PERSONAL), 'gone.away' as never, true),
			...setOption(at(bare, OFFICE), option('snap.reach').path, 99)
		]);
		const all = found(wrong);
		expect(all.map((f) => [f.rule, f.severity, f.stratum])).to.deep.equal([
			['range', 'error', OFFICE],
			['orphan', 'attention', PERSONAL]
		]);
		const fixes = all[0]!.fixes({ profile: wrong, target: OFFICE });
		expect(fixes.map((f) => f.label)).to.deep.equal(['Set Snap distance to 40 px', 'Reset to 10 px']);
		for (const fix of fixes) expect(found(applyEdit(wrong, fix.changes)).map((f) => f.rule)).to.deep.equal(['orphan']);
		expect(all[0]!.fixes({ profile: wrong, target: PERSONAL })).to.deep.equal([]);
	});

	it('are found where a lock stops them, where the seats have another value, and where a restart is needed', () => {
		const released = demoProfile(varve, 1).filter((s) => s.kind !== 'personal');
		const rules = new Map(found(demoProfile(varve), released).map((f) => [`${f.rule} ${f.command}`, f.sentence()]));
		expect([...rules.keys()]).to.have.members(['locked units.decimals', 'moved sheet.paper', 'restart interface.size']);
		expect(rules.get('moved sheet.paper')).to.equal('Paper size is A1; at the seats it is A2.');
	});

	it('of one machine stay there unless they are ticked, in and out', () => {
		const profile = demoProfile(varve);
		const index = indexOf(subject, profile);
		const paths = (p: Profile) => p.flatMap((s) => [...optionsIn(s).values()].map((o) => o.path as string));
		expect(paths(profile)).to.include('files.folder');
		const usual = paths(selectProfile(profile, USUAL, { index }));
		expect(usual).to.include('level.base');
		expect(usual).to.not.include('files.folder');
		const file = readProfileFile('x.json', writeProfileFile(profileFile(varve.application, profile)));
		const items = (sections: readonly string[]) =>
			compareFile(subject, bare, file, { selection: { ...USUAL, sections }, into: undefined, otherwise: PERSONAL })
				.items.filter((item) => item.chapter === 'options')
				.map((item) => item.caption.label);
		expect(items(USUAL.sections)).to.not.include('Working folder');
		expect(items(USUAL.sections)).to.include('Level zero');
		expect(items(SECTIONS)).to.include('Working folder').and.include('Level zero');
	});

	it('are found by what people ask: words that explain, synonyms, other endings, and words of which some are known', () => {
		const options = gneiss.application.rules.options!;
		const first = (text: string) => searchOptions(options, text)![0];
		for (const [text, path] of [
			['how often does it save', 'save.every'],
			['how fine curves are', 'canvas.smooth'],
			['mouse wheel', 'navigation.zoom'],
			['what stays in place when I zoom', 'navigation.about'],
			['keeping copies', 'save.copies'],
			['degrees or gradians', 'units.angle'],
			['decimal places', 'units.decimals']
		] as const)
			expect(first(text), text).to.equal(path);
		expect(searchOptions(options, '  ')).to.equal(undefined);
		expect(searchOptions(options, 'zzzzzz')).to.deep.equal([]);
		expect(searchOptions(options, 'how does it'), 'words that ask alone').to.be.an('array');
	});
});
