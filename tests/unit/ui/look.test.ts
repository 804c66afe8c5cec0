import { expect } from 'chai';
import { check } from '../../../core/chapters/shortcuts/check/check.ts';
import type { Finding } from '../../../core/chapters/shortcuts/check/finding.ts';
import { USUAL_DESK } from '../../../core/keyboard/desk.ts';
import { facesOf } from '../../../core/answer/key-face.ts';
import type { StratumKind } from '../../../core/strata/stratum.ts';
import type { Keys, Modifier } from '../../../core/stroke/stroke.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { lookOf, saidOf, type Show } from '../../../src/lib/ui/keyboard/look.ts';
import { demoCircumstances, demoProfile } from '../demo-office.ts';

describe('look of a key', () => {
	const circumstances = demoCircumstances(gneiss);
	const { index, office } = circumstances;
	const kinds = new Map<string, StratumKind>(demoProfile(gneiss).map((s) => [s.id, s.kind]));
	const findings = new Map<Keys, Finding[]>();
	for (const finding of check(circumstances)) {
		const { keys } = finding.witness;
		if (keys) findings.set(keys, [...(findings.get(keys) ?? []), finding]);
	}
	const ground = { index, office, changed: new Set<never>(), findings, kindOf: (id: string) => kinds.get(id)! };
	const usual: Show = { modifiers: [], filter: 'all', drawing: 'taken', ground };
	const situation = index.space.situations.findIndex((s) => s.includes('canvas' as never) && s.includes('solids' as never));
	const faces = facesOf(index, Math.max(0, situation), { ...USUAL_DESK, board: 'full-iso', layout: 'us' });
	const face = (code: string) => faces.find((f) => f.key.code === code)!;
	const look = (code: string, more: Partial<Show> = {}) => lookOf(face(code), { ...usual, ...more });

	it('says what a taken key runs, with one pip for each combination of modifiers', () => {
		const e = look('KeyE');
		expect(e).to.include({ legend: 'E', command: 'Extrude', isTaken: true, isSilent: false, isDim: false });
		expect(e.pips).to.have.length(8);
		expect(e.pips[0]).to.equal('factory');
		expect(look('KeyE', { modifiers: ['Shift'] }).command).to.equal('Extruded cut');
		expect(look('KeyE', { modifiers: ['Shift'] }).pips, 'pips do not turn').to.deep.equal(e.pips);
	});

	it('tells a key that an application does not hear, and the modifier that is held', () => {
		expect(look('ShiftLeft')).to.include({ isSilent: true, isHeld: false, legend: 'Shift' });
		expect(look('ShiftLeft').pips).to.deep.equal([]);
		for (const code of ['ShiftLeft', 'ShiftRight']) expect(look(code, { modifiers: ['Shift'] }).isHeld).to.equal(true);
		expect(look('ControlLeft', { modifiers: ['Ctrl', 'Shift'] }).isHeld).to.equal(true);
	});

	it('dims what the filter leaves out', () => {
		expect(look('KeyE', { filter: 'free-here' }).isDim).to.equal(true);
		expect(look('KeyI', { filter: 'free-here' }).isDim).to.equal(false);
		expect(look('KeyE', { filter: 'factory' }).isDim).to.equal(false);
		expect(look('KeyI', { filter: 'factory' }).isDim).to.equal(true);
		const found = [...findings.keys()].find((keys) => /^[A-Z]$/.test(keys))!;
		expect(look(`Key${found}`, { filter: 'findings' }).isDim).to.equal(false);
	});

	it('shows the way of the fingers in place of the pips, and shades what is free by it', () => {
		const near = look('KeyI', { drawing: 'reach' });
		expect(near.reach).to.match(/^\d+ mm$/);
		expect(near.pips).to.deep.equal([]);
		const far = look('Numpad9', { drawing: 'reach' });
		expect(near.near!).to.be.greaterThan(far.near!);
		expect(look('KeyE', { drawing: 'reach' }).near, 'a taken key is not shaded').to.equal(undefined);
	});

	it('is read out with its keys, what they do and what is found', () => {
		expect(saidOf(face('KeyE'), usual)).to.equal('E Extrude, E: Extrude');
		expect(saidOf(face('KeyE'), { ...usual, modifiers: ['Shift'] })).to.match(/^E Extruded cut, Shift\+E: Extruded cut/);
		expect(saidOf(face('KeyI'), usual)).to.equal('I, I: Nothing');
		expect(saidOf(face('ShiftLeft'), usual)).to.equal('Shift, left Shift');
		const withError = faces.find((f) => lookOf(f, usual).severity === 'error')!;
		expect(saidOf(withError, usual)).to.match(/, error$/);
	});

	it('has a legend for every key of the board with every combination of modifiers', () => {
		for (const f of faces)
			for (const modifiers of [[], ['Shift'], ['Ctrl', 'Alt']] as Modifier[][])
				expect(lookOf(f, { ...usual, modifiers }).legend, f.key.code).to.be.a('string');
	});
});
