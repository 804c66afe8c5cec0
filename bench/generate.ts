import { emptyAliasFile } from '../core/chapters/aliases/file.ts';
import type { AliasInput } from '../core/application/command-line.ts';
import { writeWith } from '../core/recipe/reading.ts';
import type { Values } from '../core/recipe/record.ts';
import type { Application } from '../core/application/application.ts';
import { Application as ApplicationSchema } from '../core/application/application.ts';
import type { Command, CommandId } from '../core/application/command.ts';
import type { Scope } from '../core/context/scope.ts';
import { entryKey, withShortcuts, type Entry } from '../core/shortcut/entry.ts';
import type { Profile, StratumHead } from '../core/strata/stratum.ts';
import { parseKeys, type Keys } from '../core/stroke/stroke.ts';

/** A small generator with a seed, so that every run measures the same (mulberry32). */
export function seeded(seed: number): () => number {
	let state = seed;
	return () => {
		state = (state + 0x6d2b79f5) | 0;
		let t = Math.imul(state ^ (state >>> 15), 1 | state);
		t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
		return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
	};
}

const VERBS =
	'Move,Rotate,Scale,Trim,Extend,Split,Join,Offset,Mirror,Copy,Align,Measure,Show,Hide,Fillet,Chamfer,Extrude,Revolve,Sweep,Loft'.split(
		','
	);
const NOUNS =
	'edge,face,body,curve,point,plane,axis,sheet,flange,hole,thread,weld,joint,component,view,section,note,table,layer,block,region,path,profile,rib,shell'.split(
		','
	);
const KINDS = 'by angle,by length,along path,to face,in place,as copy,with taper,from list,by picking,again'.split(',');

export interface Generated {
	readonly application: Application;
	readonly commands: Command[];
	readonly profile: Profile;
}

/** An application of 4 axes, 60 contexts and 2,016 reachable situations, with as many commands and shortcuts as asked for. */
export function generate(commandCount: number, shortcutCount: number, seed = 7): Generated {
	const random = seeded(seed);
	const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
	const sizes = [14, 16, 18, 12];
	const axes = sizes.map((size, a) => ({
		id: `axis-${a}`,
		label: `Axis ${a}`,
		nodes: Array.from({ length: size }, (_, n) => ({
			id: `n${n}`,
			label: `Context ${a}.${n}`,
			...(n >= 4 && { parent: `n${n % 4}` })
		}))
	}));
	const leaves = (a: number, from: number, to: number) => axes[a]!.nodes.slice(from, to).map((n) => n.id);
	const application = ApplicationSchema.parse({
		id: 'generated',
		name: 'Generated',
		version: '1',
		axes,
		reachable: [
			{ 'axis-0': leaves(0, 8, 14), 'axis-1': leaves(1, 8, 16), 'axis-2': leaves(2, 12, 18), 'axis-3': leaves(3, 5, 12) }
		],
		rules: { ambiguity: 'narrowest', match: 'character', sequences: 'at-once', typing: [{ 'axis-3': ['n11'] }] }
	});
	const scope = (): Scope => {
		const limited: Record<string, string[]> = {};
		for (const axis of axes) if (random() < 0.35) limited[axis.id] = [pick(axis.nodes).id];
		return limited as Scope;
	};
	const scopes = Array.from({ length: 400 }, scope);
	const commands = Array.from({ length: commandCount }, (_, i): Command => {
		const label = `${pick(VERBS)} ${pick(NOUNS)} ${pick(KINDS)}`;
		return {
			id: `cmd.${i}.${label.toLowerCase().replaceAll(' ', '-')}` as CommandId,
			label,
			description: `${label}, generated command ${i}.`,
			category: [pick(NOUNS), pick(KINDS)],
			icon: '',
			kind: 'one-shot',
			nested: false,
			synonyms: [pick(VERBS).toLowerCase(), pick(NOUNS)],
			contexts: random() < 0.5 ? [] : [pick(scopes)]
		};
	});
	const modifiers = ['', 'Ctrl+', 'Alt+', 'Shift+', 'Ctrl+Shift+', 'Ctrl+Alt+', 'Alt+Shift+', 'Ctrl+Alt+Shift+'];
	const keys = [...'abcdefghijklmnopqrstuvwxyz0123456789,.-', ...Array.from({ length: 12 }, (_, i) => `F${i + 1}`)];
	const stroke = () => pick(modifiers) + pick(keys);
	const entries: Entry[][] = [[], [], []];
	const said = new Set<string>();
	for (let made = 0; made < shortcutCount;) {
		const text: Keys = parseKeys(random() < 0.15 ? `${stroke()} ${stroke()}` : stroke());
		const stratum = random() < 0.6 ? 0 : random() < 0.6 ? 1 : 2;
		const entry: Entry = { op: 'set', command: pick(commands).id, keys: text, scope: pick(scopes), rank: made };
		if (said.has(entryKey(entry))) continue;
		said.add(entryKey(entry));
		entries[stratum]!.push(entry);
		made++;
	}
	const heads = [
		{ id: 'factory', kind: 'factory', name: 'Factory' },
		{ id: 'office', kind: 'office', name: 'Office' },
		{ id: 'personal', kind: 'personal', name: 'Personal' }
	] as StratumHead[];
	return { application, commands, profile: heads.map((head, i) => withShortcuts({ ...head, contents: {} }, entries[i]!)) };
}

/** How the command line of the measured application takes names. */
export const ALIAS_INPUT: AliasInput = {
	case: 'ignored',
	signs: 'letters and digits',
	longest: 12,
	completes: true,
	accept: ['Enter'],
	twice: 'first'
};

/** So many aliases, each with a note, all different. */
export const aliases = (commands: readonly Command[], count: number): Values[] =>
	Array.from({ length: count }, (_, i) => ({
		alias: `a${i.toString(36)}`,
		command: commands[i % commands.length]!.id,
		note: `number ${i}`
	}));

/** An alias file of 5,000 lines. */
export const longAliasFile = (commands: readonly Command[]): string => writeWith(emptyAliasFile.recipe, aliases(commands, 5_000));
