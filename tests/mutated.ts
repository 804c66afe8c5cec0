import { readBars } from '../core/chapters/bars/file.ts';
import { applicationJson } from '../cli/server.ts';
import { ApplicationForm, catalogueFromTable, guessMapping } from '../core/application/catalogue-table.ts';
import { readTable } from '../core/format/table/table.ts';
import { readApplicationFile } from '../core/application/application-file.ts';
import { readCsv } from '../core/format/csv.ts';
import { profileFile, readProfileFile, writeProfileFile } from '../core/hand-over/profile-file.ts';
import { readShortcutsCsv, writeShortcutsCsv } from '../core/hand-over/shortcuts-csv.ts';
import { readMacros } from '../core/chapters/macros/file.ts';
import '../core/recipe/shapes/all.ts';
import { readWith, spliced, switchRecord, writeWith } from '../core/recipe/reading.ts';
import { NotWritableError } from '../core/recipe/record.ts';
import type { Recipe } from '../core/recipe/recipe.ts';
import { readShortcuts } from '../core/chapters/shortcuts/file.ts';
import { SHIPPED_RECIPES } from '../core/recipe/shipped.ts';
import { shortcutsIn, withShortcuts } from '../core/shortcut/entry.ts';
import { varve } from '../demo/varve/varve.ts';

/** Signs and words that mean something to one format or another. */
const BITS = [
	...[
		'"',
		"'",
		'<',
		'&',
		'{',
		'[',
		'\0',
		'\r',
		'\n',
		'&lol;',
		'- ',
		': ',
		'# ',
		'<!--',
		'*a',
		'&a',
		'__proto__',
		'<!DOCTYPE a>',
		'\uFEFF'
	],
	...['é', ']]>', '\\u00', '=', ',', '"__proto__":{"x":1},', 'constructor', '\t', '\\', '"scope":null', '1e999', '\ud800']
];

/** One command list in each kind of file. */
export const TABLES: Readonly<Record<string, string>> = {
	'roof.json': `{ "program": "Roof", "menus": [
  { "name": "Tiles", "commands": [
    { "id": "lay_tile", "label": "Lay tile", "keywords": ["cover", "roofing"], "text": { "hint": "Puts tiles in rows" } },
    { "id": "cut_tile", "label": "Cut tile" } ] },
  { "name": "Ridge", "commands": [{ "id": "turn_ridge", "label": "Turn ridge", "use": 12 }] } ] }
`,
	'roof.yaml': `program: Roof
menus:
  - name: Tiles
    commands:
      - id: lay_tile
        label: Lay tile
        keywords: [cover, roofing]
        text: { hint: Puts tiles in rows }
      - { id: cut_tile, label: Cut tile }
  - name: Ridge
    commands:
      - id: turn_ridge
        label: Turn ridge
        use: 12
`,
	'roof.xml': `<?xml version="1.0"?>
<program name="Roof">
  <menus name="Tiles">
    <commands id="lay_tile" label="Lay tile">
      <keywords>cover</keywords><keywords>roofing</keywords>
      <text hint="Puts tiles in rows"/>
    </commands>
    <commands id="cut_tile" label="Cut tile"/>
  </menus>
  <menus name="Ridge"><commands id="turn_ridge" label="Turn ridge" use="12"/></menus>
</program>
`
};

/** The text with one to four places changed at random. `random` gives numbers from 0 to 1. */
export function mutated(text: string, random: () => number): string {
	for (let n = 1 + Math.floor(random() * 4); n > 0; n--) {
		const at = Math.floor(random() * text.length);
		text = text.slice(0, at) + BITS[Math.floor(random() * BITS.length)]! + text.slice(at + Math.floor(random() * 8));
	}
	return text;
}

/** Every importer of text with a sound file for it. Reading throws only `FileRefusedError`. */
export function importers(): Record<string, { sound: string; read: (text: string) => unknown }> {
	const strata = varve
		.history()
		.at(-1)!
		.profile.map((s) => withShortcuts(s, [...shortcutsIn(s).values()].slice(0, 6)));
	const catalogue = new Map(varve.commands.map((c) => [c.id, c]));
	const fields =
		'Ident,Caption,Menu,Mode\nlay_tile,Lay tile,Roof > Tiles,Plan\nturn_ridge,"Turn, ridge",Roof > Ridge,Plan|Section\n';
	const form = {
		name: 'Roof',
		version: '1',
		ambiguity: 'first',
		match: 'character',
		sequences: 'wait',
		typing: 'nowhere'
	} as const;
	return {
		'profile, JSON': {
			sound: writeProfileFile(profileFile(varve.application, strata)),
			read: (text) => readProfileFile('file', text)
		},
		...Object.fromEntries(
			Object.entries(TABLES).map(([file, sound]) => [
				`table, ${file}`,
				{
					sound,
					read: (text: string) => {
						const { header, records } = readTable(file, text);
						return catalogueFromTable(records, guessMapping(header), ApplicationForm.parse(form));
					}
				}
			])
		),
		'application, JSON': {
			sound: applicationJson({
				application: varve.application,
				commands: varve.commands.slice(0, 8).map(({ opposite: _, ...c }) => c),
				seats: []
			}),
			read: (text) => readApplicationFile('file', text)
		},
		'shortcuts, CSV': {
			sound: writeShortcutsCsv([strata[0]!], catalogue),
			read: (text) => readShortcutsCsv('file', text)
		},
		'catalogue, CSV': {
			sound: fields,
			read: (text) => {
				const { header, records } = readCsv('file', text);
				return catalogueFromTable(records, guessMapping(header), { ...form, hardwired: [] });
			}
		},
		...Object.fromEntries(
			Object.entries(SHIPPED_RECIPES).map(([name, recipe]) => [name, { sound: sampleOf(recipe), read: readerOf(recipe) }])
		)
	};
}

function readerOf(recipe: Recipe) {
	if (recipe.holds === 'macros') return (text: string) => readMacros(recipe, 'file', text);
	if (recipe.holds === 'bars') return (text: string) => readBars(recipe, 'file', text, []);
	if (recipe.holds === 'shortcuts') return (text: string) => readShortcuts(recipe, 'file', text);
	return (text: string) => readWith(recipe, 'file', text);
}

/** A file of the recipe in which a record is commented out, where it can be. */
function sampleOf(recipe: Recipe): string {
	const text = written(recipe);
	try {
		return spliced(text, switchRecord(recipe, text, readWith(recipe, 'file', text).records[1]!, true));
	} catch (error) {
		if (error instanceof NotWritableError) return text;
		throw error;
	}
}

function written(recipe: Recipe): string {
	return writeWith(recipe, [
		{
			alias: 'ln',
			bar: 'Lines',
			command: 'draw.segment',
			note: 'straight',
			keys: 'Ctrl+E',
			context: 'part',
			macro: 'a',
			steps: 'cancel; type "x"'
		},
		{
			alias: 'dc',
			bar: 'Work',
			tab: 'Draw',
			group: 'Round',
			command: 'draw.circle',
			keys: 'G F',
			context: 'sketch',
			macro: 'b',
			label: 'B',
			steps: 'run draw.circle; accept'
		},
		{ alias: 'rx', bar: 'Lines', command: 'a, "b"', note: 'x', keys: 'F5', macro: 'c', steps: 'launch "a b"' }
	]);
}
