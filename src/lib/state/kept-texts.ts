import { z } from 'zod';
import type { StratumId } from '$core/strata/stratum';
import { rememberedList, rememberList } from './remembered';

/*
 * Texts of one's own that could not be written into an alias file. They are kept in the browser, the oldest first, until somebody
 * has decided on each.
 */

const Kept = z.array(z.string());
const keyOf = (application: string, stratum: StratumId) => `aliases-left-${application}-${stratum}`;

export const keptTexts = (application: string, stratum: StratumId): readonly string[] =>
	rememberedList(keyOf(application, stratum), Kept);

function write(application: string, stratum: StratumId, texts: readonly string[]): void {
	rememberList(keyOf(application, stratum), texts);
}

/** Keeps a text behind those that are kept already. */
export function keepText(application: string, stratum: StratumId, text: string): void {
	const texts = keptTexts(application, stratum);
	if (!texts.includes(text)) write(application, stratum, [...texts, text]);
}

export function dropText(application: string, stratum: StratumId, text: string): void {
	write(
		application,
		stratum,
		keptTexts(application, stratum).filter((kept) => kept !== text)
	);
}
