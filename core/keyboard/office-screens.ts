import { SCREENS, sizeText } from '../surface/screens.ts';
import type { Screen } from '../surface/window.ts';
import type { Desk } from './desk.ts';

/** The first screens of the desks, those of one size together with the names of their seats, the one with least room first. */
export function officeScreens(desks: readonly Desk[]): readonly Screen[] {
	const bySize = new Map<string, Screen & { seats: string[] }>();
	for (const { seat, screens } of desks.flatMap((desk) => desk.screensOf ?? [])) {
		const [screen, ...others] = screens;
		if (!screen) continue;
		const size = sizeText(screen);
		const known = bySize.get(size);
		if (known) known.seats.push(seat);
		else bySize.set(size, { ...screen, name: size, seats: [seat], others });
	}
	if (bySize.size === 0) return SCREENS;
	return [...bySize.values()]
		.map(({ seats, name, ...screen }) => ({ ...screen, name: `${seats.join(', ')}: ${name}` }))
		.sort((a, b) => a.width / a.scale - b.width / b.scale);
}

/** The screen with least width, for which bars at the top and the bottom are judged. */
export const narrowestOf = (desks: readonly Desk[]): Screen => officeScreens(desks)[0]!;

const heightOf = ({ height, scale }: Screen): number => height / scale;

/** The screens with least room, in width and in height, each once: bars at the sides are judged by the height. */
export function tightestOf(desks: readonly Desk[]): readonly Screen[] {
	const all = officeScreens(desks);
	const lowest = all.reduce((low, screen) => (heightOf(screen) < heightOf(low) ? screen : low));
	return [...new Set([all[0]!, lowest])];
}

/** The seats that are known to have fewer screens than so many. */
export const seatsWithout = (desks: readonly Desk[], monitor: number): readonly string[] =>
	desks.flatMap((desk) => desk.screensOf ?? []).flatMap(({ seat, screens }) => (screens.length < monitor ? [seat] : []));
