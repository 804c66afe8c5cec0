import { resolveEverywhere, type Outcome } from '../../answer/resolve.ts';
import type { ShortcutIndex } from '../../answer/shortcut-index.ts';
import type { Profile } from '../../strata/stratum.ts';
import type { Keys } from '../../stroke/stroke.ts';
import { roseThing, type Trigger } from './gesture.ts';
import { listeningTo } from './hearing.ts';
import { inputTold, tellPress, type Press, type Told } from './tell.ts';

/** What a press is told to be in some situations, and what it does there. */
export interface ToldThere {
	readonly told: Told;
	/** Undefined where it is no input. */
	readonly keys: Keys | undefined;
	readonly outcome: Outcome;
	readonly situations: readonly number[];
}

/** What a press is told to be in one situation. */
export const toldIn = (profile: Profile, index: ShortcutIndex, trigger: Trigger, press: Press, situation: number): Told =>
	tellPress(press, index.rules.pointer, listeningTo(profile, index, trigger, situation));

/**
 * What a press of the mouse does everywhere: one context may have more directions than another, or other shapes, so that the same
 * move is another input there. Those of most situations come first.
 */
export function pressedEverywhere(profile: Profile, index: ShortcutIndex, trigger: Trigger, press: Press): ToldThere[] {
	const toldBy = new Map<string, Told>();
	const groups = new Map<string, { told: Told; keys: Keys | undefined; situations: number[] }>();
	for (let situation = 0; situation < index.space.situations.length; situation++) {
		const heard = listeningTo(profile, index, trigger, situation);
		const listening = `${heard.rose ? roseThing(heard.rose) : ''}\n${heard.shapes!.map(({ shape }) => shape).join(' ')}`;
		let told = toldBy.get(listening);
		if (!told) toldBy.set(listening, (told = tellPress(press, index.rules.pointer, heard)));
		const keys = inputTold(trigger, told);
		const group = groups.get(keys ?? '');
		if (group) group.situations.push(situation);
		else groups.set(keys ?? '', { told, keys, situations: [situation] });
	}
	return [...groups.values()]
		.flatMap(({ told, keys, situations }): ToldThere[] => {
			if (keys === undefined) return [{ told, keys, outcome: { kind: 'nothing' } as Outcome, situations }];
			const here = new Set(situations);
			return resolveEverywhere(index, keys).flatMap(({ outcome, situations: there }) => {
				const both = there.filter((situation) => here.has(situation));
				return both.length > 0 ? [{ told, keys, outcome, situations: both }] : [];
			});
		})
		.sort((a, b) => b.situations.length - a.situations.length);
}
