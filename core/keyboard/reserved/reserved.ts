import { strokesOf, type Keys } from '../../stroke/stroke.ts';
import type { Platform } from '../desk.ts';
import { literalText } from '../platform.ts';
import { linux } from './linux.ts';
import { macos } from './macos.ts';
import type { Reserved } from './row.ts';
import { windows } from './windows.ts';

export const RESERVED: Readonly<Record<Platform, readonly Reserved[]>> = { windows, macos, linux };

const byKeys = Object.fromEntries(
	Object.entries(RESERVED).map(([platform, rows]) => [platform, new Map(rows.map((row) => [row.keys, row]))])
) as Record<Platform, Map<string, Reserved>>;

/** The first stroke of the input that the platform keeps, if any. */
export function reservedOn(platform: Platform, keys: Keys): Reserved | undefined {
	for (const stroke of strokesOf(keys)) {
		const row = byKeys[platform].get(literalText(stroke, platform));
		if (row) return row;
	}
	return undefined;
}
