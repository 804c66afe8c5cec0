import { expect } from 'chai';
import fc from 'fast-check';
import highs from 'highs';
import type { Solve } from '../../../../../core/suggest/solve.ts';
import type { Command } from '../../../../../core/application/command.ts';
import { costsOf, suggestRoses, type RoseWish } from '../../../../../core/chapters/gestures/suggest-roses.ts';
import { flickOf, seeded } from '../../../../../core/hand/simulated.ts';

const command = (id: string, use: number, opposite?: string): Command =>
	({ id, label: id, use, ...(opposite && { opposite }) }) as unknown as Command;
const FOUR = [0, 90, 180, 270];
const plain = (degrees: number) => costsOf([degrees]).get(degrees)!;

describe('suggesting roses', () => {
	let solve: Solve;
	before(async () => {
		const solver = await highs();
		solve = (model) => {
			const { Status, Columns } = solver.solve(model);
			const values = Object.entries(Columns).map(
				([name, column]) => [name, (column as { Primal?: number }).Primal ?? 0] as const
			);
			return { status: Status, values: Object.fromEntries(values) };
		};
	});
	/** Seconds a day, as the specification counts them: 4 for what lies on no rose. */
	const worth = (wishes: readonly RoseWish[], on: readonly (readonly (string | undefined)[])[]) =>
		wishes.reduce(
			(sum, { directions, candidates }, r) =>
				sum +
				candidates.reduce((all, { id, use = 1 }) => {
					const d = on[r]!.indexOf(id);
					return all + use * (d < 0 ? 4 : plain(directions[d]!));
				}, 0),
			0
		);
	const lies = (rows: readonly (readonly (string | undefined)[])[], wishes: readonly RoseWish[]): boolean =>
		wishes.every(({ directions, candidates }, r) =>
			candidates.every(({ id, opposite }) => {
				const here = rows[r]!.indexOf(id);
				const there = opposite === undefined ? -1 : rows[r]!.indexOf(opposite);
				if (here < 0) return true;
				if (there >= 0 && directions[there] !== (directions[here]! + 180) % 360) return false;
				return rows.every((other, o) => {
					const also = other.indexOf(id);
					return also < 0 || wishes[o]!.directions[also] === directions[here];
				});
			})
		);
	/** Every way to put candidates on directions, each at most once. */
	function* ways(candidates: readonly string[], many: number): Generator<(string | undefined)[]> {
		if (many === 0) return void (yield []);
		for (const rest of ways(candidates, many - 1))
			for (const one of [undefined, ...candidates.filter((id) => !rest.includes(id))]) yield [...rest, one];
	}

	it('is as good as the best of all that are allowed, tried one by one', () => {
		fc.assert(
			fc.property(
				fc.array(fc.integer({ min: 1, max: 90 }), { minLength: 4, maxLength: 4 }),
				fc.boolean(),
				fc.boolean(),
				(uses, isPair, hasDiagonal) => {
					const all = uses.map((use, i) => command('abcd'[i]!, use, isPair && i < 2 ? 'ba'[i] : undefined));
					const wishes: RoseWish[] = [
						{ id: 'one', directions: hasDiagonal ? [0, 45, 180] : [0, 90, 180], candidates: all.slice(0, 3) },
						{ id: 'two', directions: [0, 180], candidates: all.slice(1) }
					];
					const { roses, proved } = suggestRoses(wishes, plain, solve);
					expect(proved).to.equal(true);
					const rows = roses.map(({ on }, r) =>
						wishes[r]!.directions.map((degrees) => on.find((one) => one.degrees === degrees)?.command)
					);
					expect(lies(rows, wishes), JSON.stringify(rows)).to.equal(true);
					let best = Infinity;
					for (const one of ways(['a', 'b', 'c'], 3))
						for (const two of ways(['b', 'c', 'd'], 2))
							if (lies([one, two], wishes)) best = Math.min(best, worth(wishes, [one, two]));
					expect(worth(wishes, rows)).to.be.closeTo(best, 1e-3);
				}
			),
			{ numRuns: 25 }
		);
	});

	it('puts what is used most where it is quickest, and opposites opposite', () => {
		const candidates = [
			command('often', 90),
			command('grow', 40, 'cut'),
			command('cut', 30, 'grow'),
			command('rare', 1),
			command('never', 1)
		];
		const [rose] = suggestRoses([{ id: 'r', directions: FOUR, candidates }], plain, solve).roses;
		const at = Object.fromEntries(rose!.on.map((one) => [one.command as string, one.degrees]));
		expect(Object.keys(at)).to.include.members(['often', 'grow', 'cut']);
		expect((at['grow']! + 180) % 360).to.equal(at['cut']);
	});

	it('costs a hand what it misses and how long it takes, and leaves nothing where there is nothing', () => {
		expect([...costsOf([0, 45]).values()]).to.deep.equal([0.2, 0.25]);
		const random = seeded(4);
		const eight = [0, 45, 90, 135, 180, 225, 270, 315];
		const flicks = Array.from({ length: 80 }, (_, i) => {
			const wanted = eight[i % 8]!;
			return flickOf({ kappa: 80, bias: (to) => (to === 90 ? 20 : 0), ms: 300 }, wanted, random);
		});
		const costs = costsOf(eight, flicks);
		expect(costs.get(90)!, 'a direction that it often misses').to.be.greaterThan(costs.get(0)! + 0.2);
		expect(suggestRoses([], plain, solve)).to.deep.equal({ roses: [], proved: true });
		expect(suggestRoses([{ id: 'r', directions: FOUR, candidates: [] }], plain, solve).roses).to.deep.equal([
			{ id: 'r', on: [] }
		]);
	});
});
