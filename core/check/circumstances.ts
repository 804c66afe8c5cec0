import type { ShortcutIndex } from '../answer/shortcut-index.ts';

/** What a check looks at. */
export interface Circumstances {
	readonly index: ShortcutIndex;
}
