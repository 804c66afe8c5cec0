import { expect } from 'chai';
import { emptyAliasFile } from '../../../../core/chapters/aliases/file.ts';
import { circumstancesOf } from '../../../../core/profile/circumstances.ts';
import { published } from '../../../../core/strata/stratum.ts';
import { Macro } from '../../../../core/chapters/macros/macro.ts';
import { parseSteps } from '../../../../core/chapters/macros/steps.ts';
import type { Profile } from '../../../../core/strata/stratum.ts';
import { stratumOf } from '../../strata.ts';
import { releaseFaults } from '../../../../core/release/faults.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import { demoProfile, subjectOf } from '../../demo-office.ts';

const subject = subjectOf(varve);
const faultsOf = (profile: Profile) =>
	releaseFaults({ circumstances: circumstancesOf(subject, profile, [], null), profile, released: undefined });
const [factory, office, personal] = varve.strata;
const broken = Macro.parse({ id: 'macro:x', label: 'X', steps: parseSteps('run no.such') });
const wrong = { ...emptyAliasFile, text: 'zz -> draw.arc\nzz -> rivet.row\n' };
const withOffice = (aliases: typeof wrong | undefined, macros: Macro[]): Profile => [
	stratumOf(factory!, varve.factoryEntries, varve.factoryAliases),
	stratumOf(office!, [], aliases, macros),
	stratumOf(personal!, [], wrong, [{ ...broken, id: 'macro:y' as Macro['id'] }])
];

describe('faults that hold a release back', () => {
	it('are the errors in the office’s own aliases and macros, and nobody else’s', () => {
		expect(faultsOf(published(withOffice(wrong, [broken]))).map((f) => f.chapter)).to.have.members(['aliases', 'macros']);
		expect(faultsOf(withOffice(undefined, []))).to.deep.equal([]);
	});

	it('are none in what Altspur Cabins publishes', () => {
		expect(faultsOf(published(demoProfile(varve)))).to.deep.equal([]);
	});

	it('go when the line is commented out and the macro taken away', () => {
		const mended = withOffice({ ...wrong, text: wrong.text.replaceAll(/^/gm, '# ') }, []);
		expect(faultsOf(published(mended))).to.deep.equal([]);
	});
});
