import { expect } from 'chai';
import { existsSync, readFileSync } from 'node:fs';
import { check, teller } from '../../../core/chapters/shortcuts/check/check.ts';
import { fixAll } from '../../../core/chapters/shortcuts/check/fix-all.ts';
import { fixesOf } from '../../../core/chapters/shortcuts/check/fixes.ts';
import { RULE_IDS, type Finding } from '../../../core/chapters/shortcuts/check/finding.ts';
import { applyChanges, composed, type Change } from '../../../core/shortcut/change.ts';
import type { StratumId } from '../../../core/strata/stratum.ts';
import { standInFile, standIns } from '../../../demo/fill.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { tuff } from '../../../demo/tuff/tuff.ts';
import { varve } from '../../../demo/varve/varve.ts';
import { demoCircumstances, demoProfile } from '../demo-office.ts';

describe('the demo office', () => {
	it('has the catalogues that it promises, each program with a rule of its own', () => {
		expect(gneiss.commands.length).to.be.at.least(250);
		expect(varve.commands.length).to.be.at.least(200);
		expect(tuff.commands.length).to.be.at.least(250);
		expect(standIns.map((s) => s.application.rules.ambiguity)).to.deep.equal(['chooser', 'first', 'narrowest']);
		expect(gneiss.factoryEntries.length).to.be.within(85, 120);
		for (const { commands } of standIns)
			for (const command of commands) expect(command.description.length, command.id).to.be.greaterThan(5);
	});

	for (const standIn of standIns)
		it(`has an untouched factory of ${standIn.application.name} without an error or a warning`, () => {
			const found = check(demoCircumstances(standIn, demoProfile(standIn).slice(0, 1)));
			expect(found.filter((f) => f.severity !== 'note')).to.deep.equal([]);
		});

	it('has an example of every rule, on purpose', () => {
		const found = new Set(standIns.flatMap((standIn) => check(demoCircumstances(standIn)).map((f) => f.rule)));
		expect(found).to.deep.equal(new Set(RULE_IDS));
		expect(new Set(check(demoCircumstances(gneiss)).map((f) => f.rule))).to.deep.equal(new Set(RULE_IDS));
	});

	it('has in Gneiss the two clashes, the eaten stroke, the typed one and the one that is never heard', () => {
		const errors = check(demoCircumstances(gneiss)).filter((f) => f.severity === 'error');
		expect(errors.map((f) => [f.rule, f.witness.keys])).to.have.deep.members([
			['clash', 'F'],
			['clash', 'G'],
			['layout', 'Ctrl+Alt+E'],
			['typing', 'Shift+K'],
			['unheard', 'Shift+7']
		]);
	});

	it('names the several narrower bindings that together leave one dead', () => {
		const c = demoCircumstances(tuff);
		const dead = check(c).find((f) => f.rule === 'dead')!;
		expect(teller(c)(dead).causes.map((b) => b.command)).to.have.members(['mesh.move', 'sheet.move']);
	});

	/** What a steward does in Findings: takes the first way out of the worst finding until none is left. */
	for (const standIn of standIns)
		it(`can be taken from many findings to none in ${standIn.application.name}, with ways out alone`, () => {
			let profile = demoProfile(standIn);
			const edits: Change[][] = [];
			for (let round = 0; ; round++) {
				expect(round).to.be.lessThan(80);
				const c = demoCircumstances(standIn, profile);
				// notes about where Z and Y lie are facts of the layouts, which an office accepts rather than mends
				const open = check(c).filter((f) => f.rule !== 'layout' || f.severity !== 'note');
				if (open.length === 0) break;
				const way = open
					.flatMap((finding: Finding) =>
						(['personal', 'office'] as StratumId[]).map((target) => fixesOf(c, finding, { profile, target })[0])
					)
					.find((fix) => fix !== undefined);
				expect(way, teller(c)(open[0]!).sentence).to.not.equal(undefined);
				profile = applyChanges(profile, way!.changes);
				edits.push([...way!.changes]);
			}
			expect(edits.length).to.be.greaterThan(5);
			expect(applyChanges(demoProfile(standIn), composed(edits))).to.deep.equal(profile);
		});

	it('mends all findings of a kind in one edit, and says which stay', () => {
		const profile = demoProfile();
		const c = demoCircumstances(gneiss, profile);
		const prefixes = check(c).filter((f) => f.rule === 'prefix');
		const all = fixAll(c, prefixes, 'move', { profile, target: 'personal' as StratumId });
		expect(all.steps.length + all.left.length).to.be.at.most(prefixes.length);
		expect(all.steps.length).to.be.greaterThan(0);
		const after = check(demoCircumstances(gneiss, applyChanges(profile, all.changes)));
		expect(after.filter((f) => f.rule === 'prefix')).to.have.length(all.left.length);
	});

	it('names only icons that are in the shipped sprite', () => {
		const sprite = new URL('../../../static/command-icons.svg', import.meta.url);
		expect(existsSync(sprite)).to.equal(true);
		const ids = new Set([...readFileSync(sprite, 'utf8').matchAll(/symbol id="([^"]+)"/g)].map((m) => m[1]));
		for (const { commands } of standIns)
			for (const command of commands) expect(ids.has(command.icon), command.icon).to.equal(true);
	});
});

describe('The sample programs of a first start', () => {
	for (const standIn of standIns)
		it(`${standIn.application.id} lies in static/stand-ins as the demo has it (npm run stand-ins)`, () => {
			const file = readFileSync(`static/stand-ins/${standIn.application.id}.json`, 'utf8');
			expect(JSON.parse(file)).to.deep.equal(JSON.parse(JSON.stringify(standInFile(standIn))));
		});
});
