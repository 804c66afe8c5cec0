import { getContext, setContext } from 'svelte';

const KEY = Symbol('the last thing done');

/** The report of what was just done. It outlives the view that did it, which is made again when the program is read again. */
class LastDone {
	text = $state('');
}

/** For the root of all pages. */
export const provideLastDone = (): LastDone => setContext(KEY, new LastDone());

export const useLastDone = (): LastDone => getContext(KEY);
