/** The list in an order of chance (Fisher and Yates); the given one stays. */
export function shuffled<T>(list: readonly T[], random: () => number): T[] {
	const some = [...list];
	for (let i = some.length - 1; i > 0; i--) {
		const j = Math.floor(random() * (i + 1));
		[some[i], some[j]] = [some[j]!, some[i]!];
	}
	return some;
}
