import type { CommandId } from '$core/application/command';
import type { ShortcutIndex } from '$core/answer/shortcut-index';
import type { Finding } from '$core/chapters/shortcuts/check/finding';
import type { Face, Plane } from '$core/answer/key-face';
import type { OfficeDesks } from '$core/keyboard/office-desks';
import type { StratumKind } from '$core/strata/stratum';
import { HARDLY_USED } from '$core/suggest/suggest';
import type { Keys } from '$core/stroke/stroke';

export type Filter =
	'all' | 'free-here' | 'free-everywhere' | 'changed' | 'findings' | 'personal' | 'office' | 'factory' | `category:${string}`;

/** What the filters look at. */
export interface Board {
	readonly index: ShortcutIndex;
	/** Tells which strokes the system or the application keeps. */
	readonly office: OfficeDesks;
	readonly changed: ReadonlySet<CommandId>;
	readonly findings: ReadonlyMap<Keys, readonly Finding[]>;
	readonly kindOf: (stratum: string) => StratumKind;
}

export const isTaken = ({ outcome }: Plane): boolean =>
	outcome !== undefined && outcome.kind !== 'nothing' && outcome.kind !== 'typed';

/** Whether the system or the application itself keeps the stroke. */
export const isKept = ({ keys }: Plane, office: Pick<OfficeDesks, 'kept'>): boolean =>
	keys !== undefined && office.kept(keys).length > 0;

/** Whether the key stands out under the filter, on the plane that is drawn. */
export function passes(filter: Filter, plane: Plane, { index, office, changed, findings, kindOf }: Board): boolean {
	if (filter === 'all') return true;
	if (plane.keys === undefined) return false;
	switch (filter) {
		case 'free-here':
			return !isTaken(plane) && !isKept(plane, office);
		case 'free-everywhere':
			return !isKept(plane, office) && index.on(plane.keys).length === 0 && index.longer(plane.keys).length === 0;
		case 'changed':
			return plane.binding !== undefined && changed.has(plane.binding.command);
		case 'findings':
			return findings.has(plane.keys);
		case 'personal':
		case 'office':
		case 'factory':
			return plane.binding !== undefined && kindOf(plane.binding.stratum) === filter;
		default:
			return (
				plane.binding !== undefined &&
				index.catalogue.get(plane.binding.command)?.category[0] === filter.slice('category:'.length)
			);
	}
}

/** How a stroke lies for the hand: what it costs, whether it is free here, and whether it is used by a command that nobody runs. */
export function layOf(face: Face, plane: Plane, office: OfficeDesks, index: ShortcutIndex) {
	const reach = plane.keys && office.reach(plane.keys);
	const holder = plane.binding && index.catalogue.get(plane.binding.command);
	return {
		reach,
		isFree: plane.keys !== undefined && !isTaken(plane) && !isKept(plane, office),
		isWasted: holder !== undefined && holder.use !== undefined && holder.use < HARDLY_USED
	};
}
