import { strokesOf, type Keys } from '../../stroke/stroke.ts';
import type { Platform } from '../desk.ts';
import type { LayoutId } from '../layouts.ts';
import { literalTexts } from '../platform.ts';
import { linux } from './linux.ts';
import { macos } from './macos.ts';
import type { Reserved } from './row.ts';
import { windows } from './windows.ts';

export const RESERVED: Readonly<Record<Platform, readonly Reserved[]>> = { windows, macos, linux };

const byKeys = Object.fromEntries(
	Object.entries(RESERVED).map(([platform, rows]) => [platform, new Map(rows.map((row) => [row.keys, row]))])
) as Record<Platform, Map<string, Reserved>>;

/** The first stroke of the input that the platform keeps, if any; a position is the key that the layout has there. */
export function reservedOn(platform: Platform, keys: Keys, layout: LayoutId = 'us'): Reserved | undefined {
	for (const stroke of strokesOf(keys))
		for (const text of literalTexts(stroke, platform, layout)) {
			const row = byKeys[platform].get(text);
			if (row) return row;
		}
	return undefined;
}
