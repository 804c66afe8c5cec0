import { z } from 'zod';
import { OptionDefinition } from '../core/application/option.ts';

/** `path | group | label | type | default | flags | cost | synonyms | explanation` a line. Flags: machine, restart. */
const common = `
canvas.readout | Canvas | Show where the pointer is | switch | true | | | coordinates, position | In the bottom line, in the units of the document.
canvas.frame-numbers | Canvas | Number the frames of the cabin | switch | false | | | frames, numbers | Small figures beside the frames, as on the shop drawings.
canvas.edges | Canvas | Draw edges | choice thin=thin, plain=as they are, bold=bold | plain | | | lines, outlines |
canvas.smooth | Canvas | Smoothness of curves | number 1 10 1 | 5 | | the finer, the slower on a whole cabin | curves, facets, resolution | How many flat pieces a bend is drawn with.
canvas.shade | Canvas | Shade faces by the sun of the station | switch | false | | about a tenth of the frames | light, sun, shadow |
units.decimals | Measures | Places after the point | number 0 6 1 | 2 | | | decimals, digits, precision | In what is shown; what is stored keeps all of them.
units.angle | Measures | Angles in | choice deg=degrees, gon=gon | deg | | | degrees, gradians |
snap.reach | Measures | How near a pick is caught | number 0 40 1 px | 10 | | | snap, catch, magnet | Pixels around the pointer; 0 catches nothing.
snap.grid | Measures | Catch on a raster of | number 1 500 1 mm | 20 | | | grid, raster, spacing |
navigation.orbit | Navigation | Turning the model | choice natural=what is near follows the pointer, reversed=the other way | natural | | | orbit, rotate, direction, invert |
navigation.zoom | Navigation | The wheel turned away | choice natural=comes nearer, reversed=goes back | natural | | | zoom, direction, invert |
navigation.about | Navigation | What stays in place when one comes nearer | choice pointer=what is under the pointer, middle=the middle of the window | pointer | | | zoom, cursor, centre |
navigation.speed | Navigation | Speed of turning and coming nearer | number 25 400 5 % | 100 | | | zoom, orbit, sensitivity |
help.delay | Help | Hints come after | number 0 5 0.1 s | 0.6 | | | tooltip, hover |
help.language | Help | Language of the help | choice de=German, en=English, fr=French | en | restart | | language |
save.every | Safety | Save a copy every | number 1 120 1 min | 15 | | a moment at each copy of a large file | autosave, backup |
save.copies | Safety | Keep so many copies | number 0 50 1 | 5 | | | versions, backup |
interface.size | Interface | Size of signs and texts | choice small=small, usual=usual, large=large | usual | restart | | scale, zoom, eyes |
interface.open-last | Interface | Open what was open last | switch | true | restart | | start, session |
graphics.card | This machine | Draw with | choice fast=the fast card, plain=the plain one | fast | machine restart | | graphics, gpu |
graphics.memory | This machine | Memory for pictures | number 256 16384 256 MB | 2048 | machine | more lets less for the model | ram, cache |
files.folder | This machine | Working folder | text 200 | | machine | | path, directory |
`;

/** Options by lines; the common ones of all stand-ins stand first. */
export const optionsOf = (own: string): z.infer<typeof OptionDefinition>[] =>
	z.array(OptionDefinition).parse(
		(common + own)
			.split('\n')
			.filter((line) => line.trim() !== '')
			.map((line) => {
				const [path, group, label, kind, usual, flags = '', cost = '', synonyms = '', explanation = ''] = line
					.split('|')
					.map((field) => field.trim());
				const type = typeOf(kind!);
				return {
					path,
					group,
					label,
					type,
					default: type.kind === 'switch' ? usual === 'true' : type.kind === 'number' ? Number(usual) : usual,
					machine: flags.includes('machine'),
					restart: flags.includes('restart'),
					cost,
					synonyms: synonyms === '' ? [] : synonyms.split(',').map((word) => word.trim()),
					explanation
				};
			})
	);

function typeOf(text: string): OptionDefinition['type'] {
	const [kind, ...rest] = text.split(/\s+/);
	if (kind === 'number') {
		const [min, max, step, unit = ''] = rest;
		return { kind, min: Number(min), max: Number(max), step: Number(step), unit };
	}
	if (kind === 'text') return { kind, longest: Number(rest[0]) };
	if (kind !== 'choice') return { kind: 'switch' };
	const choices = text
		.slice('choice'.length)
		.split(',')
		.map((choice) => choice.trim().split('='));
	return { kind, choices: choices.map(([value, label]) => ({ value: value!, label: label! })) };
}

/** What a stratum says: `path = value`, `lock path` or `remove path` a line. */
export function optionLines(text: string): { op: 'set' | 'lock' | 'remove'; path: string; value?: boolean | number | string }[] {
	return text
		.split('\n')
		.map((line) => line.trim())
		.filter((line) => line !== '')
		.map((line) => {
			const [first, second] = line.split(' ');
			if (first === 'lock' || first === 'remove') return { op: first, path: second! };
			const [path, said] = line.split(' = ') as [string, string];
			const value = said === 'true' ? true : said === 'false' ? false : Number.isNaN(Number(said)) ? said : Number(said);
			return { op: 'set', path, value };
		});
}
