import '../../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import { aliasFileIn } from '../../../../../core/chapters/aliases/file.ts';
import { headOf } from '../../../../../core/strata/stratum.ts';
import { aliasReport, type AliasStrata } from '../../../../../core/chapters/aliases/report.ts';
import { emptyAliasFile } from '../../../../../core/chapters/aliases/file.ts';
import { SHIPPED_RECIPES } from '../../../../../core/recipe/shipped.ts';
import { spliced } from '../../../../../core/recipe/reading.ts';
import { varve } from '../../../../../demo/varve/varve.ts';
import { demoProfile, subjectOf } from '../../../demo-office.ts';

const subject = subjectOf(varve);
const setting = { input: varve.application.rules.aliases!, costs: new Map<string, number>(), released: undefined };
const recipe = SHIPPED_RECIPES['aliases-arrow']!;
const strataOf = (text: string, kind: 'office' | 'factory' = 'office'): AliasStrata => [
	{ id: kind as never, kind, name: kind, aliases: { ...emptyAliasFile, recipe, text } }
];
const reportOf = (text: string, kind?: 'office' | 'factory') => aliasReport(strataOf(text, kind), setting, subject.catalogue);
const [one, two] = varve.commands.filter((c) => c.kind !== 'dialog').map((c) => c.id);

describe('report of the alias files', () => {
	const text = `zz -> ${one}  # first\nzz -> ${two}\nqq -> no.such-command\n;; not a line\n`;

	it('gives each line a row with its state', () => {
		const { rows } = reportOf(text);
		expect(rows.map(({ alias, command, line }) => [alias, command, line])).to.deep.equal([
			['zz', one, 1],
			['zz', two, 2],
			['qq', 'no.such-command', 3]
		]);
		expect(new Set(rows.slice(0, 2).map((r) => r.state))).to.deep.equal(new Set(['holds', 'twice']));
		expect(rows[0]!.note).to.equal('first');
		for (const row of rows) expect(row.cost).to.be.greaterThan(0);
	});

	it('shows each finding where it stands in the text', () => {
		const { findings } = reportOf(text);
		const rules = findings.map((f) => f.rule);
		expect(rules).to.include.members(['clash', 'orphan', 'unknown']);
		const lines = text.split('\n');
		for (const f of findings) {
			expect(f.start).to.be.lessThan(f.end);
			expect(lines[f.line - 1]).to.include(text.slice(f.start, f.end));
		}
	});

	it('offers ways out that remove their finding when they are written', () => {
		let tried = 0;
		for (const finding of reportOf(text).findings)
			for (const fix of finding.fixes) {
				const after = reportOf(spliced(text, fix.splices)).findings;
				expect(
					after.some((f) => f.rule === finding.rule && f.typed === finding.typed && f.sentence === finding.sentence),
					`${finding.sentence} ${fix.label}`
				).to.equal(false);
				tried++;
			}
		expect(tried).to.be.greaterThan(2);
	});

	it('offers none in the factory, which is never written', () => {
		for (const finding of reportOf(text, 'factory').findings) expect(finding.fixes).to.deep.equal([]);
	});

	it('says the same when a former state of the files was reported on, whatever the recipe was then', () => {
		const typed = `zz -> ${one}  # first\nzy -> ${two}\nqq -> no.such-command\n;; not a line\n`;
		const before = [strataOf(typed), strataOf('')];
		reportOf(typed);
		for (const strata of before) aliasReport(strata, setting, subject.catalogue);
		const other = strataOf('zz\tdraw.segment\n');
		const tabs = other.map((s) => ({ ...s, aliases: { ...s.aliases!, recipe: SHIPPED_RECIPES['aliases-tsv']! } }));
		aliasReport(tabs, setting, subject.catalogue);
		for (const former of [...before, tabs]) {
			const { findings, rows } = aliasReport(strataOf(text), setting, subject.catalogue, former);
			expect(findings).to.deep.equal(reportOf(text).findings);
			expect(rows).to.deep.equal(reportOf(text).rows);
		}
	});

	it('is plain data, so that a worker can send it', () => {
		const report = aliasReport(
			demoProfile(varve).map((stratum) => {
				const aliases = aliasFileIn(stratum);
				return { ...headOf(stratum), ...(aliases && { aliases }) };
			}),
			setting,
			subject.catalogue
		);
		const { findings, rows } = report;
		expect(structuredClone({ findings, rows })).to.deep.equal({ findings, rows });
		expect(rows.length).to.be.greaterThan(40);
	});
});
