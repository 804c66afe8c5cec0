import { expect } from 'chai';
import { existsSync, readFileSync } from 'node:fs';
import { check } from '../../../core/check/check.ts';
import { application, commands, factoryEntries } from '../../../demo/gneiss/gneiss.ts';
import { demoIndex, demoProfile } from '../demo-office.ts';

describe('the demo office', () => {
	it('has the catalogue that it promises', () => {
		expect(commands.length).to.be.at.least(250);
		expect(factoryEntries.length).to.be.within(85, 110);
		expect(application.rules.ambiguity).to.equal('chooser');
		for (const command of commands) expect(command.description.length, command.id).to.be.greaterThan(10);
	});

	it('has an untouched factory without a finding', () => {
		expect(check({ index: demoIndex(demoProfile().slice(0, 1)) })).to.deep.equal([]);
	});

	it('has two clashes, one shadow and one dead entry, on purpose', () => {
		const found = check({ index: demoIndex() });
		expect(found.map((f) => [f.rule, f.witness.keys])).to.deep.equal([
			['clash', 'F'],
			['clash', 'G'],
			['shadow', 'P P'],
			['dead', 'Alt+D']
		]);
	});

	it('names only icons that are in the shipped sprite', () => {
		const sprite = new URL('../../../static/command-icons.svg', import.meta.url);
		expect(existsSync(sprite)).to.equal(true);
		const ids = new Set([...readFileSync(sprite, 'utf8').matchAll(/symbol id="([^"]+)"/g)].map((m) => m[1]));
		for (const command of commands) expect(ids.has(command.icon), command.icon).to.equal(true);
	});
});
