import { canonicalText } from '../format/canonical.ts';
import { ALL_CHAPTERS } from './chapters.ts';
import { headOf, type Stratum, type StratumHead } from '../strata/stratum.ts';

/** A stratum as it is sent and kept: what it says, chapter by chapter, in its order. What it does not say is left out. */
export interface StratumWire extends StratumHead {
	readonly contents: Readonly<Record<string, readonly unknown[]>>;
}

export function wireOf(stratum: Stratum): StratumWire {
	const contents: Record<string, readonly unknown[]> = {};
	for (const chapter of ALL_CHAPTERS) {
		const said = chapter.list(chapter.contentIn(stratum));
		if (said.length > 0) contents[chapter.id] = said;
	}
	return { ...headOf(stratum), contents };
}

/** The stratum again; entries keep their ranks. */
export function stratumOfWire({ contents: said, ...head }: StratumWire): Stratum {
	const contents: Record<string, unknown> = {};
	for (const chapter of ALL_CHAPTERS) {
		const own = said[chapter.id];
		if (own && own.length > 0) contents[chapter.id] = chapter.contentOf(own);
	}
	return { ...headOf(head), contents };
}

/** Whether two strata say the same in the same order, whatever the numbers of their places. */
export const saySame = (a: Stratum, b: Stratum): boolean =>
	ALL_CHAPTERS.every((chapter) => {
		const [mine, yours] = [a, b].map((stratum) => chapter.contentIn(stratum));
		if (mine === yours) return true;
		const text = (content: unknown) => canonicalText(chapter.list(content).map((said) => chapter.toFile(said)));
		return text(mine) === text(yours);
	});
