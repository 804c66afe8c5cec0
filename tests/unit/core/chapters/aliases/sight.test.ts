import '../../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { emptyAliasFile } from '../../../../../core/chapters/aliases/file.ts';
import { aliasReport, type AliasStrata } from '../../../../../core/chapters/aliases/report.ts';
import { aliasSight, type AliasLook } from '../../../../../core/chapters/aliases/sight.ts';
import type { StratumId } from '../../../../../core/strata/stratum.ts';
import { varve } from '../../../../../demo/varve/varve.ts';
import { subjectOf } from '../../../demo-office.ts';

const { catalogue } = subjectOf(varve);
const setting = { input: varve.application.rules.aliases!, costs: new Map<string, number>(), released: undefined };
const [one, two] = varve.commands.map((c) => c.id);
const personal = 'personal' as StratumId;
const strataOf = (office: string, own: string): AliasStrata => [
	{ id: 'office' as StratumId, kind: 'office', name: 'Office', aliases: { ...emptyAliasFile, text: office } },
	{ id: personal, kind: 'personal', name: 'Personal', aliases: { ...emptyAliasFile, text: own } }
];
const all: AliasLook = {
	stratum: personal,
	accepted: new Map(),
	withAccepted: false,
	most: Infinity,
	lines: { from: 1, to: Infinity }
};

describe('what is seen of the findings of alias files', () => {
	const report = aliasReport(
		strataOf(`oo -> no.such\n`, `zz -> ${one}\nzz -> ${two}\nqq -> no.such\nww -> no.such\n;;\n`),
		setting,
		catalogue
	);

	it('is the open ones of one file, errors first, with how many there are besides', () => {
		const sight = aliasSight(report.found, all);
		expect(sight.findings.map((f) => f.severity)).to.deep.equal(['error', 'attention', 'attention', 'attention']);
		expect(sight.counts).to.deep.equal({ error: 1, attention: 3, note: 0 });
		expect(sight).to.deep.include({ left: 0, marks: [], elsewhere: 1, accepted: 0, gone: [] });
	});

	it('is cut where it is long; what is not listed is marked where the text is seen', () => {
		const sight = aliasSight(report.found, { ...all, most: 1, lines: { from: 4, to: 5 } });
		expect(sight.findings.map((f) => f.line)).to.deep.equal([2]);
		expect(sight.marks.map((f) => f.line)).to.deep.equal([4, 5]);
		expect(sight.left).to.equal(3);
		expect(sight.counts).to.deep.equal({ error: 1, attention: 3, note: 0 });
	});

	it('leaves out what is accepted as it stands, and names acceptances of what is gone or has changed', () => {
		const [clash, orphan] = report.findings.filter((f) => f.stratum === personal);
		const accepted = new Map([
			[clash!.acceptable!.id, clash!.acceptable!.circumstances],
			[orphan!.acceptable!.id, 'as it was once'],
			['alias-clash\npersonal\ngone\nx', 'x']
		]);
		const sight = aliasSight(report.found, { ...all, accepted });
		expect(sight.findings.map((f) => f.rule)).not.to.include('clash');
		expect(sight.counts).to.deep.equal({ error: 0, attention: 3, note: 0 });
		expect(sight.accepted).to.equal(1);
		expect(sight.gone).to.deep.equal([orphan!.acceptable!.id, 'alias-clash\npersonal\ngone\nx']);
		const whole = aliasSight(report.found, { ...all, accepted, withAccepted: true });
		expect(whole.findings.map((f) => f.rule)).to.include('clash');
	});

	it('loses nothing: listed, left and accepted are all there are, whatever the look', () => {
		const text = fc
			.array(fc.constantFrom(`zz -> ${one}\n`, `zz -> ${two}\n`, 'qq -> no.such\n', 'w-w -> x\n', '# zz -> y\n', '??\n'), {
				maxLength: 12
			})
			.map((lines) => lines.join(''));
		fc.assert(
			fc.property(text, text, fc.nat(6), fc.boolean(), fc.nat(3), (office, own, most, withAccepted, every) => {
				const { found, findings } = aliasReport(strataOf(office, own), setting, catalogue);
				const accepted = new Map(
					findings.flatMap((f, i) =>
						f.acceptable && i % (every + 1) === 0 ? [[f.acceptable.id, f.acceptable.circumstances] as const] : []
					)
				);
				const sight = aliasSight(found, { ...all, accepted, withAccepted, most });
				const { error, attention, note } = sight.counts;
				expect(error + attention + note + sight.elsewhere + sight.accepted).to.equal(findings.length);
				expect(sight.findings.length).to.be.at.most(most);
				const listed = sight.findings.length + sight.left;
				expect(listed).to.equal(error + attention + note + (withAccepted ? sight.accepted : 0));
				expect(sight.gone).to.deep.equal([]);
			})
		);
	});
});
