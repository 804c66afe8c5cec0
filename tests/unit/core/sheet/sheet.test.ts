import { expect } from 'chai';
import fc from 'fast-check';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { scopes } from '../../../../demo/gneiss/contexts.ts';
import type { Scope } from '../../../../core/context/scope.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import { indexesOf } from '../../../../core/context/bits.ts';
import { cutWith } from '../../../../core/context/meeting.ts';
import { readable, type Keys } from '../../../../core/stroke/stroke.ts';
import { spelledOn, type SheetGround } from '../../../../core/sheet/ground.ts';
import { htmlSheet } from '../../../../core/sheet/html.ts';
import { sheetOfProfile, type SheetWish } from '../../../../core/sheet/of-profile.ts';
import { placesOf } from '../../../../core/sheet/place.ts';
import { ARRANGEMENTS, sheetOf } from '../../../../core/sheet/sheet.ts';
import { officeDesks } from '../../../../core/keyboard/office-desks.ts';
import { published } from '../../../../core/strata/stratum.ts';
import { scopeOf, small, type Small } from '../../arbitrary.ts';
import { demoProfile, subjectOf } from '../../demo-office.ts';
import { shortcutsIn } from '../../../../core/shortcut/entry.ts';

const HEAD = { application: 'Small 1', setup: 'ours', state: '', desk: 'a desk', date: '1 May 2026' };

const settingOf = ({ index, rules }: Small): SheetGround => {
	const office = officeDesks(rules, []);
	return { index, office, desk: office.usual, aliases: new Map(), platforms: ['windows'], shapes: new Map() };
};

/** Whether a situation lies in a scope: on each axis that it names, at one of its contexts or below one. Written from design.md. */
function liesIn({ space }: Pick<Small, 'space'>, situation: number, scope: Record<string, readonly string[]>): boolean {
	return space.axes.every((axis, a) => {
		const wanted = scope[axis.id];
		if (!wanted) return true;
		for (
			let at: string | undefined = space.situations[situation]![a];
			at !== undefined;
			at = axis.nodes.find((n) => n.id === at)?.parent
		)
			if (wanted.includes(at)) return true;
		return false;
	});
}

const situationsOf = (app: Small, holds: (situation: number) => boolean) =>
	app.space.situations.flatMap((_, i) => (holds(i) ? [i] : []));

/** The situations in which a shortcut can be heard: in its scope, where its command exists. */
const heardAt = (app: Small, { scope, command }: Small['index']['effective']['bindings'][number]) => {
	const contexts = app.commands.find((c) => c.id === command)?.contexts ?? [];
	return situationsOf(
		app,
		(i) => liesIn(app, i, scope) && (contexts.length === 0 || contexts.some((context) => liesIn(app, i, context)))
	);
};

describe('where a scope is cut with others', () => {
	it('holds exactly the situations of the scope that lie in one of them, and no scope within another', () => {
		fc.assert(
			fc.property(
				small().chain((app) => fc.tuple(fc.constant(app), scopeOf(app.axes), fc.array(scopeOf(app.axes), { maxLength: 3 }))),
				([app, scope, others]) => {
					const cuts = cutWith(app.space, scope, others);
					expect(situationsOf(app, (i) => cuts.some((cut) => liesIn(app, i, cut)))).to.deep.equal(
						situationsOf(
							app,
							(i) => liesIn(app, i, scope) && (others.length === 0 || others.some((other) => liesIn(app, i, other)))
						)
					);
					const sets = cuts.map((cut) => new Set(indexesOf(app.space.bitsOf(cut))));
					for (const [i, set] of sets.entries())
						for (const [j, other] of sets.entries()) if (i !== j) expect([...set].every((s) => other.has(s))).to.equal(false);
				}
			),
			{ numRuns: 500 }
		);
	});
});

describe('a sheet', () => {
	it('has a row for each shortcut that can be heard, with the place where it can', () => {
		fc.assert(
			fc.property(small(), (app) => {
				const ground = settingOf(app);
				const { bindings } = app.index.effective;
				for (const binding of bindings) {
					const places = placesOf(ground, binding);
					expect(situationsOf(app, (i) => places.some((p) => liesIn(app, i, p)))).to.deep.equal(heardAt(app, binding));
				}
				const wanted = bindings
					.filter((b) => heardAt(app, b).length > 0)
					.map((b) => `${b.keys} ${app.commands.find((c) => c.id === b.command)!.label}`)
					.sort();
				const rows = (arrangement: 'category' | 'key') => sheetOf(HEAD, arrangement, ground).sections.flatMap((s) => s.rows);
				expect(
					rows('category')
						.map(([label, keys]) => `${String(keys)} ${String(label)}`)
						.sort()
				).to.deep.equal(wanted);
				expect(
					rows('key')
						.map(([keys, label]) => `${String(keys)} ${String(label)}`)
						.sort()
				).to.deep.equal(wanted);
			}),
			{ numRuns: 300 }
		);
	});

	it('by context says under each context what can be heard in it, and what is heard everywhere once', () => {
		fc.assert(
			fc.property(small(), (app) => {
				const { sections } = sheetOf(HEAD, 'context', settingOf(app));
				const [axis] = app.axes;
				const all = app.space.situations.length;
				const told = (name: string) =>
					(sections.find((s) => s.name === name)?.rows ?? []).map(([keys, label]) => `${String(keys)} ${String(label)}`).sort();
				const name = (b: { keys: Keys; command: string }) =>
					`${b.keys} ${app.commands.find((c) => (c.id as string) === b.command)!.label}`;
				const { bindings } = app.index.effective;
				expect(told('Everywhere')).to.deep.equal(
					bindings
						.filter((b) => heardAt(app, b).length === all && all > 0)
						.map(name)
						.sort()
				);
				for (const node of axis!.nodes.filter((n) => axis!.nodes.every((o) => o.parent !== n.id)))
					expect(told(node.label), node.label).to.deep.equal(
						bindings
							.filter((b) => {
								const at = heardAt(app, b);
								return at.length < all && at.some((i) => liesIn(app, i, { [axis!.id]: [node.id] }));
							})
							.map(name)
							.sort()
					);
			}),
			{ numRuns: 300 }
		);
	});

	const wish = (more: Partial<SheetWish>): SheetWish => ({
		arrangement: 'category',
		platforms: ['windows'],
		setup: 'the office’s setup',
		state: 'release 3',
		date: new Date('2026-05-01T12:00:00Z'),
		...more
	});

	it('gives each of several commands on one key its own place', () => {
		const opened = subjectOf(gneiss);
		const { sections } = sheetOfProfile(opened, demoProfile(gneiss), [], wish({ arrangement: 'key' }));
		const byKeys = new Map<string, string[]>();
		for (const [keys, , where] of sections.flatMap((s) => s.rows))
			byKeys.set(String(keys), [...(byKeys.get(String(keys)) ?? []), String(where)]);
		const shared = [...byKeys].filter(([, places]) => places.length > 1);
		expect(shared.length, 'keys with several commands').to.be.greaterThan(3);
		for (const [keys, places] of byKeys) for (const where of places) expect(where, keys).to.not.equal('');
	});

	it('holds what is typed beside what is pressed', () => {
		const { sections } = sheetOfProfile(subjectOf(varve), published(demoProfile(varve)), [], wish({}));
		const typed = sections.flatMap((s) => s.rows).filter((row) => row.at(-1) === 'typed');
		expect(typed.length).to.be.greaterThan(20);
	});

	it('shows keys as free that nothing begins with and no system keeps, and none of those as kept', () => {
		const opened = subjectOf(gneiss);
		const { sections } = sheetOfProfile(opened, demoProfile(gneiss), [], wish({ arrangement: 'keyboard' }));
		const free = sections.find((s) => s.name.startsWith('Free'))!.rows.flat(2) as string[];
		const kept = sections.find((s) => s.name.startsWith('Reserved'))!.rows.map(([keys]) => String(keys));
		// what a stratum sets is there until an upper one removes it
		const there = new Map<string, Keys>();
		for (const stratum of demoProfile(gneiss))
			for (const { op, keys, command, scope } of shortcutsIn(stratum).values()) {
				const name = JSON.stringify([keys, command, scope]);
				if (op === 'set') there.set(name, keys);
				else if (op === 'remove') there.delete(name);
			}
		const used = [...there.values()].map((keys) => readable(keys.split(' ')[0]!));
		expect(free.length).to.be.greaterThan(40);
		for (const keys of free) {
			expect(kept).to.not.include(keys);
			expect(used).to.not.include(keys);
		}
		expect(kept).to.include('Alt+F4');
	});

	it('spells keys for macOS with the modifiers that hold there', () => {
		// docs/decisions/0006: Ctrl of a profile is the primary modifier of the platform, Command on macOS
		expect(spelledOn('macos', 'Ctrl+Shift+E' as Keys)).to.equal('Shift+Command+E');
		expect(spelledOn('macos', 'Ctrl+Alt+F2 J' as Keys)).to.match(/^(Option\+Command|Command\+Option)\+F2 J$/);
		expect(spelledOn('windows', 'Ctrl+KeyE' as Keys)).to.equal('Ctrl+E');
		const { sections } = sheetOfProfile(subjectOf(gneiss), demoProfile(gneiss), [], wish({ platforms: ['windows', 'macos'] }));
		expect(sections[0]!.columns).to.deep.equal(['Command', 'Windows', 'macOS', 'Where']);
		for (const row of sections.flatMap((s) => s.rows)) {
			expect(row).to.have.length(4);
			expect(String(row[1]).split(' ')).to.have.length(String(row[2]).split(' ').length);
		}
	});

	it('says on its head what it is of', () => {
		for (const arrangement of ARRANGEMENTS) {
			const sheet = sheetOfProfile(subjectOf(gneiss), demoProfile(gneiss), [], wish({ arrangement }));
			const html = htmlSheet(sheet);
			for (const said of ['Gneiss Solid 5', 'the office’s setup', 'release 3', '1 May 2026']) expect(html).to.include(said);
			expect(html.match(/<td/g)!.length, arrangement).to.be.greaterThan(100);
		}
		const none = htmlSheet(sheetOfProfile(subjectOf(gneiss), demoProfile(gneiss), [], wish({ state: 'not released yet' })));
		expect(none).to.include('not released yet');
	});

	it('says what the mouse does in words, with the names of shapes', () => {
		const shapes = new Map([['ring', 'Ring']]);
		expect(spelledOn('windows', 'RightFlick45' as Keys)).to.equal('Right ↗');
		expect(spelledOn('windows', 'Ctrl+RightShape-ring' as Keys, shapes)).to.equal('Ctrl+Right “Ring”');
		expect(spelledOn('macos', 'Ctrl+MiddleDrag' as Keys)).to.match(/\+Middle drag$/);
		for (const arrangement of ARRANGEMENTS) {
			const text = JSON.stringify(sheetOfProfile(subjectOf(gneiss), demoProfile(gneiss), [], wish({ arrangement })));
			expect(text, arrangement).to.not.match(/RightFlick|RightShape|Drag\b/);
		}
	});

	it('has what is wanted alone: one’s own, what is used most, or what is heard in a scope', () => {
		const profile = demoProfile(gneiss);
		const rowsOf = (only?: SheetWish['only']) =>
			sheetOfProfile(subjectOf(gneiss), profile, [], wish({ arrangement: 'category', ...(only && { only }) })).sections.flatMap(
				({ rows }) => rows.map((row) => JSON.stringify(row))
			);
		const all = rowsOf();
		const personal = profile.filter((s) => s.kind === 'personal').map((s) => s.id);
		const mine = rowsOf({ kind: 'strata', strata: personal });
		const used = rowsOf({ kind: 'used', most: 10 });
		const sketch = rowsOf({ kind: 'scope', scope: scopes.sketch as Scope });
		for (const some of [mine, used, sketch]) {
			expect(all).to.include.members(some);
			expect(some.length).to.be.within(1, all.length - 1);
		}
		expect(new Set(used.map((row) => (JSON.parse(row) as string[])[0])).size).to.be.at.most(10);
	});
});
