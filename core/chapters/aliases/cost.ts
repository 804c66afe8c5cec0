/**
 * Keystroke-level operators in seconds (Card, Moran, Newell, Communications of the ACM 23(7), 1980, from memory): a key of an
 * average skilled typist, and moving the hand between mouse and keyboard.
 */
const KEY = 0.2;
const HOMING = 0.4;

/**
 * Typing an alias and accepting it. Up to three signs are typed by the free hand; more take both, which have to find the
 * keyboard and the mouse again.
 */
export function aliasCost(alias: string): number {
	const signs = [...alias].length;
	return (signs + 1) * KEY + (signs > 3 ? 2 * HOMING : 0);
}
