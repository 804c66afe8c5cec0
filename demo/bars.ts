import { generateNKeysBetween } from 'fractional-indexing';
import { BarEntry } from '../core/chapters/bars/bar.ts';
import { applyEdit, type AnyChange } from '../core/profile/edit.ts';
import type { Profile } from '../core/strata/stratum.ts';

interface Line {
	readonly depth: number;
	readonly kind: string;
	readonly name: string;
	readonly rest: string;
}

const slug = (text: string) =>
	text
		.toLowerCase()
		.replaceAll(/[^a-z0-9]+/g, '-')
		.replaceAll(/^-+|-+$/g, '');

/**
 * Bars as the demo writes them, one bar, tab or group a line, indented by what it stands in:
 * `ribbon Name`, `toolbar Name @ left 0 16 none scope : places`, `tab Name`, `group Name : places`, and for menus `menu Name`.
 * A bar that opens at the pointer is `cursor Name @ floating columns 24 none scope Keys : places`. A place is a command's id, with `*` a large one; `-` is a separator, `Name{a b}` a flyout with underscores for spaces.
 */
export function barEntries(text: string, scopes: Readonly<Record<string, unknown>>): BarEntry[] {
	const lines = text
		.split('\n')
		.filter((line) => line.trim() !== '')
		.map((line): Line => {
			const [, indent, kind, name, rest = ''] = /^(\t*)(\w+) ([^@:]+?)\s*((?:[@:].*)?)$/.exec(line)!;
			return { depth: indent!.length, kind: kind!, name: name!, rest };
		});
	const orders = generateNKeysBetween(null, null, Math.max(60, lines.length));
	const entries: object[] = [];
	const add = (id: string, parent: string | null, order: number, item: object) =>
		entries.push({ op: 'set', id, parent, order: orders[order], item, rank: entries.length });
	const counts = new Map<string | null, number>();
	const next = (parent: string | null) => {
		const n = counts.get(parent) ?? 0;
		counts.set(parent, n + 1);
		return n;
	};
	const places = (parent: string, said: string) => {
		for (const [, flyout, inside, word] of said.matchAll(/([\w&]+)\{([^}]*)\}|(\S+)/g)) {
			const n = next(parent);
			const id = `${parent}.${n}`;
			if (flyout !== undefined) {
				add(id, parent, n, { kind: 'place', flyout: flyout.replaceAll('_', ' ') });
				places(id, inside!);
			} else if (word === '-') add(id, parent, n, { kind: 'place' });
			else
				add(id, parent, n, {
					kind: 'place',
					command: word!.replace('*', ''),
					size: word!.endsWith('*') ? 'large' : 'small'
				});
		}
	};
	const stack: string[] = [];
	for (const { depth, kind, name, rest } of lines) {
		const parent = depth === 0 ? null : stack[depth - 1]!;
		const id = parent === null ? slug(name) : `${parent}.${slug(name)}`;
		stack[depth] = id;
		const [, at = '', said = ''] = /^(?:@\s*([^:]*))?(?::\s*(.*))?$/.exec(rest)!;
		if (kind === 'tab') add(id, parent, next(parent), { kind, name });
		else if (kind === 'group') add(id, parent, next(parent), { kind, name });
		else {
			const [edge = 'top', row = '0', icon = '24', text_ = 'none', scope = 'any', keys] = at.trim().split(/\s+/).filter(Boolean);
			if (!scopes[scope]) throw new Error(`no scope "${scope}" in the bar ${name}`);
			add(id, parent, next(parent), {
				kind: 'bar',
				form: kind,
				name,
				scope: scopes[scope],
				dock: edge === 'floating' ? { edge, monitor: 1, x: 0, y: 0, columns: Number(row) } : { edge, row: Number(row) },
				icon: Number(icon),
				text: text_,
				...(keys && { keys })
			});
		}
		places(id, said);
	}
	return entries.map((entry) => BarEntry.parse(entry));
}

/** Changes of bars that follow each other, as the changes of one edit. */
export function inTurn(profile: Profile, steps: readonly ((now: Profile) => readonly AnyChange[])[]): AnyChange[] {
	let now = profile;
	return steps.flatMap((step) => {
		const changes = step(now);
		now = applyEdit(now, changes);
		return changes;
	});
}
