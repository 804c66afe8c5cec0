import { z } from 'zod';

/**
 * What the keys of a board type: for each position up to four levels (plain, Shift, AltGr, AltGr with Shift). A level is
 * a character, `dead:` with the mark that a dead key waits with, or empty.
 */
export const LayoutFile = z.strictObject({
	format: z.literal('skarn-layout/1'),
	id: z.string().regex(/^[a-z]{2,12}$/, 'a layout id: two to twelve lower-case letters'),
	name: z.string().min(1).max(60),
	source: z.string().max(200),
	keys: z
		.record(z.string().max(30), z.array(z.string().max(12)).min(1).max(4))
		.refine((keys) => Object.keys(keys).length >= 40, 'expected at least 40 keys; the file seems to be cut short')
});
export type LayoutFile = z.infer<typeof LayoutFile>;

/** A character as a layout gives it: at which position, on which level (0 plain, 1 Shift, 2 AltGr, 3 AltGr with Shift). */
export interface Typing {
	readonly code: string;
	readonly level: number;
	/** The key is dead: it waits for the next letter. */
	readonly dead: boolean;
}

export interface Layout {
	readonly id: string;
	readonly name: string;
	readonly source: string;
	/** What the key types on a level; a dead key's mark; undefined for nothing. */
	legend(code: string, level: number): string | undefined;
	isDead(code: string, level: number): boolean;
	/** Every way to type the character or its capital, the easiest first. */
	ways(character: string): readonly Typing[];
	/** The easiest way to type the character or its capital, a living key before a dead one; undefined when the layout has none. */
	typing(character: string): Typing | undefined;
}

const DEAD = 'dead:';

export function layoutOf(file: LayoutFile): Layout {
	const ways = new Map<string, Typing[]>();
	for (let level = 0; level < 4; level++)
		for (const [code, levels] of Object.entries(file.keys)) {
			const text = levels[level];
			if (!text) continue;
			const dead = text.startsWith(DEAD);
			const character = (dead ? text.slice(DEAD.length) : text).toLowerCase();
			const known = ways.get(character);
			if (known) known.push({ code, level, dead });
			else ways.set(character, [{ code, level, dead }]);
		}
	const waysTo = (character: string): readonly Typing[] => ways.get(character.toLowerCase()) ?? [];
	return {
		id: file.id,
		name: file.name,
		source: file.source,
		legend: (code, level) => file.keys[code]?.[level]?.replace(DEAD, '') || undefined,
		isDead: (code, level) => file.keys[code]?.[level]?.startsWith(DEAD) ?? false,
		ways: waysTo,
		typing: (character) => waysTo(character).find(({ dead }) => !dead) ?? waysTo(character)[0]
	};
}
