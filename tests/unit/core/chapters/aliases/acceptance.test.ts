import { expect } from 'chai';
import { aliasAcceptable } from '../../../../../core/chapters/aliases/acceptance.ts';
import { aliasFindings } from '../../../../../core/chapters/aliases/check.ts';
import { emptyAliasFile } from '../../../../../core/chapters/aliases/file.ts';
import { accepts, isAccepted, acceptancesOf, staleAcceptances } from '../../../../../core/check/acceptance.ts';
import { circumstancesOf, indexOf } from '../../../../../core/profile/circumstances.ts';
import { macroAcceptable } from '../../../../../core/chapters/macros/acceptance.ts';
import { checkMacros } from '../../../../../core/chapters/macros/check.ts';
import { Macro } from '../../../../../core/chapters/macros/macro.ts';
import { parseSteps } from '../../../../../core/chapters/macros/steps.ts';
import { ACCEPTANCES, acceptancesIn, acceptedIn } from '../../../../../core/chapters/acceptances/acceptance.ts';
import { applyEdit, tagged } from '../../../../../core/profile/edit.ts';
import type { Profile, StratumId } from '../../../../../core/strata/stratum.ts';
import { stratumOf, withAcceptances } from '../../../strata.ts';
import { releaseFaults } from '../../../../../core/release/faults.ts';
import { varve } from '../../../../../demo/varve/varve.ts';
import { subjectOf } from '../../../demo-office.ts';

const subject = subjectOf(varve);
const input = varve.application.rules.aliases!;
const [factory, office] = varve.strata;
const target = office!.id as StratumId;
const withText = (text: string, steps = 'run no.such'): Profile => [
	stratumOf(factory!, [], undefined),
	stratumOf(office!, [], { ...emptyAliasFile, text }, [Macro.parse({ id: 'macro:x', label: 'X', steps: parseSteps(steps) })])
];
const aliasesOf = (profile: Profile) => aliasFindings(profile, input, subject.catalogue).map(aliasAcceptable);
const macrosOf = (profile: Profile) => checkMacros(indexOf(subject, profile), profile).map(macroAcceptable);
const acceptedOf = acceptedIn;
const faultsOf = (profile: Profile) =>
	releaseFaults({ circumstances: circumstancesOf(subject, profile, [], null), profile, released: undefined });

/** The same acceptances over other files. */
const over = (accepted: Profile, files: Profile): Profile =>
	files.map((stratum, i) => withAcceptances(stratum, [...acceptancesIn(accepted[i]!).values()]));

describe('acceptances of findings in files', () => {
	const text = 'zz -> draw.arc\nzz -> rivet.row\n';
	const profile = withText(text);
	const [clash] = aliasesOf(profile);
	const [orphan] = macrosOf(profile);
	const accepted = [clash!, orphan!].reduce(
		(now, finding) => applyEdit(now, tagged({ id: ACCEPTANCES }, [accepts({ profile: now, target }, finding, 'we know')])),
		profile
	);

	it('let errors go out with a release', () => {
		expect(faultsOf(profile).map((f) => f.chapter)).to.have.members(['aliases', 'macros']);
		expect(faultsOf(accepted)).to.deep.equal([]);
	});

	it('hold wherever the line stands', () => {
		const moved = over(accepted, withText(`# ours\n\nqq -> draw.arc\n${text}`));
		expect(
			isAccepted(
				acceptedOf(moved),
				aliasesOf(moved).find((f) => f.id === clash!.id)!
			)
		).to.equal(true);
		expect(faultsOf(moved)).to.deep.equal([]);
	});

	it('say nothing any more when the line or the other one says something else', () => {
		const other = over(accepted, withText(text.replace('draw.arc', 'draw.segment')));
		const now = aliasesOf(other).find((f) => f.id === clash!.id)!;
		expect(isAccepted(acceptedOf(other), now)).to.equal(false);
		expect(faultsOf(other).map((f) => f.chapter)).to.deep.equal(['aliases']);
		const mended = over(accepted, withText('zz -> draw.arc\n', 'run draw.arc'));
		const still = acceptedOf(mended);
		expect(staleAcceptances(acceptancesOf(still, 'alias-'), aliasesOf(mended)).map((a) => a.acceptance.finding)).to.deep.equal([
			clash!.id
		]);
		expect(staleAcceptances(acceptancesOf(still, 'macro-'), macrosOf(mended)).map((a) => a.acceptance.finding)).to.deep.equal([
			orphan!.id
		]);
	});

	it('are stale for the check they are of alone', () => {
		expect(staleAcceptances(acceptancesOf(acceptedOf(accepted), 'alias-'), aliasesOf(accepted))).to.deep.equal([]);
		expect(staleAcceptances(acceptancesOf(acceptedOf(accepted), 'macro-'), [])).to.have.length(1);
	});
});
