import { valueText } from '../../../application/option.ts';
import type { OptionRule } from '../finding.ts';
import { optionsFold, valueOf } from '../option.ts';

/** Against what the seats have, an option is otherwise: people who rely on it are surprised. */
export const moved: OptionRule = {
	id: 'moved',
	title: 'Differs from the released value',
	find({ options, profile, released }, report) {
		if (!released) return;
		const [now, before] = [profile, released].map((one) => one.filter((s) => s.kind !== 'personal'));
		const paths = new Set([...optionsFold(now!).inForce.keys(), ...optionsFold(before!).inForce.keys()]);
		for (const path of paths) {
			const definition = options.get(path);
			if (!definition) continue;
			const [is, was] = [valueOf(now!, definition), valueOf(before!, definition)];
			if (is === was) continue;
			const stratum = optionsFold(now!).inForce.get(path)?.stratum ?? profile.find((s) => s.kind === 'office')!;
			const restart = definition.restart ? ' Restart required.' : '';
			report({
				severity: 'note',
				path: definition.path,
				stratum: stratum.id,
				sentence: `${definition.label} is ${valueText(definition, is)}; at the seats it is ${valueText(definition, was)}.${restart}`,
				facts: [JSON.stringify(is), JSON.stringify(was)],
				fixes: []
			});
		}
	}
};
