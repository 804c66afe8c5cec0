import { generateKeyBetween, generateNKeysBetween } from 'fractional-indexing';
import { CommandId } from '../../application/command.ts';
import type { FileProblem } from '../../format/problem.ts';
import { readWith } from '../../recipe/reading.ts';
import type { Recipe } from '../../recipe/recipe.ts';
import type { FileRecord, Values } from '../../recipe/record.ts';
import { LONGEST_NAME, sameItem, type BarEntry, type BarForm, type Item, type ItemId } from './bar.ts';
import { isPlace } from './boxes.ts';
import { barTree, type BarNode, type BarTree } from './tree.ts';
import { freeId } from './writing.ts';
import type { Profile } from '../../strata/stratum.ts';

/** What stands for a separator where a command is expected. */
const RULE = '-';

/** An entry that a file brings, and the line that speaks of it first. */
export interface BarRow {
	readonly line: number;
	readonly said: BarEntry;
}

/** A thing as the file has it, in the order of its lines. */
interface Wanted {
	readonly id: ItemId;
	readonly item: Item;
	readonly children: Wanted[];
	/** The line that speaks of it first. */
	readonly line: number;
}

const barOf = (name: string, form: BarForm): Item => ({
	kind: 'bar',
	form,
	name,
	scope: {},
	dock: { edge: 'top', row: form === 'ribbon' ? 0 : 1 },
	icon: 24,
	text: 'none',
	hidden: false
});
const placeOf = (command: string | undefined): Extract<Item, { kind: 'place' }> => ({
	kind: 'place',
	...(command !== undefined && { command: command as CommandId }),
	size: 'small',
	shows: 'both',
	hidden: false
});

/**
 * The bars of a file that has one place a line: `bar` and `command`, with `tab` and `group` for a ribbon, and `label` for a title of
 * its own; the command `-` is a separator. What the profile has under the same names, one in the other, is the same thing, and
 * keeps what the file does not speak of; what the file does not name stays. Gives the entries that differ from what is in
 * force. Throws `FileRefusedError` for a file of another shape.
 */
export function readBars(
	recipe: Recipe,
	file: string,
	text: string,
	profile: Profile
): { rows: BarRow[]; refused: FileProblem[] } {
	const { records, unknown } = readWith(recipe, file, text);
	const refused: FileProblem[] = [...unknown];
	const tree = barTree(profile);
	const wanted: Wanted[] = [];
	const taken = new Set<string>(tree.byId.keys());
	const known = new Set<ItemId>();

	const fresh = (word: string): ItemId => freeId(word, taken, 60);
	/** The thing of that name among those: one of the file before, one of the profile, or a new one. */
	function named(among: Wanted[], there: readonly BarNode[], name: string, line: number, make: () => Item): Wanted {
		const before = among.find(({ item }) => item.kind !== 'place' && item.name === name);
		if (before) return before;
		const node = there.find(({ item, id }) => item.kind !== 'place' && item.name === name && !known.has(id));
		if (node) known.add(node.id);
		const own: Wanted = { id: node?.id ?? fresh(name), item: node?.item ?? make(), children: [], line };
		among.push(own);
		return own;
	}
	const below = (one: Wanted): readonly BarNode[] => tree.byId.get(one.id)?.children ?? [];

	for (const record of records) {
		if (record.off) continue;
		const { bar, tab, group, command, label } = valuesOf(record);
		const refuse = (message: string) => refused.push({ line: record.line, column: 1, message });
		if (bar === undefined || command === undefined) {
			refuse(bar === undefined ? 'the name of the toolbar is empty' : `the command is empty; a separator is written as ${RULE}`);
			continue;
		}
		const long = [bar, tab, group, label].find((name) => name !== undefined && name.length > LONGEST_NAME);
		if (long !== undefined || (command !== RULE && !CommandId.safeParse(command).success)) {
			refuse(
				long === undefined
					? `"${command}" is not a command id`
					: `a name has at most ${LONGEST_NAME} characters, here ${long.length}`
			);
			continue;
		}
		if ((tab === undefined) !== (group === undefined)) {
			refuse('in a ribbon, a button needs both a tab and a group; in a toolbar it needs neither');
			continue;
		}
		const isRibbon = tab !== undefined && group !== undefined;
		let home = named(wanted, tree.bars, bar, record.line, () => barOf(bar, isRibbon ? 'ribbon' : 'toolbar'));
		if (home.item.kind === 'bar' && (home.item.form === 'ribbon') !== isRibbon) {
			refuse(`${bar} is a ${home.item.form}, where a button ${isRibbon ? 'has no tab' : 'needs a tab and a group'}`);
			continue;
		}
		if (isRibbon) {
			home = named(home.children, below(home), tab, record.line, () => ({ kind: 'tab', name: tab }));
			home = named(home.children, below(home), group, record.line, () => ({ kind: 'group', name: group }));
		}
		const said = command === RULE ? undefined : command;
		const node = below(home).find((one) => isPlace(one) && one.item.command === said && !one.item.flyout && !known.has(one.id));
		if (node) known.add(node.id);
		const item = node && isPlace(node) ? node.item : placeOf(said);
		const { title: _, ...plain } = item;
		home.children.push({
			id: node?.id ?? fresh(`${home.id}-${said ?? 'rule'}`),
			item: label === undefined ? plain : { ...plain, title: label },
			children: [],
			line: record.line
		});
	}
	return { rows: rowsOf(wanted, tree), refused: refused.sort((a, b) => a.line - b.line) };
}

function valuesOf({ fields }: FileRecord): Partial<Record<'bar' | 'tab' | 'group' | 'command' | 'label', string>> {
	const said = (field: 'bar' | 'tab' | 'group' | 'command' | 'label') => {
		const value = fields[field]?.value.trim();
		return value === undefined || value === '' ? undefined : value;
	};
	return { bar: said('bar'), tab: said('tab'), group: said('group'), command: said('command'), label: said('label') };
}

/** The entries that make the tree as it is wanted. What is there stays where it is as long as the wanted order is its own. */
function rowsOf(wanted: readonly Wanted[], tree: BarTree): BarRow[] {
	const rows: BarRow[] = [];
	const lay = (list: readonly Wanted[], parent: ItemId | null) => {
		const orders = ordersOf(list, parent === null ? tree.bars : (tree.byId.get(parent)?.children ?? []));
		list.forEach(({ id, item, children, line }, i) => {
			const node = tree.byId.get(id);
			if (!node || node.parent !== parent || node.order !== orders[i] || !sameItem(node.item, item))
				rows.push({ line, said: { op: 'set', id, parent, order: orders[i]!, item, rank: rows.length } });
			lay(children, id);
		});
	};
	lay(wanted, null);
	return rows;
}

/** Order keys for a list, of which some stand among those that are there: new ones come behind what they follow in the list. */
function ordersOf(list: readonly Wanted[], there: readonly BarNode[]): string[] {
	const own = list.map(({ id }) => there.find((node) => node.id === id)?.order);
	const kept = own.filter((order) => order !== undefined);
	if (kept.some((order, i) => i > 0 && order <= kept[i - 1]!))
		return generateNKeysBetween(
			there.filter((node) => !list.some(({ id }) => id === node.id)).at(-1)?.order ?? null,
			null,
			list.length
		);
	let last = own[0] === undefined && kept.length > 0 ? null : (there.at(-1)?.order ?? null);
	return own.map((order, i) => {
		if (order !== undefined) return (last = order);
		if (i > 0 || last === null) {
			const next = there.find((node) => last === null || node.order > last)?.order ?? null;
			return (last = generateKeyBetween(last, next));
		}
		return (last = generateKeyBetween(last, null));
	});
}

/** The places of toolbars and ribbons as records, in the order of the window. What stands in flyouts, menus and the like is left out. */
export function barRecords(profile: Profile): { rows: Values[]; left: string[] } {
	const rows: Values[] = [];
	const left: string[] = [];
	const places = (node: BarNode, around: Values) => {
		for (const child of node.children) {
			if (!isPlace(child)) continue;
			const { command, flyout, title } = child.item;
			if (flyout !== undefined) left.push(`the flyout ${flyout} in ${around.bar}`);
			else rows.push({ ...around, command: command ?? RULE, ...(title !== undefined && { label: title }) });
		}
	};
	for (const bar of barTree(profile).bars) {
		const { form, name } = bar.item;
		if (form === 'toolbar' || form === 'quick') places(bar, { bar: name });
		else if (form !== 'ribbon')
			left.push(`${form === 'menu' ? 'the menus' : form === 'cursor' ? 'the cursor bar' : 'the context menu'} ${name}`);
		else
			for (const tab of bar.children)
				for (const group of tab.children)
					if (tab.item.kind === 'tab' && group.item.kind === 'group')
						places(group, { bar: name, tab: tab.item.name, group: group.item.name });
	}
	return { rows, left };
}
