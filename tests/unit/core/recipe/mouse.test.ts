import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { readShortcuts } from '../../../../core/chapters/shortcuts/file.ts';
import { SHIPPED_RECIPES } from '../../../../core/recipe/shipped.ts';
import { readKeys, writeKeys } from '../../../../core/recipe/spelling.ts';
import { BUTTONS, mouseKey, MOTIONS, WHEELS, type MouseInput } from '../../../../core/stroke/mouse.ts';
import { keysOf, MODIFIERS } from '../../../../core/stroke/stroke.ts';

const input: fc.Arbitrary<MouseInput> = fc.oneof(
	fc.record({ kind: fc.constant('button' as const), button: fc.constantFrom(...BUTTONS), motion: fc.constantFrom(...MOTIONS) }),
	fc.record({
		kind: fc.constant('flick' as const),
		button: fc.constantFrom(...BUTTONS),
		degrees: fc.integer({ min: 0, max: 359 })
	}),
	fc.record({
		kind: fc.constant('shape' as const),
		button: fc.constantFrom(...BUTTONS),
		shape: fc.constantFrom('hook', 'ring-2')
	}),
	fc.record({ kind: fc.constant('wheel' as const), wheel: fc.constantFrom(...WHEELS) })
);

describe('What the mouse says in the files of programs', () => {
	it('is spelled in their own words and read back, with any modifiers', () => {
		for (const name of ['gneiss', 'tuff', 'shortcuts-csv'])
			fc.assert(
				fc.property(input, fc.subarray([...MODIFIERS]), (said, modifiers) => {
					const keys = keysOf([{ modifiers, key: mouseKey(said) }]);
					const { keys: spelling } = SHIPPED_RECIPES[name]!;
					expect(readKeys(writeKeys(keys, spelling), spelling), name).to.equal(keys);
				})
			);
	});

	it('stands among keys in a file of the stand-in', () => {
		const recipe = SHIPPED_RECIPES['gneiss']!;
		const text =
			'// keys and mouse\nCtrl+S : file.save\nflick right NE : view.fit\nAlt+flick middle s : view.orbit\nwheel away : view.zoom-in\nRightShape-hook : edge.fillet\n';
		const { rows, refused } = readShortcuts(recipe, 'gneiss.keys', text);
		expect(refused).to.deep.equal([]);
		expect(rows.map(({ said }) => said.keys)).to.deep.equal([
			'Ctrl+S',
			'RightFlick45',
			'Alt+MiddleFlick180',
			'WheelUp',
			'RightShape-hook'
		]);
	});
});
