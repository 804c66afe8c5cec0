import { expect } from 'chai';
import { setOption } from '../../../core/chapters/options/writing.ts';
import type { OptionPath } from '../../../core/application/option.ts';
import { applyEdit } from '../../../core/profile/edit.ts';
import { varve } from '../../../demo/varve/varve.ts';
import { benchOptions, caught, readoutText } from '../../../src/lib/ui/bench/readout.ts';

const options = varve.application.rules.options!;
const bare = varve.strata.map((head) => ({ ...head, contents: {} }));

describe('options on the bench', () => {
	it('are those in force, and as they come where nobody sets them', () => {
		expect(benchOptions(options, bare)).to.deep.equal({
			readout: true,
			frameNumbers: false,
			edges: 'plain',
			decimals: 2,
			reach: 10,
			grid: 20
		});
		const set = applyEdit(bare, setOption(bare[1]!, 'units.decimals' as OptionPath, 0));
		expect(benchOptions(options, set).decimals).to.equal(0);
		expect(benchOptions([], bare)).to.include({ readout: true, grid: 0 });
	});

	it('say where the pointer is: caught within reach, else on the raster, with so many places', () => {
		const usual = benchOptions(options, bare);
		const corner = { x: 10, y: 20 };
		expect(readoutText({ x: 13, y: 24 }, [corner], usual)).to.equal('x 100.00  y 200.00 mm, snapped to a corner');
		expect(readoutText({ x: 13, y: 24 }, [corner], { ...usual, reach: 4 })).to.equal('x 140.00  y 240.00 mm');
		expect(readoutText({ x: 13.26, y: 24 }, [], { ...usual, grid: 1, decimals: 1 })).to.equal('x 132.6  y 240.0 mm');
		expect(caught(corner, [corner], 0)).to.equal(undefined);
		expect(
			caught(
				{ x: 1, y: 0 },
				[
					{ x: 0, y: 0 },
					{ x: 2, y: 0 },
					{ x: 1, y: 0.5 }
				],
				3
			)
		).to.deep.equal({ x: 1, y: 0.5 });
	});
});
