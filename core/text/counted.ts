const forms = new Intl.PluralRules('en');
const figures = new Intl.NumberFormat('en');

/** A number with its noun in the right form: "1 entry", "1,200 entries". Without `many` the plural has an s. */
export const counted = (n: number, one: string, many = `${one}s`): string => `${figures.format(n)} ${formOf(n, one, many)}`;

/** The form of a word that goes with the number: "is" or "are". */
export const formOf = (n: number, one: string, many: string): string => (forms.select(n) === 'one' ? one : many);
