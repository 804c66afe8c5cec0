/** Input that the command cannot work with. The command ends with 2, and says what was expected. */
export class BadInputError extends Error {
	override name = 'BadInputError';
}

/** What the work reads of the input. Throws `BadInputError` with the message of whatever it throws. */
export function reading<T>(work: () => T): T {
	try {
		return work();
	} catch (error) {
		throw new BadInputError((error as Error).message);
	}
}
