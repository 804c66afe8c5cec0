import { expect } from 'chai';
import { circumstancesOf } from '../../../../core/profile/circumstances.ts';
import { goingOut, heldBy, listName } from '../../../../core/release/held.ts';
import { holding, type Profile, type Stratum, type StratumId } from '../../../../core/strata/stratum.ts';
import { SHORTCUTS, shortcutsOf } from '../../../../core/shortcut/entry.ts';
import { gneiss } from '../../../../demo/gneiss/gneiss.ts';
import { varve } from '../../../../demo/varve/varve.ts';
import { demoProfile, subjectOf } from '../../demo-office.ts';
import { stratumOf } from '../../strata.ts';

const [factory, office] = demoProfile(varve) as [Stratum, Stratum];
const shared = (id: string, kind: 'discipline' | 'project' | 'personal') =>
	stratumOf({ id: id as StratumId, kind, name: id[0]!.toUpperCase() + id.slice(1) }, []);
const [doors, roofs, barn, mine] = [
	shared('doors', 'discipline'),
	shared('roofs', 'discipline'),
	shared('barn', 'project'),
	shared('mine', 'personal')
];
const profile: Profile = [factory, office, doors, roofs, barn, mine];
const setup = (...strata: string[]) => ({ strata: strata as StratumId[] });
const ids = (lists: readonly Profile[]) => lists.map((list) => list.slice(1).map(({ id }) => id as string));

describe('the lists of strata that reach people by a release', () => {
	it('are the office’s alone where nothing else goes out', () => {
		expect(ids(goingOut(profile, [setup('office', 'doors', 'mine')], []))).to.deep.equal([['office']]);
	});

	it('are those of setups, in their order, of what goes out, each once; and all together', () => {
		const setups = [
			setup('office', 'doors', 'mine'),
			setup('doors', 'office'),
			setup('office', 'roofs', 'doors'),
			setup('office', 'doors', 'barn'),
			setup('office', 'mine')
		];
		const found = ids(goingOut(profile, setups, ['doors' as StratumId, 'roofs' as StratumId]));
		expect(found[0]).to.deep.equal(['office']);
		expect(found).to.have.deep.members([
			['office'],
			['office', 'doors'],
			['doors', 'office'],
			['office', 'roofs', 'doors'],
			['office', 'doors', 'roofs']
		]);
		expect(listName(goingOut(profile, setups, ['doors' as StratumId])[1]!)).to.equal(`${office.name} with Doors`);
	});
});

describe('what holds a release back', () => {
	it('is nothing in what Altspur Cabins has published', () => {
		const lists = goingOut(profile, [], ['doors' as StratumId]);
		for (const list of lists) expect(heldBy(list, circumstancesOf(subjectOf(varve), list, [], null), null)).to.deep.equal([]);
	});

	it('is an error that a discipline brings with it, for those alone who have it', () => {
		const subject = subjectOf(gneiss);
		const [base, standard] = demoProfile(gneiss) as [Stratum, Stratum];
		// two commands for the same keys in the same contexts
		const twice = gneiss.entriesOf('set | Ctrl+Alt+K | file.pack | any\nset | Ctrl+Alt+K | inspect.mass | any');
		const quiet = holding(standard, SHORTCUTS, shortcutsOf([]));
		const cladding = holding(shared('doors', 'discipline'), SHORTCUTS, shortcutsOf(twice));
		const held = (list: Profile) => heldBy(list, circumstancesOf(subject, list, [], null), null);
		const before = new Set(held([base, quiet]).map(({ finding }) => finding));
		const fresh = held([base, quiet, cladding]).filter(({ finding }) => !before.has(finding));
		expect(fresh).to.have.length(1);
		expect(fresh[0]).to.include({ chapter: 'shortcuts' });
		expect(fresh[0]!.sentence).to.include('Ctrl+Alt+K');
	});
});
