import { expect } from 'chai';
import fc from 'fast-check';
import { put } from '../../../../core/answer/choices.ts';
import { overlay } from '../../../../core/answer/overlay.ts';
import { verdict } from '../../../../core/answer/verdict.ts';
import { officeDesks } from '../../../../core/keyboard/office-desks.ts';
import { bestStroke, suggest } from '../../../../core/suggest/suggest.ts';
import type { StratumId } from '../../../../core/strata/stratum.ts';
import { parseKeys } from '../../../../core/stroke/stroke.ts';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { demoCircumstances, demoProfile } from '../../demo-office.ts';
import { small } from '../../arbitrary.ts';

describe('suggestions', () => {
	const { index, office } = demoCircumstances(gneiss);
	const command = (id: string) => index.catalogue.get(id as never)!;

	it('are free in the scope, of any application', () => {
		fc.assert(
			fc.property(small(), fc.nat(4), (app, n) => {
				const desks = officeDesks(app.rules, []);
				for (const { keys, lost } of suggest(app.index, desks, { command: app.commands[n]!, scope: {} })) {
					expect(lost).to.deep.equal([]);
					const found = verdict(app.index, { command: app.commands[n]!.id, keys, scope: {} });
					expect(found.meetings.filter((m) => m.binding.command !== app.commands[n]!.id)).to.deep.equal([]);
				}
			}),
			{ numRuns: 60 }
		);
	});

	it('say where a stroke does not lie alike at every desk; the best of all lies alike while such a stroke is free', () => {
		let apart = 0;
		for (const wanted of index.catalogue.values())
			for (const { keys, reasons } of suggest(index, office, { command: wanted, scope: {}, most: 40 })) {
				const isApart = office.troubles(keys).length > 0;
				expect(
					reasons.some((r) => r.kind === 'elsewhere' && r.worth < 0),
					keys
				).to.equal(isApart);
				if (isApart) apart++;
			}
		expect(apart, 'Z and Y of the demo desks').to.be.greaterThan(0);
		for (const wanted of index.catalogue.values()) {
			const best = bestStroke(index, office, wanted, {});
			if (best) expect(office.troubles(best), wanted.label).to.deep.equal([]);
		}
	});

	it('say their reasons, and rank by them', () => {
		const found = suggest(index, office, { command: command('face.draft'), scope: {} });
		expect(found.map((s) => s.score)).to.deep.equal([...found.map((s) => s.score)].sort((a, b) => a - b));
		expect(found[0]!.reasons.map((r) => r.kind)).to.include('initial');
		const opposite = suggest(index, office, { command: command('view.forward'), scope: {}, most: 40 });
		expect(opposite.every((s) => s.reach.mm >= 0)).to.equal(true);
	});

	it('prefer the key that has the same meaning in another program', () => {
		const orbit = command('view.orbit');
		const { keys, score } = suggest(index, office, { command: orbit, scope: {}, most: 60 })[20]!;
		const elsewhere = new Map([[orbit.action!, [{ keys, application: 'Varve Draft 7' }]]]);
		const twin = suggest(index, office, { command: orbit, scope: {}, elsewhere, most: 60 }).find((s) => s.keys === keys)!;
		expect(twin.reasons.map((r) => r.text)).to.include('same as in Varve Draft 7');
		expect(twin.score).to.be.lessThan(score);
	});

	it('prefer Shift of the key that runs the opposite', () => {
		// Explode has Alt+X in no stratum; its opposite is put there, so that Alt+Shift+X is its Shift
		const profile = demoProfile(gneiss);
		const changes = put(profile, 'personal' as StratumId, {
			command: command('asm.explode').id,
			keys: parseKeys('Alt+X'),
			scope: {}
		});
		const after = overlay(index, profile, changes);
		const found = suggest(after, office, { command: command('asm.unexplode'), scope: {}, most: 400 });
		const shifted = found.find((s) => s.keys === 'Alt+Shift+X')!;
		expect(shifted.reasons.map((r) => r.kind)).to.include('opposite');
		expect(found.filter((s) => s.reasons.some((r) => r.kind === 'opposite'))).to.have.length(1);
	});

	it('offer wasted strokes on request, with what would be lost', () => {
		const plain = suggest(index, office, { command: command('solid.fillet'), scope: {}, most: 400 });
		const all = suggest(index, office, { command: command('solid.fillet'), scope: {}, wasted: true, most: 400 });
		expect(plain.every((s) => s.lost.length === 0)).to.equal(true);
		const wasted = all.filter((s) => s.lost.length > 0);
		expect(wasted.length).to.be.greaterThan(0);
		for (const { lost } of wasted) for (const binding of lost) expect(index.catalogue.get(binding.command)!.use).to.equal(0);
	});

	it('find nothing where the command does not exist', () => {
		expect(bestStroke(index, office, command('draw.detail'), { document: ['part.solids'] } as never)).to.equal(undefined);
	});
});
