import { expect } from 'chai';
import { ofDatabase } from '../../../src/lib/server/db/trouble.ts';

/** An error as drizzle wraps those of the database. */
const failed = (code: string, message = 'what it says') =>
	new Error('Failed query', { cause: Object.assign(new Error(message), { code }) });

// the codes are those of PostgreSQL 15, Appendix A, and of errno(3)
describe('what the database refuses', () => {
	it('is told with what to do: a full disk, too little memory, damage, a value that does not fit, a database that is away', () => {
		for (const [code, status, kind, words] of [
			['53100', 507, 'full', /The disk of \/data is full.*Free some space/],
			['ENOSPC', 507, 'full', /is full/],
			['EDQUOT', 507, 'full', /is full/],
			['53200', 503, 'busy', /Try again in a moment/],
			['53300', 503, 'busy', /Try again in a moment/],
			['XX001', 500, 'damaged', /npm run restore/],
			['22001', 422, 'not-sound', /database rejected this/],
			['23505', 422, 'not-sound', /database rejected this/],
			['57P01', 503, 'away', /cannot be reached/],
			['08006', 503, 'away', /cannot be reached/],
			['ECONNREFUSED', 503, 'away', /cannot be reached/]
		] as const) {
			const problem = ofDatabase(failed(code), '/data');
			expect([problem?.status, problem?.kind], code).to.deep.equal([status, kind]);
			expect(problem!.message, code).to.match(words);
		}
		expect(ofDatabase(failed('42P01'), '/data'), 'a mistake of Skarn’s own').to.equal(undefined);
		expect(ofDatabase(new Error('write: No space left on device'), '/data')?.kind).to.equal('full');
	});
});
