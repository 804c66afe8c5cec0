<script lang="ts">
	/** A text with the searched letters marked. */
	let { text, query }: { text: string; query: string } = $props();
	const parts = $derived.by(() => {
		const q = query.trim().toLowerCase();
		const at = q ? text.toLowerCase().indexOf(q) : -1;
		return at < 0 ? [text, '', ''] : [text.slice(0, at), text.slice(at, at + q.length), text.slice(at + q.length)];
	});
</script>

{parts[0]}{#if parts[1]}<mark>{parts[1]}</mark>{/if}{parts[2]}

<style>
	mark {
		background: var(--limonite-wash);
		color: inherit;
		font-weight: 700;
	}
</style>
