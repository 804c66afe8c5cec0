import { z } from 'zod';
import { OptionDefinition } from '../core/application/option.ts';

/** `path | group | label | type | default | flags | cost | synonyms | explanation` a line. Flags: machine, restart. */
const common = `
canvas.readout | Canvas | Show coordinates | switch | true | | | coordinates, position | In the status bar, in the units of the document.
canvas.frame-numbers | Canvas | Show frame numbers | switch | false | | | frames, numbers | Small numbers beside the frames, as on the shop drawings.
canvas.edges | Canvas | Edge style | choice thin=thin, plain=normal, bold=bold | plain | | | lines, outlines |
canvas.smooth | Canvas | Curve smoothness | number 1 10 1 | 5 | | finer is slower on large models | curves, facets, resolution | How many flat pieces a bend is drawn with.
canvas.shade | Canvas | Sun shading | switch | false | | about 10 % fewer frames per second | light, sun, shadow |
units.decimals | Measures | Decimal places | number 0 6 1 | 2 | | | decimals, digits, precision | Only for display; stored values keep full precision.
units.angle | Measures | Angle unit | choice deg=degrees, gon=gon | deg | | | degrees, gradians |
snap.reach | Measures | Snap distance | number 0 40 1 px | 10 | | | snap, catch, magnet | In pixels around the pointer; 0 turns snapping off.
snap.grid | Measures | Grid spacing | number 1 500 1 mm | 20 | | | grid, raster, spacing |
navigation.orbit | Navigation | Orbit direction | choice natural=the model follows the pointer, reversed=reversed | natural | | | orbit, rotate, direction, invert |
navigation.zoom | Navigation | Scroll forward | choice natural=zooms in, reversed=zooms out | natural | | | zoom, wheel, mouse wheel, direction, invert |
navigation.about | Navigation | Zoom to | choice pointer=pointer, middle=centre of the window | pointer | | | zoom, cursor, centre |
navigation.speed | Navigation | Orbit and zoom speed | number 25 400 5 % | 100 | | | zoom, orbit, sensitivity |
help.delay | Help | Tooltip delay | number 0 5 0.1 s | 0.6 | | | tooltip, hover |
help.language | Help | Help language | choice de=German, en=English, fr=French | en | restart | | language |
save.every | Safety | Autosave interval | number 1 120 1 min | 15 | | a moment at each copy of a large file | autosave, backup |
save.copies | Safety | Number of back-up copies | number 0 50 1 | 5 | | | versions, backup |
interface.size | Interface | Interface size | choice small=small, usual=medium, large=large | usual | restart | | scale, zoom, eyes |
interface.open-last | Interface | Reopen last documents | switch | true | restart | | start, session |
graphics.card | This machine | Graphics card | choice fast=dedicated, plain=integrated | fast | machine restart | | graphics, gpu |
graphics.memory | This machine | Texture memory | number 256 16384 256 MB | 2048 | machine | more leaves less for the model | ram, cache |
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
