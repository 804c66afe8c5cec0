import { expect } from 'chai';
import fc from 'fast-check';
import highs from 'highs';
import { bestForms } from '../../../../core/surface/fit.ts';
import { GROUP_FORMS, groupLayout, placesIn, SIZES, type GroupBox, type GroupForm } from '../../../../core/surface/parts.ts';
import { givenWay, GIVING_WAYS, layTab, tabLayout, widthOf } from '../../../../core/surface/ribbon.ts';
import { textWidth, twoLineWidth } from '../../../../core/surface/text-width.ts';

const place = fc.record({
	kind: fc.constantFrom('button', 'button', 'button', 'flyout', 'separator'),
	label: fc.constantFrom('Cut', 'Sweep along', 'Door leaf and frame', 'A', 'Hanger arm', 'Fensterdichtung außen'),
	isLarge: fc.boolean(),
	shows: fc.constantFrom('both', 'icon', 'text')
});
const group = fc.record({
	name: fc.constantFrom('Shape', 'Doors and windows', 'View'),
	places: fc.array(place, { minLength: 1, maxLength: 8 }),
	kept: fc.constantFrom(undefined, undefined, undefined, 'folded')
});
const tab = (most: number) =>
	fc
		.array(group, { minLength: 1, maxLength: most })
		.map((groups) =>
			groups.map(
				(one, g) => ({ ...one, id: `g${g}`, places: one.places.map((p, i) => ({ ...p, id: `g${g}.${i}` })) }) as GroupBox
			)
		);
const width = fc.integer({ min: 60, max: 1800 });

describe('a tab of a ribbon', () => {
	it('shows each place once: on the strip, in a drawer, or off with its group', () => {
		fc.assert(
			fc.property(tab(8), width, fc.constantFrom(...GIVING_WAYS), (groups, w, way) => {
				const { places, drawers, off } = tabLayout(groups, w, way);
				const found = [
					...places.map((p) => p.id),
					...drawers.flatMap((d) => d.places.map((p) => p.id)),
					...off.flatMap((g) => g.places.map((p) => p.id))
				];
				const all = groups.flatMap((g) => g.places);
				const folded = new Set(drawers.map((d) => d.group.id));
				// separators of a drawer separate nothing
				const wanted = all.filter((p) => p.kind !== 'separator' || !folded.has(p.id.split('.')[0]!));
				expect(found.sort()).to.deep.equal(wanted.map((p) => p.id).sort());
			})
		);
	});

	it('has no rectangles that overlap, and none outside of its group or the window', () => {
		fc.assert(
			fc.property(tab(6), width, fc.constantFrom(...GIVING_WAYS), (groups, w, way) => {
				const { places, groups: placed } = tabLayout(groups, w, way);
				for (const { rect } of placed) expect(rect.x + rect.width).to.be.at.most(w);
				places.forEach(({ rect: a, id }, i) => {
					const around = placed.find(({ group: g }) => g.id === id.split('.')[0])!.rect;
					expect(a.x).to.be.at.least(around.x);
					expect(a.x + a.width).to.be.at.most(around.x + around.width);
					expect(a.y + a.height).to.be.at.most(SIZES.strip - SIZES.groupName);
					for (const { rect: b } of places.slice(i + 1))
						expect(a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y, id).to.equal(
							true
						);
				});
			})
		);
	});

	it('gives way only as far as it must, and no group stands narrower when there is more room', () => {
		fc.assert(
			fc.property(tab(6), width, fc.constantFrom(...GIVING_WAYS), (groups, w, way) => {
				const narrower = (one: GroupBox): readonly GroupForm[] =>
					one.kept
						? ['folded']
						: one.places.every((p) => p.isLarge || p.kind === 'separator')
							? GROUP_FORMS
							: GROUP_FORMS.slice(1);
				const sum = (forms: readonly GroupForm[]) => forms.reduce((all, form, i) => all + widthOf(groups[i]!, form), 0);
				const forms = givenWay(groups, w, way);
				const best = givenWay(groups, Infinity, way);
				if (sum(best) <= w) expect(forms).to.deep.equal(best);
				else if (sum(forms) > w)
					// then each is as narrow as it can be
					forms.forEach((form, i) =>
						expect(widthOf(groups[i]!, form)).to.equal(Math.min(...narrower(groups[i]!).map((f) => widthOf(groups[i]!, f))))
					);
				const more = givenWay(groups, w + 200, way);
				forms.forEach((form, i) => {
					expect(GROUP_FORMS.indexOf(more[i]!)).to.be.at.most(GROUP_FORMS.indexOf(form));
					if (groups[i]!.kept) expect(form).to.equal('folded');
				});
			})
		);
	});

	it('says of its ways what they are: the last first, each in turn, the widest first', () => {
		const groups = [0, 1, 2].map((g): GroupBox => ({
			id: `g${g}`,
			name: 'Shape',
			kept: undefined,
			places: Array.from({ length: 3 + g }, (_, i) => ({
				id: `g${g}.${i}`,
				kind: 'button',
				label: 'Sweep along a rail',
				isLarge: true,
				shows: 'both'
			}))
		}));
		const whole = groups.reduce((sum, one) => sum + widthOf(one, 'large'), 0);
		expect(givenWay(groups, whole - 1, 'last')[0]).to.equal('large');
		expect(givenWay(groups, whole - 1, 'last')[2]).not.to.equal('large');
		const narrow = widthOf(groups[0]!, 'large') + widthOf(groups[1]!, 'large') + widthOf(groups[2]!, 'icons');
		expect(givenWay(groups, narrow, 'last')).to.deep.equal(['large', 'large', 'icons']);
		const turns = givenWay(groups, whole - 260, 'turns').map((form) => GROUP_FORMS.indexOf(form));
		expect(Math.max(...turns) - Math.min(...turns)).to.be.at.most(1);
		expect(givenWay(groups, whole - 1, 'widest')[2]).not.to.equal('large');
		expect(givenWay(groups, whole - 1, 'widest').slice(0, 2)).to.deep.equal(['large', 'large']);
	});
});

describe('the forms that cost least', () => {
	const uses = fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 5, maxLength: 5 });

	/** All ways there are, tried one by one. */
	function byTrying(groups: readonly GroupBox[], w: number, cost: (g: GroupBox, f: GroupForm) => number) {
		let best: { cost: number; width: number } | undefined;
		const tryFrom = (at: number, sumWidth: number, sumCost: number) => {
			if (sumWidth > w) return;
			if (at === groups.length) {
				if (!best || sumCost < best.cost || (sumCost === best.cost && sumWidth < best.width))
					best = { cost: sumCost, width: sumWidth };
				return;
			}
			for (const form of GROUP_FORMS) tryFrom(at + 1, sumWidth + widthOf(groups[at]!, form), sumCost + cost(groups[at]!, form));
		};
		tryFrom(0, 0, 0);
		return best;
	}

	it('are those that trying all of them finds', () => {
		fc.assert(
			fc.property(tab(5), fc.integer({ min: 40, max: 1500 }), uses, (groups, w, weights) => {
				const cost = (one: GroupBox, form: GroupForm) =>
					weights[groups.indexOf(one)]! * GROUP_FORMS.indexOf(form) ** 2 + (form === 'small' ? 3 : 0);
				const found = bestForms(groups, w, cost);
				const wanted = byTrying(groups, w, cost);
				expect(found && { cost: found.cost, width: found.width }).to.deep.equal(wanted);
				if (!found) return;
				expect(layTab(groups, found.forms, w).off).to.deep.equal([]);
				expect(found.forms.reduce((sum, form, i) => sum + widthOf(groups[i]!, form), 0)).to.equal(found.width);
			}),
			{ numRuns: 150 }
		);
	});

	it('cost what HiGHS finds for the same choice as an integer program, for tabs too large to try all', async () => {
		const solver = await highs();
		const larger = fc.sample(fc.tuple(tab(14), fc.integer({ min: 200, max: 1900 })), { numRuns: 25, seed: 1704 });
		for (const [groups, w] of larger) {
			const cost = (one: GroupBox, form: GroupForm) =>
				(one.places.length + 1) * GROUP_FORMS.indexOf(form) ** 2 + (form === 'small' ? 3 : 0);
			const names = groups.map((_, g) => GROUP_FORMS.map((form, f) => ({ name: `x${g}_${f}`, form, group: groups[g]! })));
			const all = names.flat();
			// one form for each group, all together no wider than the window, at the least cost
			const model = [
				'Minimize',
				` obj: ${all.map(({ name, form, group: g }) => `${cost(g, form)} ${name}`).join(' + ')}`,
				'Subject To',
				...names.map((forms, g) => ` one${g}: ${forms.map(({ name }) => name).join(' + ')} = 1`),
				` width: ${all.map(({ name, form, group: g }) => `${widthOf(g, form)} ${name}`).join(' + ')} <= ${w}`,
				'Binary',
				` ${all.map(({ name }) => name).join(' ')}`,
				'End'
			].join('\n');
			const { Status, ObjectiveValue } = solver.solve(model);
			const found = bestForms(groups, w, cost);
			if (Status === 'Optimal') expect(found?.cost).to.be.closeTo(ObjectiveValue, 1e-6);
			else expect(found, Status).to.equal(undefined);
		}
	});
});

describe('a group', () => {
	it('is as wide as its places and its name, and holds each place once in every form but the folded', () => {
		fc.assert(
			fc.property(tab(1), ([one]) => {
				for (const form of GROUP_FORMS) {
					const layout = groupLayout(one!, form);
					expect(layout.width).to.be.at.least(form === 'folded' ? 0 : textWidth(one!.name, SIZES.text));
					const ids = placesIn(layout).map(({ place: p }) => p.id);
					expect(ids).to.deep.equal(form === 'folded' ? [] : one!.places.map((p) => p.id));
				}
			})
		);
	});

	it('is measured by the words: two lines are never wider than one, and nothing is of no width', () => {
		fc.assert(
			fc.property(fc.string({ minLength: 1, maxLength: 60 }), (text) => {
				expect(twoLineWidth(text, 12)).to.be.at.most(textWidth(text, 12));
				expect(textWidth(text, 24)).to.be.closeTo(2 * textWidth(text, 12), 1e-9);
				expect(textWidth(`${text}x`, 12)).to.be.greaterThan(textWidth(text, 12));
			})
		);
	});
});
