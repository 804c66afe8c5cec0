<script lang="ts">
	import PeopleView from '$lib/ui/people/PeopleView.svelte';
</script>

<PeopleView />
