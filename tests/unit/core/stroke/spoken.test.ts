import { expect } from 'chai';
import { spokenKeys, type Keys } from '../../../../core/stroke/stroke.ts';

describe('inputs in words', () => {
	it('are heard as people say them', () => {
		for (const [keys, words] of [
			['Ctrl+Shift+E', 'Ctrl Shift E'],
			['G F', 'G then F'],
			['RightFlick0', 'Right flick up'],
			['Ctrl+RightFlick225', 'Ctrl Right flick down left'],
			['RightFlick30', 'Right flick to 30 degrees'],
			['RightShape-ring', 'Right shape ring'],
			['MiddleDrag', 'Middle drag'],
			['Ctrl+WheelUp', 'Ctrl wheel up']
		] as const)
			expect(spokenKeys(keys as Keys), keys).to.equal(words);
	});
});
