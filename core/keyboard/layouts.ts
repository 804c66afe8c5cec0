import ch from './layouts/ch.json' with { type: 'json' };
import cz from './layouts/cz.json' with { type: 'json' };
import de from './layouts/de.json' with { type: 'json' };
import es from './layouts/es.json' with { type: 'json' };
import fr from './layouts/fr.json' with { type: 'json' };
import gb from './layouts/gb.json' with { type: 'json' };
import it from './layouts/it.json' with { type: 'json' };
import pl from './layouts/pl.json' with { type: 'json' };
import se from './layouts/se.json' with { type: 'json' };
import us from './layouts/us.json' with { type: 'json' };
import { layoutOf, type Layout, type LayoutFile } from './layout.ts';

/** The layouts that ship, generated from xkb-data by `npm run layouts`. */
const FILES = { us, gb, de, fr, ch, se, es, it, pl, cz };
export type LayoutId = keyof typeof FILES;
export const LAYOUT_IDS = Object.keys(FILES) as [LayoutId, ...LayoutId[]];

export const LAYOUTS = Object.fromEntries(
	Object.entries(FILES).map(([id, file]) => [id, layoutOf(file as LayoutFile)])
) as Readonly<Record<LayoutId, Layout>>;

/**
 * Positions whose key has a character with AltGr under Windows. XKB fills nearly every AltGr level, Windows only these; its
 * published keyboard documentation is the source, written down from memory. There Ctrl+Alt is AltGr.
 */
const WINDOWS_ALTGR: Readonly<Record<LayoutId, string>> = {
	us: '',
	gb: 'Backquote Digit4 KeyA KeyE KeyI KeyO KeyU',
	de: 'Digit2 Digit3 Digit7 Digit8 Digit9 Digit0 Minus KeyQ KeyE BracketRight KeyM IntlBackslash',
	fr: 'Digit2 Digit3 Digit4 Digit5 Digit6 Digit7 Digit8 Digit9 Digit0 Minus Equal KeyE BracketRight',
	ch: 'Digit1 Digit2 Digit3 Digit6 Digit7 Digit8 Minus Equal KeyE BracketLeft BracketRight Quote Backslash IntlBackslash',
	se: 'Digit2 Digit3 Digit4 Digit7 Digit8 Digit9 Digit0 Minus KeyE BracketRight KeyM IntlBackslash',
	es: 'Backquote Digit1 Digit2 Digit3 Digit4 KeyE BracketLeft BracketRight Quote Backslash',
	it: 'KeyE BracketLeft BracketRight Semicolon Quote',
	pl: 'KeyE KeyU KeyO KeyA KeyS KeyL KeyZ KeyX KeyC KeyN',
	cz: 'Digit1 Digit2 Digit3 Digit4 Digit5 Digit6 Digit7 Digit8 Digit9 Digit0 KeyQ KeyW KeyE BracketLeft BracketRight KeyS KeyD KeyF KeyG KeyK KeyL Semicolon Quote KeyX KeyC KeyV KeyB KeyN Comma Period Slash'
};

const altGr = new Map(Object.entries(WINDOWS_ALTGR).map(([id, codes]) => [id, new Set(codes.split(' '))]));

/** What Ctrl+Alt with the key types under Windows on this layout, or undefined when nothing is lost. */
export function eatenByAltGr(layout: LayoutId, code: string): string | undefined {
	return altGr.get(layout)!.has(code) ? (LAYOUTS[layout].legend(code, 2) ?? 'a character') : undefined;
}
