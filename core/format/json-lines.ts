const QUOTE = 34;
const BACKSLASH = 92;
const isOpening = (code: number) => code === 123 || code === 91;
const isClosing = (code: number) => code === 125 || code === 93;

/** After the string that begins at `at`. */
function afterString(text: string, at: number): number {
	let end = at + 1;
	for (;;) {
		end = text.indexOf('"', end);
		let slashes = 0;
		while (text.charCodeAt(end - 1 - slashes) === BACKSLASH) slashes++;
		end++;
		if (slashes % 2 === 0) return end;
	}
}

/** The next sign that is no blank. */
function next(text: string, at: number): number {
	let code = text.charCodeAt(at);
	while (code === 32 || code === 9 || code === 10 || code === 13 || code === 0xfeff) code = text.charCodeAt(++at);
	return at;
}

/** After the value that begins at `at`. */
function afterValue(text: string, at: number): number {
	let code = text.charCodeAt(at);
	if (code === QUOTE) return afterString(text, at);
	if (!isOpening(code)) {
		while (!Number.isNaN(code) && code !== 44 && !isClosing(code)) code = text.charCodeAt(++at);
		return at;
	}
	for (let depth = 0; ;) {
		code = text.charCodeAt(at);
		if (code === QUOTE) {
			at = afterString(text, at);
			continue;
		}
		if (isOpening(code)) depth++;
		else if (isClosing(code) && --depth === 0) return at + 1;
		at++;
	}
}

/** Calls back with the offset of each value of an object or list, and with its name in an object. Returns the place after it. */
function eachChild(text: string, open: number, take: (at: number, name: string | undefined) => number | void): number {
	const isObject = text.charCodeAt(open) === 123;
	let at = next(text, open + 1);
	while (!isClosing(text.charCodeAt(at))) {
		let name: string | undefined;
		if (isObject) {
			const end = afterString(text, at);
			name = JSON.parse(text.slice(at, end)) as string;
			at = next(text, next(text, end) + 1);
		}
		at = next(text, take(at, name) ?? afterValue(text, at));
		if (text.charCodeAt(at) === 44) at = next(text, at + 1);
	}
	return at + 1;
}

/**
 * For each object in the list `outer` of the document, the lines (from 1) on which the elements of its list `inner` begin,
 * and last the line on which that list ends. The text must be JSON. Many times quicker than a tree of all values.
 */
export function elementLines(text: string, outer: string, inner: string): number[][] {
	let line = 1;
	let counted = 0;
	const lineOf = (offset: number) => {
		for (let lf = text.indexOf('\n', counted); lf !== -1 && lf < offset; lf = text.indexOf('\n', counted)) {
			line++;
			counted = lf + 1;
		}
		return line;
	};
	let found: number[][] = [];
	eachChild(text, next(text, 0), (at, name) => {
		if (name !== outer) return undefined;
		found = [];
		return eachChild(text, at, (object) => {
			let lines: number[] = [];
			const end = eachChild(text, object, (list, listName) => {
				if (listName !== inner) return undefined;
				lines = [];
				const after = eachChild(text, list, (element) => void lines.push(lineOf(element)));
				lines.push(lineOf(after));
				return after;
			});
			found.push(lines);
			return end;
		});
	});
	return found;
}
