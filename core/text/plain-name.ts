import { z } from 'zod';

/** What is not seen or turns the order of what is seen: controls, formats such as the bidi overrides, default ignorables, a blank of Braille. */
const UNSEEN = /[\p{C}\p{DI}\u2800]/u;

/** A name in its one form (NFC, Unicode Standard Annex 15), with single blanks. `what` says whose name it is, for messages. */
export const plainName = (what: string, most = 60) =>
	z
		.string()
		.refine((text) => !UNSEEN.test(text.trim()), `${what} contains an invisible character; expected letters, digits and signs`)
		.transform((text) => text.normalize('NFC').replace(/\s+/gu, ' ').trim())
		.pipe(z.string().min(1, `${what} needs a name`).max(most));
