import { expect } from 'chai';
import { existsSync, readFileSync } from 'node:fs';
import { check } from '../../../core/check/check.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { RULE_IDS } from '../../../core/check/finding.ts';
import { demoCircumstances, demoProfile } from '../demo-office.ts';

const { application, commands, factoryEntries } = gneiss;

describe('the demo office', () => {
	it('has the catalogue that it promises', () => {
		expect(commands.length).to.be.at.least(250);
		expect(factoryEntries.length).to.be.within(85, 110);
		expect(application.rules.ambiguity).to.equal('chooser');
		for (const command of commands) expect(command.description.length, command.id).to.be.greaterThan(10);
	});

	it('has an untouched factory without an error or anything worth attention', () => {
		const found = check(demoCircumstances(gneiss, demoProfile().slice(0, 1)));
		expect(found.filter((f) => f.severity !== 'note')).to.deep.equal([]);
	});

	it('has an example of every rule, on purpose, and two clashes', () => {
		const found = check(demoCircumstances(gneiss));
		expect(new Set(found.map((f) => f.rule))).to.deep.equal(new Set(RULE_IDS));
		expect(found.filter((f) => f.severity === 'error').map((f) => [f.rule, f.witness.keys])).to.have.deep.members([
			['clash', 'F'],
			['clash', 'G'],
			['layout', 'Ctrl+Alt+E'],
			['typing', 'Shift+K']
		]);
	});

	it('names only icons that are in the shipped sprite', () => {
		const sprite = new URL('../../../static/command-icons.svg', import.meta.url);
		expect(existsSync(sprite)).to.equal(true);
		const ids = new Set([...readFileSync(sprite, 'utf8').matchAll(/symbol id="([^"]+)"/g)].map((m) => m[1]));
		for (const command of commands) expect(ids.has(command.icon), command.icon).to.equal(true);
	});
});
