/** Input that the command cannot work with. The command ends with 2, and says what was expected. */
export class BadInputError extends Error {
	override name = 'BadInputError';
}
