import { expect } from 'chai';
import fc from 'fast-check';
import { KERNEL_CODE } from '../../../../core/context/kernel-code.ts';
import { plainKernel } from '../../../../core/context/plain-kernel.ts';
import type { Row, SetKernel } from '../../../../core/context/set-kernel.ts';

const wasm = () =>
	new WebAssembly.Instance(new WebAssembly.Module(Buffer.from(KERNEL_CODE, 'base64'))).exports as unknown as SetKernel;

const SETS = 8;
/** Where the list of rows for `lose` stands, behind all sets. */
const LIST = 16_384;

/** One call: the function, and the sets that it is given by their numbers. */
type Call = readonly [name: Exclude<keyof SetKernel, 'memory'>, sets: readonly number[]];

const distinct = (count: number) => fc.uniqueArray(fc.nat(SETS - 1), { minLength: count, maxLength: count });

const call: fc.Arbitrary<Call> = fc.oneof(
	...(
		[
			['absorb', 2],
			['absorbBoth', 3],
			['join', 3],
			['both', 3],
			['without', 3],
			['claim', 3],
			['lose', 5],
			['meets', 2],
			['firstOfBoth', 2],
			['masked', 7]
		] as const
	).map(([name, count]) => distinct(count).map((sets): Call => [name, sets]))
);

/** What each call gives, and the memory afterwards. */
function run(kernel: SetKernel, bytes: number, filled: readonly number[], calls: readonly Call[]): unknown[] {
	const words = new Int32Array(kernel.memory.buffer);
	words.set(filled);
	const row = (set: number) => (set * bytes) as Row;
	const given = calls.map(([name, sets]) => {
		if (name !== 'lose') return (kernel[name] as (...all: number[]) => number | undefined)(...sets.map(row), bytes);
		const [lost, a, ...others] = sets.map(row);
		words.set(others, LIST / 4);
		return kernel.lose(lost!, a!, LIST, others.length, bytes);
	});
	return [given, [...words.subarray(0, (SETS * bytes) / 4)]];
}

describe('plain kernel', () => {
	it('does what the kernel in WebAssembly does, call after call', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(16, 32, 256, 2_000),
				fc.array(fc.integer(), { minLength: 0, maxLength: 200 }),
				fc.array(call, { minLength: 1, maxLength: 30 }),
				(bytes, filled, calls) => {
					const length = 16 * Math.ceil(bytes / 16);
					expect(run(plainKernel(), length, filled, calls)).to.deep.equal(run(wasm(), length, filled, calls));
				}
			),
			{ numRuns: 1_000 }
		);
	});

	it('keeps its sets when it grows', () => {
		const kernel = plainKernel();
		new Int32Array(kernel.memory.buffer).set([1, 2, 3]);
		kernel.memory.grow(2);
		expect(kernel.memory.buffer.byteLength).to.equal(3 * 65_536);
		expect([...new Int32Array(kernel.memory.buffer).subarray(0, 4)]).to.deep.equal([1, 2, 3, 0]);
	});
});
