import { expect } from 'chai';
import { check } from '../../../core/chapters/shortcuts/check/check.ts';
import type { CommandId } from '../../../core/application/command.ts';
import type { Finding } from '../../../core/chapters/shortcuts/check/finding.ts';
import { USUAL_DESK } from '../../../core/keyboard/desk.ts';
import { facesOf } from '../../../core/answer/key-face.ts';
import type { StratumKind } from '../../../core/strata/stratum.ts';
import type { Keys } from '../../../core/stroke/stroke.ts';
import { HARDLY_USED } from '../../../core/suggest/suggest.ts';
import { gneiss } from '../../../demo/gneiss/gneiss.ts';
import { heldModifiers, legendOf, modifierName } from '../../../src/lib/ui/keyboard/legend.ts';
import { isTaken, layOf, passes, type Filter } from '../../../src/lib/ui/keyboard/mark.ts';
import { demoCircumstances, demoProfile } from '../demo-office.ts';

describe('filters of the keyboard', () => {
	const circumstances = demoCircumstances(gneiss);
	const { index, office } = circumstances;
	const kinds = new Map<string, StratumKind>(demoProfile(gneiss).map((s) => [s.id, s.kind]));
	const findings = new Map<Keys, Finding[]>();
	for (const finding of check(circumstances)) if (finding.witness.keys) findings.set(finding.witness.keys, [finding]);
	const [first] = index.effective.bindings;
	const ground = {
		index,
		office,
		changed: new Set<CommandId>([first!.command]),
		findings,
		kindOf: (id: string) => kinds.get(id)!
	};
	const faces = facesOf(index, 0, { ...USUAL_DESK, board: 'full-iso', layout: 'us' });
	const planes = faces.flatMap((face) => face.planes.map((plane) => ({ face, plane })));
	const under = (filter: Filter) => planes.filter(({ plane }) => passes(filter, plane, ground));

	it('take all, or what they say of a stroke and nothing else', () => {
		expect(under('all')).to.have.length(planes.length);
		for (const { plane } of under('free-here')) expect(isTaken(plane)).to.equal(false);
		for (const { plane } of under('free-everywhere')) expect(index.on(plane.keys!)).to.deep.equal([]);
		for (const { plane } of under('findings')) expect(findings.has(plane.keys!)).to.equal(true);
		for (const { plane } of under('changed')) expect(plane.binding!.command).to.equal(first!.command);
		for (const filter of ['free-here', 'free-everywhere', 'findings'] as const)
			expect(under(filter).length, filter).to.be.greaterThan(0);
	});

	it('tell whose a stroke is: each taken one is of one kind of stratum', () => {
		const bound = planes.filter(({ plane }) => plane.binding).length;
		const byKind = (['personal', 'office', 'factory'] as const).map((kind) => under(kind).length);
		expect(byKind.reduce((a, b) => a + b)).to.equal(bound);
	});

	it('tell categories apart, which cover all that is bound', () => {
		const categories = [...new Set([...index.catalogue.values()].map((c) => c.category[0]!))];
		const bound = planes.filter(({ plane }) => plane.binding).length;
		const counts = categories.map((c) => under(`category:${c}`).length);
		expect(counts.reduce((a, b) => a + b)).to.equal(bound);
	});

	it('say how a stroke lies for the hand', () => {
		for (const { face, plane } of planes) {
			const lay = layOf(face, plane, office, index);
			expect(lay.isFree && isTaken(plane)).to.equal(false);
			if (lay.isWasted) expect(index.catalogue.get(plane.binding!.command)!.use).to.be.lessThan(HARDLY_USED);
		}
	});
});

describe('legends of keys', () => {
	it('are what the key types, letters in capitals as they stand on caps', () => {
		expect(legendOf('KeyA', ['a', 'A'], false)).to.equal('A');
		expect(legendOf('Digit2', ['2', '"'], false)).to.equal('2');
		expect(legendOf('Digit2', ['2', '"'], true)).to.equal('"');
		expect(legendOf('ShiftLeft', [undefined, undefined], false)).to.equal('Shift');
		expect(legendOf('Backspace', [undefined, undefined], false)).to.equal('⌫');
	});

	it('name modifiers as the platform does, and hear them so', () => {
		expect(modifierName('Ctrl', 'macos')).to.equal('Cmd');
		expect(modifierName('Ctrl', 'linux')).to.equal('Ctrl');
		const event = { ctrlKey: false, metaKey: true, altKey: true, shiftKey: false } as KeyboardEvent;
		expect(heldModifiers(event, 'macos')).to.deep.equal(['Ctrl', 'Alt']);
		expect(heldModifiers(event, 'windows')).to.deep.equal(['Alt', 'Meta']);
	});
});
