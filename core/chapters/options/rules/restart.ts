import { settings, type OptionRule } from '../finding.ts';
import { optionsIn } from '../option.ts';

/** Somebody's own setting that the application hears of only when it starts. */
export const restart: OptionRule = {
	id: 'restart',
	title: 'Restart required',
	find({ options, profile, fold }, report) {
		for (const { stratum, entry } of settings(profile, (s) => optionsIn(s).values())) {
			const definition = options.get(entry.path);
			if (!definition?.restart || stratum.kind !== 'personal') continue;
			if (fold.inForce.get(entry.path)?.entry !== entry || entry.value === definition.default) continue;
			report({
				severity: 'note',
				path: entry.path,
				stratum: stratum.id,
				sentence: `${definition.label} takes effect after the next start.`,
				facts: [JSON.stringify(entry.value)],
				fixes: []
			});
		}
	}
};
