import { expect } from 'chai';
import { counted, formOf } from '../../../../core/text/counted.ts';
import { listed } from '../../../../core/text/listed.ts';

describe('Numbers and lists in texts', () => {
	it('put the noun in the form of the number', () => {
		expect([0, 1, 2, 1200].map((n) => counted(n, 'entry', 'entries'))).to.deep.equal([
			'0 entries',
			'1 entry',
			'2 entries',
			'1,200 entries'
		]);
		expect(counted(3, 'seat')).to.equal('3 seats');
		expect([formOf(1, 'is', 'are'), formOf(0, 'is', 'are')]).to.deep.equal(['is', 'are']);
	});

	it('join the last item by and', () => {
		expect([[], ['A'], ['A', 'B'], ['A', 'B', 'C']].map(listed)).to.deep.equal(['', 'A', 'A and B', 'A, B and C']);
	});
});
