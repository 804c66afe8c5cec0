import { expect } from 'chai';
import fc from 'fast-check';
import { check, checkAndTell, tellAll, teller } from '../../../../../core/chapters/shortcuts/check/check.ts';
import type { Told } from '../../../../../core/chapters/shortcuts/check/finding.ts';
import { gneiss } from '../../../../../demo/gneiss/gneiss.ts';
import { tuff } from '../../../../../demo/tuff/tuff.ts';
import { varve } from '../../../../../demo/varve/varve.ts';
import { circumstances as circumstancesFor, small } from '../../../arbitrary.ts';
import { demoCircumstances } from '../../../demo-office.ts';

const whole = ({ rule, severity, command, bindings, witness, detail, sentence, id, count, circumstances, causes }: Told) => ({
	rule,
	severity,
	command,
	bindings: bindings.map((b) => b.key),
	witness,
	detail,
	sentence,
	id,
	count,
	circumstances,
	causes: causes.map((b) => b.key)
});

describe('telling', () => {
	it('says the same while the check goes on as afterwards, all at once or one by one', () => {
		fc.assert(
			fc.property(small(), (app) => {
				const c = circumstancesFor(app);
				const findings = check(c);
				const afterwards = tellAll(c, findings).map(whole);
				expect(checkAndTell(c, whole)).to.deep.equal(afterwards);
				expect(findings.map(teller(c)).map(whole)).to.deep.equal(afterwards);
			}),
			{ numRuns: 150 }
		);
	});

	it('counts situations in which the finding shows, the witness among them', () => {
		for (const standIn of [gneiss, varve, tuff])
			for (const told of checkAndTell(demoCircumstances(standIn), whole)) {
				expect(told.sentence, told.id).to.match(/^[A-Z0-9§ö].*\.$/su);
				expect(told.count, told.id).to.be.at.least(
					told.rule === 'orphan' || told.rule === 'stranded' || told.rule === 'locked' ? 0 : 1
				);
			}
	});
});
