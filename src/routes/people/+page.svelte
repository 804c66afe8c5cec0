<script lang="ts">
	import PeopleView from '$lib/ui/people/PeopleView.svelte';
	import Frame from '$lib/ui/programs/Frame.svelte';
</script>

<Frame title="People"><PeopleView /></Frame>
