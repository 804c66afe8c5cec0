import '../../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { aliasFindings, releasedAliases } from '../../../../../core/chapters/aliases/check.ts';
import { aliasCost } from '../../../../../core/chapters/aliases/cost.ts';
import { ALIASES, aliasFileIn, emptyAliasFile, type AliasFile } from '../../../../../core/chapters/aliases/file.ts';
import { ALIAS_RULE_IDS, type AliasFinding } from '../../../../../core/chapters/aliases/finding.ts';
import type { AliasInput } from '../../../../../core/application/command-line.ts';
import { Spellings } from '../../../../../core/chapters/aliases/nearest.ts';
import { answerTo, completions } from '../../../../../core/chapters/aliases/prompt.ts';
import { aliasTable } from '../../../../../core/chapters/aliases/table.ts';
import { catalogueOf } from '../../../../../core/application/application.ts';
import { contextSpace } from '../../../../../core/context/space.ts';
import { circumstancesOf } from '../../../../../core/profile/circumstances.ts';
import { published } from '../../../../../core/strata/stratum.ts';
import { desksOf } from '../../../../../core/keyboard/desk.ts';
import { FactoryWriteError, StaleChangeError } from '../../../../../core/strata/change.ts';
import { applyEdit, inverseEdit, tagged } from '../../../../../core/profile/edit.ts';
import { spliceBetween, type TextSplice } from '../../../../../core/chapter/text.ts';
import type { Profile, StratumId } from '../../../../../core/strata/stratum.ts';
import { stratumOf } from '../../../strata.ts';
import { varve } from '../../../../../demo/varve/varve.ts';
import { heads } from '../../../arbitrary.ts';

const space = contextSpace(varve.application.axes, varve.application.reachable);
const catalogue = catalogueOf(varve.commands, space);
const input = varve.application.rules.aliases!;

const file = (text: string): AliasFile => ({ ...emptyAliasFile, text });
const layers = (...texts: string[]): Profile =>
	heads.map((head, i) => stratumOf(head, [], texts[i] === undefined ? undefined : file(texts[i])));
const findings = (profile: Profile, how: Partial<AliasInput> = {}): AliasFinding[] =>
	aliasFindings(profile, { ...input, ...how }, catalogue);
const told = (profile: Profile, how: Partial<AliasInput> = {}) =>
	findings(profile, how).map((f) => `${f.rule} ${f.entry.stratum.id}:${f.entry.record.line} ${f.entry.alias}`);

const asEdit = (splices: readonly TextSplice[]) => tagged({ id: ALIASES }, splices);

describe('aliases', () => {
	it('fold from the lowest stratum up: a line stands in place of a lower one, takes away, or stops at a lock', () => {
		const table = aliasTable(
			layers('a -> draw.arc\nb -> level.line\nc -> rivet.row !\n', 'A -> draw.chain\nb -> -\nc -> draw.slot\nd -> -'),
			input
		);
		expect([...table.inForce].map(([key, { command, stratum }]) => [key, command, stratum.id])).to.deep.equal([
			['a', 'draw.chain', 'office'],
			['c', 'rivet.row', 'factory']
		]);
		expect([...table.idle].map(([e, why]) => `${e.alias} ${why}`)).to.deep.equal([
			'a covered',
			'b covered',
			'c locked',
			'd nothing'
		]);
	});

	it('hold the first or the last of two lines, as the application does', () => {
		const profile = layers('a -> draw.arc\na -> level.line\n');
		expect(aliasTable(profile, input).inForce.get('a')!.command).to.equal('draw.arc');
		expect(aliasTable(profile, { ...input, twice: 'last' }).inForce.get('a')!.command).to.equal('level.line');
		expect(aliasTable(layers('a -> draw.arc\nA -> level.line\n'), { ...input, case: 'matters' }).inForce.size).to.equal(2);
	});

	it('are found at fault, one rule after the other', () => {
		expect(told(layers('x -> draw.arc\nx -> level.line'))).to.deep.equal(['clash factory:2 x']);
		expect(told(layers('x -> draw.arc\nx -> level.line'), { twice: 'last' })).to.deep.equal(['clash factory:1 x']);
		expect(told(layers('x -> draw.arc\nxy -> level.line'))).to.deep.equal(['prefix factory:1 x']);
		expect(told(layers('x -> draw.arc\nxy -> level.line'), { completes: false })).to.deep.equal([]);
		expect(told(layers('circle -> draw.arc'))).to.deep.equal(['hides factory:1 circle']);
		expect(told(layers('circle -> draw.circle'))).to.deep.equal([]);
		expect(told(layers('x -> draw.arx'))).to.deep.equal(['orphan factory:1 x']);
		expect(findings(layers('x -> draw.arx'))[0]!.fixes[0]).to.include({ kind: 'set', label: 'Change it to draw.arc' });
		expect(told(layers('x -> draw.arc', 'x -> draw.arc'))).to.deep.equal(['duplicate office:1 x']);
		expect(told(layers('x-y -> draw.arc'))).to.deep.equal(['spelling factory:1 x-y']);
		expect(told(layers('x -> draw.arc !', 'x -> level.line'))).to.deep.equal(['locked office:1 x']);
		expect(told(layers('#x -> draw.arx'))).to.deep.equal([]);
	});

	it('are told when they run something else than in the last release, and when a shortcut is twice as fast', () => {
		const before = releasedAliases(layers('', 'x -> draw.arc'), input);
		expect(
			aliasFindings(layers('', 'x -> level.line'), input, catalogue, undefined, before).map((f) => f.sentence)
		).to.deep.equal(['x runs Level line; in the last release it ran Arc.']);
		const { profile } = varve.history().at(-1)!;
		const c = circumstancesOf({ application: varve.application, space, catalogue }, profile, desksOf([]), null);
		const long = published(layers('savesheetas -> file.save-as'));
		expect(aliasFindings(long, input, catalogue, c).map((f) => f.rule)).to.include('pays');
	});

	it('have an example of every rule in the demo office', () => {
		const history = varve.history();
		const { profile } = history.at(-1)!;
		const released = history[0]!.profile;
		const c = circumstancesOf({ application: varve.application, space, catalogue }, profile, desksOf([]), null);
		const all = aliasFindings(profile, input, catalogue, c, releasedAliases(released, input));
		const rules = new Set(all.map((f) => f.rule));
		expect(ALIAS_RULE_IDS.filter((id) => !rules.has(id))).to.deep.equal([]);
	});

	it('are answered at the command line with the reasoning', () => {
		const table = aliasTable(
			layers('ln -> draw.segment\nlnp -> draw.parallel\nrx -> draw.rectangle', '#rr -> level.line'),
			input
		);
		const kind = (typed: string) => answerTo(table, catalogue, typed).answer;
		expect(kind('LN')).to.include({ kind: 'runs', command: 'draw.segment' });
		expect(kind('r')).to.include({ kind: 'runs', command: 'draw.rectangle' });
		expect(kind('l').kind).to.equal('several');
		expect(kind('circle')).to.include({ kind: 'runs', command: 'draw.circle' });
		expect(kind('zz').kind).to.equal('unknown');
		expect(answerTo(table, catalogue, 'ln').trace.join(' ')).to.match(/Factory, line 1: Line\. This line is used\. Line runs\./);
		expect(completions(table, catalogue, 'ln', 3).map((c) => c.text)).to.deep.equal(['ln', 'lnp']);
	});

	it('find the command that was meant', () => {
		const spellings = new Spellings(catalogue.keys());
		expect(spellings.nearest('draw.segmnt')).to.equal('draw.segment');
		expect(spellings.nearest('entirely else')).to.equal(undefined);
	});

	// keystroke-level model (Card, Moran, Newell 1980, from memory): K 0.20 s, H 0.40 s
	it('cost a key for each sign and one to accept, and two ways of the hand when long', () => {
		expect(aliasCost('ln')).to.be.closeTo(3 * 0.2, 1e-9);
		expect(aliasCost('line')).to.be.closeTo(5 * 0.2 + 2 * 0.4, 1e-9);
	});

	it('are edited by splices that undo takes back exactly, and that refuse a text which is not as expected', () => {
		fc.assert(
			fc.property(fc.string({ maxLength: 40 }), fc.string({ maxLength: 40 }), (before, after) => {
				const profile = layers('', before);
				const splice = spliceBetween('office' as StratumId, before, after);
				if (!splice) return void expect(after).to.equal(before);
				const now = applyEdit(profile, asEdit([splice]));
				expect(aliasFileIn(now[1]!)!.text).to.equal(after);
				expect(aliasFileIn(applyEdit(now, inverseEdit(asEdit([splice])))[1]!)!.text).to.equal(before);
			})
		);
		const splice = { stratum: 'office' as StratumId, at: 2, before: 'x', after: 'y' };
		expect(() => applyEdit(layers('', 'ab'), asEdit([splice]))).to.throw(StaleChangeError, 'expected "x"');
		expect(() => applyEdit(layers('a'), asEdit([{ ...splice, stratum: 'factory' as StratumId }]))).to.throw(FactoryWriteError);
	});
});
