<script lang="ts" module>
	import { getContext, setContext, type Snippet } from 'svelte';

	const KEY = Symbol('the head of the view');

	/** The acts that a view puts into its head. */
	interface Head {
		acts: Snippet | undefined;
	}

	export function provideHead(): void {
		const head = $state<Head>({ acts: undefined });
		setContext(KEY, head);
	}

	export const useHead = (): Head | undefined => getContext(KEY);
</script>

<script lang="ts">
	import type { View } from '../views';

	/** The head of a view: its title, what it is for in one line, and its acts at the right. The same height in every view. */
	let { view }: { view: View } = $props();
	const head = useHead();
</script>

<header class="view-head">
	<h1>{view.name}</h1>
	<p>{view.line}</p>
	<div class="acts">{@render head?.acts?.()}</div>
</header>

<style>
	.view-head {
		display: flex;
		align-items: center;
		gap: var(--space-3);
		flex: none;
		height: 48px;
		padding: 0 var(--space-5);
		border-bottom: 1px solid var(--line);
		background: var(--ground);
	}
	h1 {
		white-space: nowrap;
	}
	p {
		flex: 1 1 0;
		min-width: 0;
		overflow: hidden;
		color: var(--ink-3);
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.acts {
		display: flex;
		align-items: center;
		gap: var(--space-2);
		flex: none;
	}
	@media (max-height: 760px) {
		.view-head {
			height: 40px;
		}
		h1 {
			font-size: var(--heading);
		}
	}
	@media (max-width: 760px) {
		.view-head {
			flex-wrap: wrap;
			gap: var(--space-1) var(--space-3);
			height: auto;
			padding: var(--space-2) var(--space-3);
		}
		p {
			flex-basis: 100%;
			order: 1;
			white-space: normal;
		}
		.acts {
			flex-wrap: wrap;
			flex-shrink: 1;
			min-width: 0;
		}
	}
	@media print {
		.view-head {
			display: none;
		}
	}
</style>
