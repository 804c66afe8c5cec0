import { Option, type Command } from 'commander';
import { aliasTable } from '../../core/chapters/aliases/table.ts';
import { isPlace } from '../../core/chapters/bars/boxes.ts';
import { allNodes, barTree, pathTo, type BarTree } from '../../core/chapters/bars/tree.ts';
import { scopeText } from '../../core/context/scope.ts';
import { indexOf } from '../../core/profile/circumstances.ts';
import { stepsText } from '../../core/chapters/macros/steps.ts';
import { modesInForce } from '../../core/chapters/modes/mode.ts';
import { macroTable } from '../../core/chapters/macros/table.ts';
import { deliver } from '../files.ts';
import { subjectOf, takesSubject, tellRefused, type Ends, type SubjectOptions } from './subject.ts';

export function resolveCommand(program: Command, end: Ends): void {
	takesSubject(program.command('resolve'))
		.description('the resulting profile of all levels, with the origin of each entry')
		.argument('[profile...]', 'profile files')
		.addOption(new Option('-f, --format <format>', 'text or json').choices(['text', 'json']).default('text'))
		.option('-o, --output <file>', 'write to this file')
		.addHelpText(
			'after',
			'\nExample:\n  skarn resolve factory.json office.json personal.json -a gneiss.application.json --format json'
		)
		.action(async (files: string[], options: SubjectOptions & { format: string; output?: string }) => {
			const { application, loaded } = await subjectOf(files, options);
			tellRefused(loaded, end);
			const { bindings } = indexOf(application, loaded.profile).effective;
			const input = application.application.rules.aliases;
			const aliases = input ? [...aliasTable(loaded.profile, input).inForce.values()] : [];
			const shortcuts = bindings.map(({ keys, command, scope, stratum, lockedBy }) => ({
				keys,
				command,
				scope,
				stratum,
				...(lockedBy && { lockedBy })
			}));
			const names = aliases.map(({ alias, command, stratum }) => ({ alias, command, stratum: stratum.id }));
			const macros = [...macroTable(loaded.profile).inForce.values()].map(({ macro: { id, label, steps }, stratum }) => ({
				id,
				label,
				steps: stepsText(steps),
				stratum: stratum.id
			}));
			const modes = modesInForce(loaded.profile).map(({ entry: { axis, id, label, from }, stratum }) => ({
				axis,
				id,
				label,
				from,
				stratum: stratum.id
			}));
			const places = placesIn(barTree(loaded.profile));
			deliver(
				options.output,
				options.format === 'json'
					? JSON.stringify({ format: 'skarn-effective', version: 1, modes, shortcuts, aliases: names, macros, places }, null, 2) +
							'\n'
					: [
							...modes.map((m) => [`mode ${m.label}`, m.id, `${m.axis}=${m.from}`, m.stratum].join('\t')),
							...shortcuts.map((s) => [s.keys, s.command, scopeText(s.scope), s.stratum].join('\t')),
							...names.map((n) => [n.alias, n.command, '', n.stratum].join('\t')),
							...macros.map((m) => [m.id, m.steps, '', m.stratum].join('\t')),
							...places.map((p) => [p.where, p.command, '', p.stratum].join('\t'))
						].join('\n') + '\n'
			);
		});
}

/** Where each command stands in the bars, from the outside in, in the order of the window. */
function placesIn(tree: BarTree): { where: string; command: string; hidden?: true; stratum: string }[] {
	return [...allNodes(tree)].flatMap((node) => {
		if (!isPlace(node) || node.item.command === undefined) return [];
		const around = pathTo(tree, node.id).slice(0, -1);
		const where = around.map(({ item }) => (item.kind === 'place' ? (item.flyout ?? '') : item.name)).join(' / ');
		const isHidden = node.item.hidden || around.some(({ item }) => 'hidden' in item && item.hidden);
		return [{ where, command: node.item.command, ...(isHidden && { hidden: true as const }), stratum: node.stratum.id }];
	});
}
