import { expect } from 'chai';
import highs from 'highs';
import type { Solve } from '../../../../../core/suggest/solve.ts';
import { emptyAliasFile } from '../../../../../core/chapters/aliases/file.ts';
import { suggestAliases } from '../../../../../core/chapters/aliases/suggest.ts';
import { suggestAliasSet } from '../../../../../core/chapters/aliases/suggest-set.ts';
import { aliasTable } from '../../../../../core/chapters/aliases/table.ts';
import { catalogueOf } from '../../../../../core/application/application.ts';
import { contextSpace } from '../../../../../core/context/space.ts';
import { stratumOf } from '../../../strata.ts';
import { varve } from '../../../../../demo/varve/varve.ts';
import { heads } from '../../../arbitrary.ts';

const space = contextSpace(varve.application.axes, varve.application.reachable);
const catalogue = catalogueOf(varve.commands, space);
const input = varve.application.rules.aliases!;
const table = (text = '', completes = true) =>
	aliasTable([stratumOf(heads[0]!, [], { ...emptyAliasFile, text })], { ...input, completes });
const named = (...ids: string[]) => varve.commands.filter((c) => ids.includes(c.id));

describe('suggesting aliases', () => {
	let solve: Solve;
	before(async () => {
		const solver = await highs();
		solve = (model) => {
			const { Status, Columns } = solver.solve(model);
			return {
				status: Status,
				values: Object.fromEntries(
					Object.entries(Columns).map(([name, column]) => [name, (column as { Primal?: number }).Primal ?? 0])
				)
			};
		};
	});

	it('offers short free names first, none that is taken, and none that begins another where that matters', () => {
		const [ellipse] = named('draw.ellipse');
		const free = (text: string, completes: boolean) =>
			suggestAliases(table(text, completes), catalogue, ellipse!).map((s) => s.alias);
		expect(free('', true)[0]).to.equal('e');
		expect(free('e -> draw.arc', false)).to.not.include('e');
		expect(free('e -> draw.arc', true).some((a) => a.startsWith('e'))).to.equal(false);
		const names = free('exx -> draw.arc', true);
		expect(names).to.not.include('e');
		expect(names).to.include('el');
	});

	it('chooses a whole set at no higher cost than any other choice, as trying all of them says', () => {
		const commands = named('draw.circle', 'draw.chain', 'draw.curve', 'modify.copy', 'look.colour');
		for (const completes of [true, false]) {
			const t = table('', completes);
			const set = suggestAliasSet(t, catalogue, commands, solve);
			expect(set.proved).to.equal(true);
			expect(set.without).to.deep.equal([]);
			const names = set.chosen.map((c) => c.suggestion.alias);
			expect(new Set(names).size).to.equal(names.length);
			if (completes)
				for (const a of names) for (const b of names) expect(a !== b && b.startsWith(a), `${a} begins ${b}`).to.equal(false);

			const cost = (list: readonly { score: number }[]) => list.reduce((sum, s, i) => sum + s.score * (commands[i]!.use ?? 1), 0);
			const offers = commands.map((c) => suggestAliases(t, catalogue, c));
			let least = Infinity;
			const pick = (i: number, taken: (typeof offers)[number]) => {
				if (i === offers.length) return void (least = Math.min(least, cost(taken)));
				for (const s of offers[i]!) {
					const meets = taken.some(
						(o) => o.alias === s.alias || (completes && (o.alias.startsWith(s.alias) || s.alias.startsWith(o.alias)))
					);
					if (!meets) pick(i + 1, [...taken, s]);
				}
			};
			pick(0, []);
			expect(cost(set.chosen.map((c) => c.suggestion))).to.be.closeTo(least, 1e-6);
		}
	});

	it('gives the command that is run most the shortest name', () => {
		const commands = named('draw.segment', 'look.linetype', 'shape.lengthen');
		const set = suggestAliasSet(table(), catalogue, commands, solve);
		const lengths = new Map(set.chosen.map((c) => [c.command.id as string, c.suggestion.alias.length]));
		expect(lengths.get('draw.segment')!).to.be.at.most(Math.min(lengths.get('look.linetype')!, lengths.get('shape.lengthen')!));
	});
});
