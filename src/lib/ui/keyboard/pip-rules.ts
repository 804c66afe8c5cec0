import type { Plane } from '$core/keyboard/face';
import type { StratumKind } from '$core/profile/stratum';

const known = new Map<string, string>();
let sheet: CSSStyleSheet | undefined;

/**
 * A class that draws the eight pips of a key as the layers of one background. A rule for each combination that occurs: as
 * elements of their own, or as layers written into each key, pips are most of what the browser has to look at when the
 * drawing turns.
 */
export function pipClass(planes: readonly Plane[], kindOf: (stratum: string) => StratumKind): string {
	let layers = '';
	for (const { keys, binding, outcome } of planes) {
		if (layers !== '') layers += ', ';
		if (keys === undefined) layers += 'none';
		else if (outcome?.kind === 'chooser' || outcome?.kind === 'undecided') layers += 'var(--pip-tied)';
		else layers += binding ? `var(--pip-${kindOf(binding.stratum)})` : 'var(--pip-free)';
	}
	let name = known.get(layers);
	if (name === undefined) {
		if (!sheet) {
			sheet = new CSSStyleSheet();
			document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
		}
		known.set(layers, (name = `pips-${known.size}`));
		sheet.insertRule(`.${name} { background-image: ${layers}; }`, sheet.cssRules.length);
	}
	return name;
}
