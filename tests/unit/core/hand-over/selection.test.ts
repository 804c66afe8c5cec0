import '../../../../core/recipe/shapes/all.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { bring, foldersItem } from '../../../../core/hand-over/bring.ts';
import { compareFile, isOpen } from '../../../../core/hand-over/compare.ts';
import { profileFile, readProfileFile, writeProfileFile } from '../../../../core/hand-over/profile-file.ts';
import { SECTIONS, selectProfile, USUAL } from '../../../../core/hand-over/selection.ts';
import { aliases } from '../../../../core/chapters/aliases/chapter.ts';
import { aliasFileIn } from '../../../../core/chapters/aliases/file.ts';
import { macros } from '../../../../core/chapters/macros/chapter.ts';
import { macrosIn } from '../../../../core/chapters/macros/macro.ts';
import { shortcutsIn } from '../../../../core/shortcut/entry.ts';
import { wireOf } from '../../../../core/profile/wire.ts';
import { aliasLines, emptyAliasFile } from '../../../../core/chapters/aliases/file.ts';
import { indexOf } from '../../../../core/profile/circumstances.ts';
import { applyEdit } from '../../../../core/profile/edit.ts';
import { scopeText } from '../../../../core/context/scope.ts';
import { readShortcutsCsv, writeShortcutsCsv } from '../../../../core/hand-over/shortcuts-csv.ts';
import { stratumById, type Profile } from '../../../../core/strata/stratum.ts';
import { inOrder } from '../../../../core/strata/entry.ts';
import { stratumOf } from '../../strata.ts';
import { spliced, insertRecord } from '../../../../core/recipe/reading.ts';
import { SHIPPED_RECIPES } from '../../../../core/recipe/shipped.ts';
import { searchPaths } from '../../../../demo/folders.ts';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { allNodes, barTree, nodesFrom } from '../../../../core/chapters/bars/tree.ts';
import { insertItem } from '../../../../core/chapters/bars/writing.ts';
import { setMacro } from '../../../../core/chapters/macros/writing.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import { small, subjectOf as subjectOfSmall } from '../../arbitrary.ts';
import { demoProfile, subjectOf } from '../../demo-office.ts';

const subject = subjectOf(varve);
const profile = demoProfile(varve);
const ground = { index: indexOf(subject, profile) };
const empty: Profile = varve.strata.map((head) => (head.kind === 'factory' ? profile[0]! : stratumOf(head, [])));

/** What importing the selected part of `profile` into `into` leaves there. */
function handOver(into: Profile, sections: readonly string[]): Profile {
	const part = selectProfile(profile, { ...USUAL, sections }, ground);
	const file = writeProfileFile(profileFile(varve.application, part, sections.includes('machine') ? searchPaths : undefined));
	const read = readProfileFile('file', file);
	const wanted = { selection: { ...USUAL, sections: SECTIONS }, into: undefined, otherwise: into.at(-1)!.id };
	const { index, items } = compareFile(subject, into, read, wanted);
	const { changes, left } = bring(index, into, items);
	expect(left).to.deep.equal([]);
	return applyEdit(into, changes);
}

describe('selection', () => {
	it('leaves what is of one machine out unless it is ticked', () => {
		const usual = selectProfile(profile, USUAL, ground);
		const isOfMachine = (strata: Profile) => [...macrosIn(strata[1]!).values()].some((one) => macros.isOfMachine(one));
		expect(isOfMachine(usual)).to.equal(false);
		const all = selectProfile(profile, { ...USUAL, sections: SECTIONS }, ground);
		expect(isOfMachine(all)).to.equal(true);
		expect(all.map(wireOf)).to.deep.equal(profile.map(wireOf));
	});

	it('takes only what is heard in a scope, exactly as enumeration of the situations finds it', () => {
		const axes = subject.space.axes;
		fc.assert(
			fc.property(
				fc.nat({ max: axes.length - 1 }).chain((a) => fc.tuple(fc.constant(a), fc.nat({ max: axes[a]!.nodes.length - 1 }))),
				([a, n]) => {
					const contexts = { [axes[a]!.id]: [axes[a]!.nodes[n]!.id] };
					const [taken] = selectProfile(profile, { ...USUAL, contexts }, ground);
					const under = (node: string, top: string): boolean => {
						const parent = axes[a]!.nodes.find((x) => x.id === node)?.parent;
						return node === top || (parent !== undefined && under(parent, top));
					};
					const isHeard = (scope: Readonly<Record<string, readonly string[]>>, situation: readonly string[]) =>
						axes.every((axis, i) => {
							const inScope = (node: string, top: string): boolean => {
								const parent = axis.nodes.find((x) => x.id === node)?.parent;
								return node === top || (parent !== undefined && inScope(parent, top));
							};
							return scope[axis.id]?.some((top) => inScope(situation[i]!, top)) ?? true;
						});
					for (const [key, entry] of shortcutsIn(profile[0]!)) {
						const exists = varve.commands.find((c) => c.id === entry.command)?.contexts ?? [];
						const meets = subject.space.situations.some(
							(s) =>
								isHeard(entry.scope, s) &&
								under(s[a]!, axes[a]!.nodes[n]!.id) &&
								(exists.length === 0 || exists.some((scope) => isHeard(scope, s)))
						);
						expect(shortcutsIn(taken!).has(key), `${entry.keys} ${entry.command}`).to.equal(meets);
					}
				}
			)
		);
	});

	for (const [name, recipe] of Object.entries(SHIPPED_RECIPES).filter(([, { holds }]) => holds === 'aliases'))
		it(`takes lines of other commands out of an alias file (${name})`, () => {
			let file = { ...emptyAliasFile, recipe, text: '' };
			for (const [alias, command] of [
				['a', 'draw.segment'],
				['b', 'layer.list'],
				['c', 'layer.on'],
				['d', 'draw.arc'],
				['e', 'rivet.row']
			] as const) {
				const last = aliasLines(file).lines.at(-1)?.record;
				file = { ...file, text: spliced(file.text, insertRecord(recipe, file.text, last, { alias, command })) };
			}
			for (const [category, kept] of [
				['Layers', 'bc'],
				['Draw', 'ade'],
				['Dimensions', '']
			] as const) {
				const part = aliases.selector({ ...USUAL, categories: [category] }, { ...ground, all: [file] })(file)!;
				expect(
					aliasLines(part)
						.lines.map((l) => l.alias)
						.join('')
				).to.equal(kept);
				expect(aliasLines(part).unknown).to.deep.equal([]);
			}
		});
});

describe('handing over bars', () => {
	const [subjectHere, whole] = [subjectOf(gneiss), demoProfile()];
	const here = { index: indexOf(subjectHere, whole) };
	const tree = barTree(whole);
	const bare: Profile = whole.map((stratum) => ({ ...stratum, contents: {} }));
	const treeOf = (part: Profile) => barTree(part);
	const shapes = (part: Profile) => treeOf(part).bars.map((bar) => [bar.id, [...nodesFrom(bar)].map(({ id }) => id)]);

	it('hands over chosen ones, each whole, through all strata, and nothing of the others', () => {
		for (const { id } of tree.bars) {
			const part = selectProfile(whole, { ...USUAL, sections: ['bars'], bars: [id] }, here);
			expect(shapes(part)).to.deep.equal([[id, [...nodesFrom(tree.byId.get(id)!)].map((node) => node.id)]]);
			expect(treeOf(part).idle).to.deep.equal([]);
		}
		const two = tree.bars.slice(0, 2).map(({ id }) => id as string);
		expect(treeOf(selectProfile(whole, { ...USUAL, bars: two }, here)).bars.map(({ id }) => id as string)).to.deep.equal(two);
		expect(shapes(selectProfile(whole, USUAL, here)), 'all, where none is named').to.deep.equal(shapes(whole));
	});

	it('takes those that show in some contexts whole, and leaves no place without its bar', () => {
		const contexts = { document: ['drawing'] } as never;
		const part = selectProfile(whole, { ...USUAL, contexts }, here);
		const shown = tree.bars.filter(({ item }) => here.index.space.meet(item.scope, contexts)).map(({ id }) => id);
		expect(treeOf(part).bars.map(({ id }) => id)).to.deep.equal(shown);
		expect(shown.length).to.be.lessThan(tree.bars.length);
		expect(treeOf(part).idle).to.deep.equal([]);
	});

	it('brings them in for the contexts that are chosen', () => {
		const { id } = tree.bars[0]!;
		const file = writeProfileFile(profileFile(gneiss.application, whole));
		const scope = { document: ['drawing'] } as never;
		const wanted = {
			selection: { ...USUAL, sections: ['bars'], bars: [id] },
			into: bare.at(-1)!.id,
			otherwise: bare.at(-1)!.id,
			scope
		};
		const { index, items, bars } = compareFile(subjectHere, bare, readProfileFile('file', file), wanted);
		expect(bars.map((bar) => bar.id)).to.have.members(tree.bars.map((bar) => bar.id as string));
		const after = treeOf(applyEdit(bare, bring(index, bare, items.filter(isOpen)).changes));
		expect(after.bars.map((bar) => [bar.id, bar.item.scope])).to.deep.equal([[id, scope]]);
	});

	it('leaves out what launches programs, with its places', () => {
		const launching = {
			id: 'macro:out',
			label: 'Out',
			description: '',
			icon: 'point',
			inside: false,
			steps: [{ do: 'launch', program: 'x.exe', arguments: [] }]
		};
		const [target] = [whole.at(-1)!.id];
		let now = applyEdit(whole, setMacro(stratumById(whole, target), launching as never));
		const toolbar = tree.bars.find(({ item }) => item.form === 'toolbar')!;
		now = applyEdit(
			now,
			insertItem(
				now,
				target,
				{ kind: 'place', command: 'macro:out' as never, size: 'small', shows: 'both', hidden: false },
				toolbar.id,
				0
			).changes
		);
		const commands = (part: Profile) => [...allNodes(treeOf(part))].map(({ item }) => item.kind === 'place' && item.command);
		const ground = { index: indexOf(subjectHere, now) };
		expect(commands(now)).to.include('macro:out');
		expect(commands(selectProfile(now, USUAL, ground))).not.to.include('macro:out');
		expect(commands(selectProfile(now, { ...USUAL, sections: SECTIONS }, ground))).to.include('macro:out');
	});
});

describe('handing over', () => {
	it('all parts to an empty profile gives the same profile', () => {
		const there = handOver(empty, SECTIONS);
		for (const [i, stratum] of there.entries()) {
			const said = (of: Profile[number]) => JSON.stringify(profileFile(varve.application, [of]));
			expect(said(stratum)).to.equal(said(profile[i]!));
		}
	});

	it('one part changes nothing else', () => {
		const [, office] = handOver(empty, ['macros']);
		expect(shortcutsIn(office!).size).to.equal(0);
		expect(aliasFileIn(office!)).to.equal(null);
		expect([...macrosIn(office!).keys()]).to.not.include('macro:standard-sheet');
	});

	it('says of every item what it would do, and changes nothing the second time', () => {
		const file = readProfileFile('file', writeProfileFile(profileFile(varve.application, profile)));
		const { items } = compareFile(subject, profile, file, { selection: USUAL, into: undefined, otherwise: profile.at(-1)!.id });
		expect(items.filter(isOpen)).to.deep.equal([]);
		expect(new Set(items.map((item) => item.chapter))).to.deep.equal(
			new Set(['aliases', 'bars', 'macros', 'options', 'shortcuts'])
		);
	});

	it('refuses to change what is locked', () => {
		const said = { ...macrosIn(profile[1]!).get('macro:frame-line' as never)!, label: 'Mine' };
		const rows = [{ chapter: 'macros', line: 1, stratum: profile.at(-1)!.id, said }];
		const wanted = { selection: USUAL, into: undefined, otherwise: profile.at(-1)!.id };
		const [item] = compareFile(subject, profile, { rows }, wanted).items;
		expect(item).to.include({ state: 'refused', reason: 'Office has locked this macro' });
	});

	it('knows the places of files apart from the profile', () => {
		expect(foldersItem(profile, searchPaths, undefined).state).to.equal('new');
		expect(foldersItem(profile, searchPaths, searchPaths).state).to.equal('same');
		const other = foldersItem(profile, searchPaths, { ...searchPaths, files: [] });
		expect(other.state).to.equal('replaced');
		expect(bring(indexOf(subject, profile), profile, [other]).folders).to.equal(searchPaths);
	});

	/** Entries in their order, without the numbers of their places. */
	const plain = (strata: Profile) =>
		strata.map((s) => [
			s.id,
			inOrder(shortcutsIn(s)).map(({ op, keys, command, scope }) => [op, keys, command, scopeText(scope)])
		]);

	for (const format of ['profile', 'csv'] as const)
		it(`a ${format} file of any profile to an empty office gives the same profile`, () => {
			let shared = 0;
			fc.assert(
				fc.property(small(), (app) => {
					const own = subjectOfSmall(app);
					const bare = app.profile.map((s) => (s.kind === 'factory' ? s : stratumOf(s, [])));
					const text =
						format === 'csv'
							? writeShortcutsCsv(app.profile, own.catalogue)
							: writeProfileFile(profileFile({ id: 'small', version: '1' } as never, app.profile));
					const read = format === 'csv' ? readShortcutsCsv('f', text) : readProfileFile('f', text);
					expect(read.refused).to.deep.equal([]);
					const wanted = { selection: USUAL, into: undefined, otherwise: bare.at(-1)!.id };
					const { index, items } = compareFile(own, bare, read, wanted);
					// nothing but what it takes away by name stands in place of anything, so that --keep leaves no shortcut out
					const taking = items.filter((item) => item.state === 'replaced');
					expect(taking.filter((item) => item.chapter !== 'shortcuts' || item.op !== 'remove')).to.deep.equal([]);
					const { changes, left } = bring(index, bare, items);
					expect(left).to.deep.equal([]);
					expect(plain(applyEdit(bare, changes))).to.deep.equal(plain(app.profile));
					for (const s of app.profile) {
						const keys = inOrder(shortcutsIn(s)).flatMap((e) => (e.op === 'set' ? [`${e.keys} ${scopeText(e.scope)}`] : []));
						if (new Set(keys).size < keys.length) shared++;
					}
				}),
				{ numRuns: 600 }
			);
			expect(shared, 'several commands on one input').to.be.greaterThan(20);
		});
});

describe('what a selection leaves out besides', () => {
	it('keys of macros that stay out, in every stratum', () => {
		const part = selectProfile(profile, { ...USUAL, sections: ['shortcuts'] }, ground);
		const ofMacros = (all: Profile) =>
			all.flatMap((s) => inOrder(shortcutsIn(s))).filter((e) => (e.command as string).startsWith('macro:'));
		expect(ofMacros(profile).length).to.be.greaterThan(0);
		expect(ofMacros(part)).to.deep.equal([]);
		const both = selectProfile(profile, { ...USUAL, sections: ['shortcuts', 'macros'] }, ground);
		const there = new Set(both.flatMap((s) => inOrder(macrosIn(s)).map((e) => e.id)));
		for (const entry of ofMacros(both)) expect(there).to.include(entry.command);
	});

	it('with a limit, what is heard nowhere within it: the scope and where the command exists count', () => {
		fc.assert(
			fc.property(small(), (app) => {
				const [axis] = app.axes;
				const node = axis!.nodes[0]!.id;
				const contexts = { [axis!.id]: [node] };
				const within = (i: number, scope: Record<string, readonly string[]>) =>
					app.axes.every((one, a) => {
						const wanted = scope[one.id];
						for (
							let at: string | undefined = app.space.situations[i]![a];
							wanted && at !== undefined;
							at = one.nodes.find((n) => n.id === at)?.parent
						)
							if (wanted.includes(at)) return true;
						return !wanted;
					});
				const heard = (e: { scope: Record<string, readonly string[]>; command: string }) => {
					const exists = app.commands.find((c) => (c.id as string) === e.command)?.contexts ?? [];
					return app.space.situations.some(
						(_, i) =>
							within(i, e.scope) && within(i, contexts) && (exists.length === 0 || exists.some((scope) => within(i, scope)))
					);
				};
				const part = selectProfile(app.profile, { sections: ['shortcuts'], contexts, categories: [] }, { index: app.index });
				expect(part.map((s) => inOrder(shortcutsIn(s)).map((e) => [e.op, e.keys, e.command, scopeText(e.scope)]))).to.deep.equal(
					app.profile.map((s) =>
						inOrder(shortcutsIn(s))
							.filter(heard)
							.map((e) => [e.op, e.keys, e.command, scopeText(e.scope)])
					)
				);
			}),
			{ numRuns: 200 }
		);
	});
});

describe('shortcuts from tables of other programs', () => {
	const said = (text: string, columns?: Parameters<typeof readShortcutsCsv>[2]) =>
		readShortcutsCsv('t.csv', text, columns).rows.map(({ said: { keys, command } }) => `${keys} ${command}`);

	it('are read with semicolons or tabs, and with columns that are named otherwise', () => {
		expect(said('Taste;Befehl\r\nCtrl+J;file.new\r\n')).to.deep.equal(['Ctrl+J file.new']);
		expect(said('Shortcut\tCommand ID\nCtrl+J\tfile.new\n')).to.deep.equal(['Ctrl+J file.new']);
		expect(said('keys,command\n"Ctrl+,",file.new\n')).to.deep.equal(['Ctrl+, file.new']);
	});

	it('are read by the columns that somebody names, and refused where none holds the keys', () => {
		const odd = 'A;B;C\nfile.new;x;Ctrl+J\n';
		expect(() => said(odd)).to.throw(/there is no column "keys"; found A, B, C/);
		expect(said(odd, { keys: 2, command: 0 })).to.deep.equal(['Ctrl+J file.new']);
		const { refused } = readShortcutsCsv('t.csv', 'A;B\nfile.new;Ctrl+Nope+X\n', { keys: 1, command: 0 });
		expect(refused.map(({ line, column }) => [line, column])).to.deep.equal([[2, 2]]);
	});
});
