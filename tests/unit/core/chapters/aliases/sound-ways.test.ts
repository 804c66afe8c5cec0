import '../../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import { aliasFileIn, emptyAliasFile } from '../../../../../core/chapters/aliases/file.ts';
import { aliasReport, type AliasReportFinding, type AliasStrata } from '../../../../../core/chapters/aliases/report.ts';
import { soundWays } from '../../../../../core/chapters/aliases/sound-ways.ts';
import type { StratumId } from '../../../../../core/strata/stratum.ts';
import { spliced } from '../../../../../core/recipe/reading.ts';
import { demoProfile, subjectOf } from '../../../demo-office.ts';
import { varve } from '../../../../../demo/varve/varve.ts';

const { catalogue } = subjectOf(varve);
const setting = { input: varve.application.rules.aliases!, costs: new Map<string, number>(), released: undefined };
const [one, two] = varve.commands.map((c) => c.id);
const personal = 'personal' as StratumId;
const strataOf = (own: string): AliasStrata => [
	{ id: personal, kind: 'personal', name: 'Personal', aliases: { ...emptyAliasFile, text: own } }
];

describe('ways out of findings in alias files', () => {
	it('are left out where they would leave the finding or add an error', () => {
		const text = `zz -> no.such\nqq -> ${one}\n`;
		const strata = strataOf(text);
		const finding = aliasReport(strata, setting, catalogue).findings.find((f) => f.typed === 'zz')!;
		const way = (label: string, insert: string): AliasReportFinding['fixes'][number] => ({
			label,
			stratum: personal,
			splices: [{ start: 0, end: text.length, insert }]
		});
		const fixes = [
			way('a remark', `# what is this?\n${text}`),
			way('two on one name', `qq -> ${two}\nqq -> ${one}\n`),
			way('another command', `zz -> ${two}\nqq -> ${one}\n`)
		];
		const sound = soundWays(strata, setting, catalogue, { acceptable: finding.acceptable, fixes });
		expect(sound.map((w) => w.label)).to.deep.equal(['another command']);
	});

	it('of the demo office each remove what they say they do', () => {
		const strata = demoProfile(varve).map((s): AliasStrata[number] => {
			const aliases = aliasFileIn(s);
			return { id: s.id, kind: s.kind, name: s.name, ...(aliases && { aliases }) };
		});
		const { findings } = aliasReport(strata, setting, catalogue);
		let tried = 0;
		for (const finding of findings)
			for (const { stratum, splices } of soundWays(strata, setting, catalogue, finding)) {
				const changed = strata.map((s) =>
					s.id === stratum && s.aliases ? { ...s, aliases: { ...s.aliases, text: spliced(s.aliases.text, splices) } } : s
				);
				const after = aliasReport(changed, setting, catalogue).findings.map((f) => f.acceptable?.id);
				expect(after, finding.sentence).not.to.include(finding.acceptable!.id);
				tried++;
			}
		expect(tried).to.be.greaterThan(3);
	});
});
