/** A cell that a program for sheets would take for a formula, whatever stands in quotes before it (OWASP, CSV Injection). */
const ACTS = /^'*[=+\-@\t\r]/;

/** The cell with an apostrophe before what would act; programs for sheets show the rest as text. `plain` takes it off again. */
export const inert = (cell: string): string => (ACTS.test(cell) ? `'${cell}` : cell);

/** The cell as it was before `inert`. */
export const plain = (cell: string): string => (cell.startsWith("'") && ACTS.test(cell) ? cell.slice(1) : cell);
