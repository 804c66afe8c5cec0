import type { OptionRule } from '../finding.ts';
import { optionsIn } from '../option.ts';

/** A stratum speaks of an option that this version does not have. */
export const orphan: OptionRule = {
	id: 'orphan',
	title: 'Sets what is not there',
	find({ options, profile }, report) {
		for (const { id, name, kind, contents } of profile)
			for (const { op, path } of optionsIn({ contents }).values())
				if (!options.has(path))
					report({
						severity: 'attention',
						path,
						stratum: id,
						sentence: `${name} speaks of ${path}, an option that this version does not have.`,
						facts: [op],
						fixes: kind === 'factory' ? [] : [{ label: `Drop ${path}`, to: null }]
					});
	}
};
