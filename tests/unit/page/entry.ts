// what the tests of the interface's state ask for, bundled by page.ts
export { AliasSession } from '$lib/state/alias-session.svelte';
export { AliasWriting } from '$lib/state/alias-writing';
export { ApiError } from '$lib/state/api';
export { BarDesk } from '$lib/state/bar-desk.svelte';
export { BarDrag } from '$lib/state/bar-drag.svelte';
export { CheckSession } from '$lib/state/check-session.svelte';
export { keepText, keptTexts } from '$lib/state/kept-texts';
export { RecentFiles } from '$lib/state/recent-files.svelte';
export { RecipeWorkshop } from '$lib/state/recipe-workshop.svelte';
export { BenchSession } from '$lib/ui/bench/session.svelte';
export { Workspace } from '$lib/state/workspace.svelte';
export { GestureDesk } from '$lib/state/gesture-desk.svelte';
export { HandTrial } from '$lib/state/hand-trial.svelte';
export { ModeDesk } from '$lib/state/mode-desk.svelte';
export { FileReading, ReadingRefusedError } from '$lib/workers/reading';
