import { z } from 'zod';
import { Application } from '../../core/application/application.ts';
import { Command } from '../../core/application/command.ts';
import { Entry } from '../../core/profile/entry.ts';
import { StratumHead } from '../../core/profile/stratum.ts';
import { parseKeys } from '../../core/stroke/stroke.ts';
import { assemblyAndDrawing } from './commands/assembly-drawing.ts';
import { general } from './commands/general.ts';
import { sketch } from './commands/sketch.ts';
import { solid } from './commands/solid.ts';
import { view } from './commands/view.ts';
import { axes, reachable, rules, scopes, type ScopeName } from './contexts.ts';
import { factory } from './factory.ts';

/** Reads `op | keys | command | scope name` lines as entries in their order. */
export function entriesOf(lines: string): Entry[] {
	return lines
		.trim()
		.split('\n')
		.map((line, rank) => {
			const [op, keys, command, scope] = line.split('|').map((field) => field.trim());
			return Entry.parse({ op, keys: parseKeys(keys!), command, scope: scopes[scope as ScopeName], rank });
		});
}

export const application = Application.parse({
	id: 'gneiss-solid-5',
	name: 'Gneiss Solid 5',
	version: '5.2',
	axes,
	reachable,
	rules
});

export const commands = z.array(Command).parse([...general, ...view, ...sketch, ...solid, ...assemblyAndDrawing]);

export const factoryEntries = entriesOf(factory.trim().replaceAll(/^/gm, 'set | '));

export const strata = z.array(StratumHead).parse([
	{ id: 'factory', kind: 'factory', name: 'Factory' },
	{ id: 'office', kind: 'office', name: 'Office' },
	{ id: 'personal', kind: 'personal', name: 'Personal' }
]);
