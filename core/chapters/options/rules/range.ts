import { nearestValue, valueProblem, valueText } from '../../../application/option.ts';
import { settings, type OptionRule } from '../finding.ts';
import { optionsIn } from '../option.ts';

/** A value that the option cannot have; what the application makes of it nobody knows. */
export const range: OptionRule = {
	id: 'range',
	title: 'Value not allowed',
	find({ options, profile }, report) {
		for (const { stratum, entry } of settings(profile, (s) => optionsIn(s).values())) {
			const definition = options.get(entry.path);
			const problem = definition && valueProblem(definition, entry.value);
			if (!problem) continue;
			const near = nearestValue(definition, entry.value);
			report({
				severity: 'error',
				path: entry.path,
				stratum: stratum.id,
				sentence: `${stratum.name} sets ${definition.label}: ${problem}.`,
				facts: [JSON.stringify(entry.value), JSON.stringify(definition.type)],
				fixes: [
					...(near === undefined
						? []
						: [{ label: `Set ${definition.label} to ${valueText(definition, near)}`, to: { ...entry, value: near } }]),
					{ label: `Reset to ${valueText(definition, definition.default)}`, to: null }
				]
			});
		}
	}
};
