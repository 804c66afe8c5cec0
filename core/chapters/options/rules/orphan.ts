import type { OptionRule } from '../finding.ts';
import { optionsIn } from '../option.ts';

/** A stratum speaks of an option that this version does not have. */
export const orphan: OptionRule = {
	id: 'orphan',
	title: 'Sets a missing option',
	find({ options, profile }, report) {
		for (const { id, name, kind, contents } of profile)
			for (const { op, path } of optionsIn({ contents }).values())
				if (!options.has(path))
					report({
						severity: 'attention',
						path,
						stratum: id,
						sentence: `${name} sets ${path}, an option that does not exist in this version.`,
						facts: [op],
						fixes: kind === 'factory' ? [] : [{ label: `Remove ${path}`, to: null }]
					});
	}
};
