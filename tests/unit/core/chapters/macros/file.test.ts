import '../../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { macroRecords, readMacros } from '../../../../../core/chapters/macros/file.ts';
import type { Macro } from '../../../../../core/chapters/macros/macro.ts';
import { propose } from '../../../../../core/propose/propose.ts';
import { writeWith } from '../../../../../core/recipe/reading.ts';
import { SHIPPED_RECIPES } from '../../../../../core/recipe/shipped.ts';
import { macroTable } from '../../../../../core/chapters/macros/table.ts';
import { varve } from '../../../../../demo/varve/varve.ts';
import { demoProfile } from '../../../demo-office.ts';
import { macroEntries } from '../../../strata.ts';

const macros = [...macroTable(demoProfile(varve)).inForce.values()].map((p) => p.macro).filter((m) => m.steps.length > 0);

describe('macros in files', () => {
	for (const [name, recipe] of Object.entries(SHIPPED_RECIPES).filter(([, { holds }]) => holds === 'macros'))
		it(`are read back as they were written (${name})`, () => {
			fc.assert(
				fc.property(fc.subarray(macros), (some) => {
					const { entries: read, refused } = readMacros(recipe, 'file', writeWith(recipe, macroRecords(macroEntries(some))));
					expect(refused).to.deep.equal([]);
					const plain = ({ id, steps }: Macro) => ({ id, steps });
					expect(read.map((entry) => entry.op === 'set' && plain(entry))).to.deep.equal(some.map(plain));
				}),
				{ numRuns: 40 }
			);
		});

	it('are refused one by one, with line and column', () => {
		const text = 'half = type "/2"; accept\ntwice = jump\n = cancel\nhalf = cancel\nBig = cancel\n';
		const { entries: read, refused } = readMacros(SHIPPED_RECIPES['macros-ini']!, 'file', text);
		expect(read.map((m) => m.id)).to.deep.equal(['macro:half']);
		expect(refused.map(({ line, column }) => [line, column])).to.deep.equal([
			[2, 9],
			[3, 2],
			[4, 1],
			[5, 1]
		]);
		expect(refused[0]!.message).to.include('"jump" is no step');
		expect(refused[2]!.message).to.include('is already in this file');
	});

	it('are found in a sample of an unknown layout', () => {
		const [best] = propose(
			'// steps\nhalf => type "/2"; accept\nsquare => cancel; run draw.rectangle; pick\n',
			'macros',
			() => false
		);
		expect(best!.recipe.record).to.include({ shape: 'line', template: '{macro} => {steps}', comment: '//' });
		expect(best!.reading.records).to.have.length(2);
	});
});
