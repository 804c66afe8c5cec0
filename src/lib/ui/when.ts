/** Dates and times as the browser's language writes them. */
const format = (style: Intl.DateTimeFormatOptions) => {
	const { format } = new Intl.DateTimeFormat(undefined, style);
	return (at: string | number | Date): string => format(new Date(at));
};

/** A date: "2 Dec 2026". */
export const day = format({ dateStyle: 'medium' });
/** A date in full, for paper: "2 December 2026". */
export const fullDay = format({ dateStyle: 'long' });
/** A date with its time: "2 Dec 2026, 14:05". */
export const moment = format({ dateStyle: 'medium', timeStyle: 'short' });
/** The same, for narrow columns: "02/12/2026, 14:05". */
export const shortMoment = format({ dateStyle: 'short', timeStyle: 'short' });
