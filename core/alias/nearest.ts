/** The distance of two words: how many letters must be put, taken or exchanged (Levenshtein 1966); gives up above `most`. */
function distance(a: string, b: string, most: number): number {
	if (Math.abs(a.length - b.length) > most) return most + 1;
	let row = Array.from({ length: b.length + 1 }, (_, i) => i);
	for (let i = 1; i <= a.length; i++) {
		const next = [i];
		let least = i;
		for (let o = 1; o <= b.length; o++) {
			const cost = Math.min(row[o]! + 1, next[o - 1]! + 1, row[o - 1]! + (a[i - 1] === b[o - 1] ? 0 : 1));
			next.push(cost);
			if (cost < least) least = cost;
		}
		if (least > most) return most + 1;
		row = next;
	}
	return row[b.length]!;
}

/** The name that is spelt most like the given one, if at most a third of it differs. */
export function nearest(name: string, among: Iterable<string>): string | undefined {
	let most = Math.floor(name.length / 3);
	let found: string | undefined;
	for (const other of among) {
		const d = distance(name, other, most);
		if (d > most || (d === most && found !== undefined)) continue;
		found = other;
		most = d;
	}
	return found;
}
